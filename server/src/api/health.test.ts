import { send, testSpan } from '../fixtures/traffic';
import { startTestServer, type TestServer } from '../fixtures/test-server';

interface Health {
  status: string;
  parts: Record<string, { state: string; words: string; sinceMs: number }>;
}

const healthOf = async (server: TestServer) => (await (await fetch(`${server.url}/readyz`)).json()) as Health;

test('a server that is well says so of each part, and is alive and ready', async () => {
  const server = await startTestServer();
  try {
    expect((await fetch(`${server.url}/livez`)).status).toBe(200);
    const answer = await fetch(`${server.url}/readyz`);
    const { status, parts } = (await answer.json()) as Health;
    expect([answer.status, status]).toEqual([200, 'ok']);
    expect(Object.keys(parts)).toEqual(['intake', 'journal', 'database', 'engine', 'search', 'disk', 'backup']);
    expect(Object.values(parts).every(({ state }) => state === 'ok')).toBe(true);
    const metrics = await (await fetch(`${server.url}/metrics`)).text();
    expect(metrics).toContain('toplens_part_up{part="database"} 1\n');
    expect(metrics).toContain('toplens_limit{limit="records"} 50000\n');
    expect(metrics).toContain('toplens_limit{limit="lengths.message"} ');
    // OpenMetrics 1.0: a name, labels, a number.
    const samples = metrics.split('\n').filter((line) => line !== '' && !line.startsWith('#'));
    expect(samples.length).toBeGreaterThan(40);
    for (const line of samples) expect(line).toMatch(/^[a-z_]+(?:\{[a-z]+="[^"]*"\})? -?\d+(?:\.\d+)?(?:e[+-]?\d+)?$/);
    expect(metrics.endsWith('# EOF\n')).toBe(true);
  } finally {
    await server.remove();
  }
});

test('without room on the disk it is alive but not ready, takes nothing, and says since when', async () => {
  const server = await startTestServer({ leastFreeDiskBytes: Number.MAX_SAFE_INTEGER });
  try {
    const refused = await send(server.url, [testSpan(1, Date.now() - 1_000, 10)]);
    expect([refused.status, refused.headers.get('retry-after')]).toEqual([503, '10']);
    expect(await refused.text()).toMatch(/Only [\d,]+ MB of disk are free\. Nothing of this request was taken/);
    expect((await fetch(`${server.url}/livez`)).status).toBe(200);
    expect((await fetch(`${server.url}/readyz`)).status).toBe(503);
    const { status, parts } = await healthOf(server);
    expect([status, parts.disk?.state, parts.intake?.state]).toEqual(['down', 'down', 'down']);
    expect(parts.disk?.sinceMs).toBeLessThanOrEqual(Date.now());
    // What was taken before is still there to look at.
    expect((await fetch(`${server.url}/api/worst-first`)).status).toBe(200);
  } finally {
    await server.remove();
  }
});

test('an engine that is started anew knows what it knew', async () => {
  const server = await startTestServer();
  try {
    await send(
      server.url,
      Array.from({ length: 50 }, (_, i) => testSpan(i, Date.now() - 120_000, 10)),
    );
    await server.intake.settled();
    const countOf = async () =>
      ((await (await fetch(`${server.url}/api/flow-counts`)).json()) as { flows: { attempts: number }[] }).flows[0]
        ?.attempts;
    expect(await countOf()).toBe(50);
    const restarted = server.engine.restart();
    const meanwhile = await fetch(`${server.url}/api/worst-first`);
    expect([200, 503]).toContain(meanwhile.status);
    await restarted;
    expect(await countOf()).toBe(50);
    expect((await healthOf(server)).parts.engine?.state).toBe('ok');
  } finally {
    await server.remove();
  }
});

test('judging that fails is said, with up to when it is judged, until it goes well again', async () => {
  const server = await startTestServer();
  try {
    await send(server.url, [testSpan(1, Date.now() - 120_000, 10)]);
    await server.intake.settled();
    await server.engine.ask('settle', null);
    await server.database.exec('ALTER TABLE roll_up_hour RENAME TO lost');
    await send(server.url, [testSpan(2, Date.now() - 110_000, 10)]);
    await server.intake.settled();
    await expect(server.engine.ask('settle', null)).rejects.toThrow('roll_up_hour');
    const { status, parts } = await healthOf(server);
    expect([status, parts.engine?.state]).toEqual(['degraded', 'degraded']);
    expect(parts.engine?.words).toMatch(
      /^Judging failed \(.*roll_up_hour.*\) and is tried again; what is shown is judged up to 2/,
    );
    await server.database.exec('ALTER TABLE lost RENAME TO roll_up_hour');
    await server.engine.ask('settle', null);
    expect((await healthOf(server)).parts.engine).toMatchObject({ state: 'ok', words: '' });
  } finally {
    await server.remove();
  }
});
