import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ProbeStep } from '@toplens/core/probes';
import { readArguments } from './arguments';
import { Guard } from './guard';
import { Outbox } from './outbox';
import { checkAnswer } from './request-step';
import { runScript } from './run-script';
import { Runner } from './runner';

const servers: Server[] = [];
const folders: string[] = [];
afterAll(() => {
  for (const server of servers) server.close();
  for (const folder of folders) rmSync(folder, { recursive: true, force: true });
});

async function serve(answer: RequestListener): Promise<string> {
  const server = createServer(answer);
  servers.push(server);
  await new Promise<void>((listening) => server.listen(0, '127.0.0.1', listening));
  return `127.0.0.1:${(server.address() as AddressInfo).port}`;
}

const folder = (): string => {
  const made = mkdtempSync(join(tmpdir(), 'toplens-probe-test-'));
  folders.push(made);
  return made;
};

const run = (steps: readonly ProbeStep[], allow: readonly string[] = []) =>
  runScript({ steps }, { guard: new Guard(allow), values: {}, browserPath: undefined, now: Date.now });

async function until(what: string, holds: () => boolean): Promise<void> {
  const end = Date.now() + 20_000;
  while (!holds()) {
    if (Date.now() > end) throw new Error(`waited in vain for ${what}`);
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
}

describe('a run', () => {
  test('does step after step, tells services what asks them, and says where the time went', async () => {
    const asked: { url: string; agent: string; state: string; parent: string }[] = [];
    const host = await serve((request, response) => {
      const { url = '', headers } = request;
      asked.push({
        url,
        agent: headers['user-agent'] ?? '',
        state: String(headers.tracestate),
        parent: String(headers.traceparent),
      });
      setTimeout(() => response.end(JSON.stringify({ state: 'up', of: { n: [1, 2] } })), 60);
    });
    const { steps, traceId, fault } = await run(
      [
        { name: 'First', kind: 'request', url: `http://${host}/a` },
        {
          name: 'Second',
          kind: 'request',
          url: `http://${host}/b`,
          json: [
            { path: '$.state', equals: 'up' },
            { path: '$.of.n[1]', equals: 2 },
          ],
        },
      ],
      [host],
    );
    expect(steps.map(({ name, failure }) => [name, failure])).toEqual([
      ['First', undefined],
      ['Second', undefined],
    ]);
    expect(fault).toBe('');
    expect(asked.map(({ url }) => url)).toEqual(['/a', '/b']);
    for (const [i, { agent, state, parent }] of asked.entries()) {
      expect([agent, state]).toEqual(['TopLensProbe/1', 'toplens=probe']);
      expect(parent).toBe(`00-${traceId}-${steps[i]?.spanId}-01`);
    }
    for (const { parts, durationMs } of steps) {
      expect(parts?.waitMs).toBeGreaterThan(50);
      const told = (parts?.nameMs ?? 0) + (parts?.connectMs ?? 0) + (parts?.waitMs ?? 0) + (parts?.transferMs ?? 0);
      expect(told).toBeLessThanOrEqual(durationMs + 1);
    }
  });

  test('a step that fails ends it', async () => {
    const host = await serve((request, response) => {
      response.statusCode = request.url === '/bad' ? 503 : 200;
      response.end();
    });
    const { steps } = await run(
      ['/ok', '/bad', '/never'].map((path) => ({ name: path, kind: 'request', url: `http://${host}${path}` })),
      [host],
    );
    expect(steps.map(({ failure }) => failure)).toEqual([undefined, 'status 503, expected below 400']);
  });

  test('inner addresses are asked only when they are allowed, by a redirect neither', async () => {
    const inside = await serve((_request, response) => response.end('secret'));
    const outside = await serve((_request, response) => {
      response.writeHead(302, { location: `http://${inside}/` }).end();
    });
    const step: ProbeStep = { name: 'Ask', kind: 'request', url: `http://${inside}/` };
    expect((await run([step])).steps[0]?.failure).toContain(`allows it with --allow ${inside}`);
    expect((await run([step], [inside])).steps[0]?.failure).toBeUndefined();
    const away = await run([{ ...step, url: `http://${outside}/` }], [outside]);
    expect(away.steps[0]?.failure).toContain('is an inner address');
    // A name that leads inside is no way round.
    const named = await run([{ ...step, url: `http://localhost:${inside.split(':')[1]}/` }]);
    expect(named.steps[0]?.failure).toContain('is an inner address');
  });

  test.each([
    ['EAI_AGAIN', 'its resolver does not answer (EAI_AGAIN for desk.example)'],
    ['ENOTFOUND', ''],
  ])('%s of the resolver: a dead one is trouble of the probe, a name that is unknown is not', async (code, fault) => {
    const dead = new Guard([], (_name, _options, done) => done(Object.assign(new Error(code), { code }), []));
    const step: ProbeStep = { name: 'Ask', kind: 'request', url: 'http://desk.example/' };
    const told = await runScript({ steps: [step] }, { guard: dead, values: {}, browserPath: undefined, now: Date.now });
    expect(told.fault).toBe(fault);
    expect(told.steps[0]?.failure).toBe(fault || 'desk.example: no such name');
  });

  test('a name that leads inside after all is refused where it is connected to', async () => {
    const turned = new Guard([], (_name, _options, done) => done(null, [{ address: '10.0.0.7', family: 4 }]));
    const step: ProbeStep = { name: 'Ask', kind: 'request', url: 'http://desk.example/' };
    const told = await runScript(
      { steps: [step] },
      { guard: turned, values: {}, browserPath: undefined, now: Date.now },
    );
    expect(told.steps[0]?.failure).toContain('desk.example is an inner address (10.0.0.7)');
  });

  test('redirects are followed, and do not go on for ever', async () => {
    const host: string = await serve((request, response) => {
      if (request.url === '/end') response.end('here');
      else response.writeHead(303, { location: request.url === '/once' ? '/end' : '/again' }).end();
    });
    const ask = (path: string): ProbeStep => ({
      name: path,
      kind: 'request',
      method: 'POST',
      url: `http://${host}${path}`,
    });
    expect((await run([{ ...ask('/once'), contains: 'here' }], [host])).steps[0]?.failure).toBeUndefined();
    expect((await run([ask('/again')], [host])).steps[0]?.failure).toContain('more than 5 redirects');
  });

  test('what it does not know, and what nobody told it, is said', async () => {
    const unknown = { name: 'Dance', kind: 'dance' as never };
    expect((await run([unknown])).steps[0]?.failure).toContain('does not know “dance”');
    const untold: ProbeStep = { name: 'Ask', kind: 'request', url: '{{desk}}/' };
    expect((await run([untold])).steps[0]?.failure).toContain('--set desk=');
    const gone: ProbeStep = { name: 'Ask', kind: 'request', url: 'http://127.0.0.1:9/' };
    expect((await run([gone], ['127.0.0.1'])).steps[0]?.failure).toBe('127.0.0.1:9: nobody listens there');
    const page: ProbeStep = { name: 'Open', kind: 'open', url: 'https://desk.example/' };
    expect((await run([page])).steps[0]?.failure).toContain('no browser');
  });
});

test.each([
  [{ status: 201 }, { status: 200, body: '' }, 'status 200, expected 201'],
  [{ contains: 'Hello' }, { status: 200, body: 'Goodbye' }, '“Hello” is not in the answer'],
  [{ json: [{ path: '$.a', equals: 1 }] }, { status: 200, body: '<html>' }, 'the answer is no JSON'],
  [{ json: [{ path: '$.a', equals: 1 }] }, { status: 200, body: '{"a":2}' }, '$.a is 2, expected 1'],
  [{ json: [{ path: '$.b', equals: 1 }] }, { status: 200, body: '{"a":2}' }, '$.b is missing, expected 1'],
] as [Partial<ProbeStep>, { status: number; body: string }, string][])('%j against %j', (step, answer, why) => {
  expect(() => checkAnswer({ name: 'Ask', kind: 'request', ...step }, answer)).toThrow(why);
});

describe('the outbox', () => {
  test('keeps runs on the disk until they are taken, those of an earlier process too; what is refused is left', async () => {
    const dir = folder();
    writeFileSync(join(dir, '0-earlier.json'), '"earlier"');
    const sent: string[] = [];
    let isAway = true;
    const outbox = new Outbox({
      dir,
      log: () => undefined,
      send: (body) => {
        if (isAway) return Promise.resolve('later');
        sent.push(body);
        return Promise.resolve(body === '"bad"' ? 'refused' : 'taken');
      },
    });
    outbox.add('1-first', 'first' as never);
    outbox.add('2-bad', 'bad' as never);
    outbox.add('3-last', 'last' as never);
    await until('the first try', () => readdirSync(dir).length === 4);
    isAway = false;
    outbox.kick();
    await until('all to be sent', () => sent.length >= 4);
    await outbox.stop();
    expect(sent).toEqual(['"earlier"', '"first"', '"bad"', '"last"']);
    expect(readdirSync(dir)).toEqual(['2-bad.json.refused']);
  });
});

interface Told {
  resourceSpans: { scopeSpans: { spans: { attributes: { key: string; value: { stringValue?: string } }[] }[] }[] }[];
}

describe('the runner', () => {
  const SCRIPT = { name: 'Own page', application: 'Shop', everyS: 5, steps: [] as ProbeStep[] };

  /** A server that has one script, and takes runs. */
  async function topLens(script: () => object) {
    const taken: Told[] = [];
    const host = await serve((request, response) => {
      if (request.url?.startsWith('/v1/probes')) {
        response.end(JSON.stringify({ nowMs: Date.now(), ...script() }));
        return;
      }
      let body = '';
      request.on('data', (chunk) => (body += String(chunk)));
      request.on('end', () => {
        taken.push(JSON.parse(body) as Told);
        response.end('{}');
      });
    });
    return { host, taken };
  }
  const attributeOf = (told: Told | undefined, name: string) =>
    told?.resourceSpans[0]?.scopeSpans[0]?.spans[0]?.attributes.find(({ key }) => key === name)?.value.stringValue;

  async function started(server: string, now?: () => number, log: (line: string) => void = () => undefined) {
    const runner = new Runner({
      site: 'Ostrel',
      host: 'probe-1',
      server: `http://${server}`,
      key: '',
      allow: [server],
      values: { self: `http://${server}` },
      spool: folder(),
      log,
      ...(now && { now }),
    });
    await runner.start();
    return runner;
  }

  test('runs what it is told, and sends it', async () => {
    const { host, taken } = await topLens(() => ({
      scripts: [{ ...SCRIPT, steps: [{ name: 'Ask', kind: 'request', url: '{{self}}/v1/probes' }] }],
    }));
    const runner = await started(host);
    await until('a run', () => taken.length > 0);
    await runner.stop();
    expect(attributeOf(taken[0], 'toplens.probe')).toBe('Own page');
    expect(attributeOf(taken[0], 'toplens.site')).toBe('Ostrel');
    expect(attributeOf(taken[0], 'toplens.probe.fault')).toBeUndefined();
  });

  test('with a wrong clock it says so itself, and its runs stand where they belong', async () => {
    const { host, taken } = await topLens(() => ({
      scripts: [{ ...SCRIPT, steps: [{ name: 'Ask', kind: 'request', url: '{{self}}/v1/probes' }] }],
    }));
    const runner = await started(host, () => Date.now() + 240_000);
    await until('a run', () => taken.length > 0);
    await runner.stop();
    expect(attributeOf(taken[0], 'toplens.probe.fault')).toBe('its clock is 4 min ahead');
    const [span] = taken[0]?.resourceSpans[0]?.scopeSpans[0]?.spans as unknown as { startTimeUnixNano: string }[];
    expect(Math.abs(Number(span?.startTimeUnixNano) / 1e6 - Date.now())).toBeLessThan(20_000);
  });

  test('scripts that are none leave those that are known', async () => {
    const said: string[] = [];
    const { host } = await topLens(() => ({ scripts: 'none' }));
    const runner = await started(host, undefined, (line) => said.push(line));
    await runner.stop();
    expect(said[0]).toContain('the server answered something else; those that are known go on');
  });
});

describe('arguments', () => {
  const given = ['--site', 'Ostrel', '--server', 'http://127.0.0.1:4400/'];
  test('are read, the key from the environment too', () => {
    expect(
      readArguments([...given, '--allow', 'a', '--allow', 'b:1', '--set', 'desk=http://a'], { TOPLENS_PROBE_KEY: 'k' }),
    ).toMatchObject({
      site: 'Ostrel',
      server: 'http://127.0.0.1:4400',
      key: 'k',
      allow: ['a', 'b:1'],
      values: { desk: 'http://a' },
    });
  });
  test.each([
    [['--server', 'http://a'], '--site'],
    [['--site', 'Ostrel', '--server', 'nowhere'], '--server'],
    [[...given, '--set', 'desk'], '--set'],
  ])('%j is refused by name', (argv, name) => expect(() => readArguments(argv, {})).toThrow(name));
});
