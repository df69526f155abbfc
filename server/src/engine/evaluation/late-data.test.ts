import { DAY_MS, floorTo, HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import { send, steadyTraffic, testSpan, type TestSpan } from '../../fixtures/traffic';
import { startTestServer, type TestServer } from '../../fixtures/test-server';

const NOW = floorTo(Date.now(), MINUTE_MS);

async function sendAll(server: TestServer, spans: readonly TestSpan[]): Promise<void> {
  for (let i = 0; i < spans.length; i += 2_000)
    expect((await send(server.url, spans.slice(i, i + 2_000))).status).toBe(200);
  await server.intake.settled();
}

/** What a window's list says, without what depends on the moment at which it was asked. */
async function listOf(server: TestServer, toMs: number): Promise<unknown> {
  const query = new URLSearchParams({
    from: new Date(toMs - 2 * HOUR_MS).toISOString(),
    to: new Date(toMs).toISOString(),
  }).toString();
  const { rows } = (await (await fetch(`${server.url}/api/worst-first?${query}`)).json()) as {
    rows: { title: string; harmPerHour: number; onsetMs: number; endMs: number }[];
  };
  return rows.map(({ title, harmPerHour, onsetMs, endMs }) => ({ title, harmPerHour, onsetMs, endMs }));
}

test('days that come in the wrong order are judged as if they had come in the right one', async () => {
  // Trouble four days ago, and now. Ids of the second half go on behind the first.
  const days = (fromMs: number, toMs: number, first: number) =>
    steadyTraffic(fromMs, (toMs - fromMs) / MINUTE_MS, 20, 6).map((span, i) => ({
      ...span,
      traceId: (first + i).toString(16).padStart(32, '0'),
      spanId: (first + i).toString(16).padStart(16, '0'),
    }));
  const middle = NOW - 4 * DAY_MS;
  const old = days(NOW - 6 * DAY_MS, middle, 1);
  const fresh = days(middle, NOW - MINUTE_MS, 1_000_000);
  const [inOrder, wrongOrder] = [await startTestServer(), await startTestServer()];
  try {
    await sendAll(inOrder, old);
    await inOrder.engine.ask('settle', null);
    await sendAll(inOrder, fresh);
    await inOrder.engine.ask('settle', null);
    await sendAll(wrongOrder, fresh);
    await wrongOrder.engine.ask('settle', null);
    await sendAll(wrongOrder, old);
    await wrongOrder.engine.ask('settle', null);
    expect(await listOf(inOrder, NOW)).not.toEqual([]);
    for (const toMs of [NOW, middle]) expect(await listOf(wrongOrder, toMs)).toEqual(await listOf(inOrder, toMs));
  } finally {
    await inOrder.remove();
    await wrongOrder.remove();
  }
});

test('one attempt of a month ago keeps nobody waiting: what is live is judged at once, the rest beside it', async () => {
  const server = await startTestServer();
  try {
    await sendAll(server, steadyTraffic(NOW - 3 * HOUR_MS, 3 * 60, 20));
    await server.engine.ask('settle', null);
    await sendAll(server, [testSpan(900_001, NOW - 33 * DAY_MS, 10)]);
    await sendAll(server, [testSpan(900_002, Date.now() - 1_000, 10)]);
    const begun = Date.now();
    // Within a few cycles, whatever else is due.
    for (;;) {
      const { judgedMs, dueFromMs } = server.engine.figures ?? { judgedMs: 0, dueFromMs: undefined };
      if (judgedMs >= floorTo(begun - 8_000, MINUTE_MS) && dueFromMs !== undefined) break;
      if (judgedMs >= NOW && dueFromMs === undefined && Date.now() - begun > 15_000) break;
      if (Date.now() - begun > 120_000)
        throw new Error(`judged up to ${new Date(judgedMs).toISOString()}, due from ${dueFromMs}`);
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    expect(server.engine.figures?.judgedMs).toBeGreaterThanOrEqual(NOW - MINUTE_MS);
    await server.engine.ask('settle', null);
    expect(server.engine.figures?.dueFromMs).toBeUndefined();
    expect(await listOf(server, NOW)).not.toEqual([]);
  } finally {
    await server.remove();
  }
});

test('what is still due is known after a restart', async () => {
  const server = await startTestServer();
  try {
    await server.database.query('INSERT INTO judging_due (from_ms) VALUES ($1)', [NOW - 5 * DAY_MS]);
    await server.engine.restart();
    expect(server.engine.figures?.dueFromMs).toBe(NOW - 5 * DAY_MS);
  } finally {
    await server.remove();
  }
});
