import { execFileSync } from 'node:child_process';
import { gzipSync } from 'node:zlib';
import { join } from 'node:path';
import { requestOfSpan, isMoment, crashOfRecord, momentOfRecord } from '@toplens/core/phones';
import { isEntry, toAttempt } from '@toplens/core/flows';
import { readLogsJson, readTracesJson, type LogRecord } from '@toplens/core/formats';
import type { Span } from '@toplens/core/telemetry';
import { startPhone, type Phone, type PhoneOptions } from './index';

/** A server that takes what comes, reads it as Top Lens does, and may be away. */
class Server {
  spans: Span[] = [];
  records: LogRecord[] = [];
  keys: string[] = [];
  requests = 0;
  status = 200;
  isAway = false;
  readonly asked: { url: string; traceparent: string | null }[] = [];

  fetch = ((input: string, init: RequestInit = {}) => {
    if (!input.startsWith('https://top.example/')) {
      this.asked.push({ url: input, traceparent: new Headers(init.headers).get('traceparent') });
      return input.includes('gone')
        ? Promise.reject(new TypeError('no network'))
        : Promise.resolve({
            status: input.includes('late') ? 503 : 200,
            headers: new Headers({ 'content-length': '12' }),
          });
    }
    this.requests++;
    if (this.isAway) return Promise.reject(new TypeError('no network'));
    if (this.status === 200) {
      const body = JSON.parse(init.body as string) as unknown;
      if (input.endsWith('/v1/traces')) this.spans.push(...readTracesJson(body));
      else this.records.push(...readLogsJson(body));
      this.keys.push(new Headers(init.headers).get('toplens-key') ?? '');
    }
    return Promise.resolve({ status: this.status });
  }) as unknown as typeof fetch;
}

class Device {
  readonly kept = new Map<string, string>();
  getItem = (key: string) => this.kept.get(key) ?? null;
  setItem = (key: string, value: string) => void this.kept.set(key, value);
  removeItem = (key: string) => void this.kept.delete(key);
}

let server: Server;
let device: Device;
let nowMs: number;
let phone: Phone | undefined;
const start = async (more: Partial<PhoneOptions> = {}) =>
  (phone = await startPhone({
    url: 'https://top.example',
    key: 'k',
    component: 'round',
    application: 'Round',
    version: '7.3.0',
    device: { model: 'Tessel 5', system: 'Android', systemVersion: '16' },
    storage: device,
    traceHosts: ['api.round.example'],
    fetch: server.fetch,
    now: () => nowMs,
    ...more,
  }));
const RANGE = { earliestUs: 0, latestUs: Number.MAX_SAFE_INTEGER };
const idOf = (text: string) => text;
const events = () => server.records.map(({ eventName }) => eventName);

beforeEach(() => {
  server = new Server();
  device = new Device();
  nowMs = 1_790_000_000_000;
});
afterEach(() => phone?.stop());

test('launches and screens are attempts, requests belong to their screen, and servers learn of them', async () => {
  const round = await start();
  nowMs += 900;
  round.launched('cold', nowMs - 900);
  const shown = round.screen('Photo');
  nowMs += 100;
  await round.fetch('https://api.round.example/stops/4411?who=me', { method: 'put', body: 'abc' });
  await round.fetch('https://tiles.example/late');
  await expect(round.fetch('https://api.round.example/gone')).rejects.toThrow('no network');
  nowMs += 100;
  shown();
  await round.flush();
  expect(server.keys).toEqual(['k']);
  const attempts = server.spans.filter((span) => isEntry(span, new Set())).map(toAttempt);
  expect(
    attempts.map(({ flow, durationUs, device: model, isHandheld }) => [flow, durationUs, model, isHandheld]),
  ).toEqual([
    ['launch, cold', 900_000, 'Tessel 5', true],
    ['screen Photo', 200_000, 'Tessel 5', true],
  ]);
  const requests = server.spans.map(requestOfSpan).filter((one) => one !== undefined);
  expect(
    requests.map(({ what, status, failed, bytesIn, bytesOut }) => [what, status, failed, bytesIn, bytesOut]),
  ).toEqual([
    ['api.round.example/stops/{id}', 200, false, 12, 3],
    ['tiles.example/late', 503, true, 12, NaN],
    ['api.round.example/gone', 0, true, NaN, NaN],
  ]);
  expect(requests.every(({ traceId }) => traceId === attempts[1]?.traceId)).toBe(true);
  expect(server.asked.map(({ traceparent }) => traceparent)).toEqual([
    `00-${requests[0]?.traceId}-${requests[0]?.spanId}-01`,
    null,
    `00-${requests[2]?.traceId}-${requests[2]?.spanId}-01`,
  ]);
  expect(JSON.stringify(server.spans)).not.toContain('who=me');
});

test('a crash names the screen that was being shown, with the trail, and is sent at once', async () => {
  const round = await start({ person: 'driver-7' });
  round.screen('Photo');
  round.tap('Take photo');
  await round.crashed(new TypeError('no camera'));
  const [attempt] = server.spans.map(toAttempt);
  expect(attempt).toMatchObject({ flow: 'screen Photo', crashed: true, failed: true, person: 'driver-7' });
  const record = server.records.find(({ eventName }) => eventName === 'app.crash') as LogRecord;
  const crash = crashOfRecord(record, RANGE, idOf);
  expect(crash).toMatchObject({
    type: 'TypeError',
    message: 'no camera',
    screen: 'Photo',
    person: 'driver-7',
    spanId: attempt?.spanId,
  });
  expect(crash.trail.map(({ what }) => what)).toEqual(['screen Photo', 'tap Take photo']);
  expect(crash.stack).toContain('TypeError: no camera');
  // It told of its crash: the next start finds nothing unclean.
  phone?.stop();
  await (await start()).flush();
  expect(events().filter((name) => name === 'app.crash')).toHaveLength(1);
});

test('a run that ended in somebody’s hand without a word is told at the next start; one that was put away is not', async () => {
  const round = await start();
  round.screen('Scan');
  round.stop();
  await (await start()).flush();
  const crash = crashOfRecord(server.records[0] as LogRecord, RANGE, idOf);
  expect(crash).toMatchObject({ type: 'Ended uncleanly', screen: 'Scan', stack: '' });
  phone?.state('background');
  phone?.stop();
  server.records = [];
  await (await start()).flush();
  expect(events()).not.toContain('app.crash');
});

test('what happens in a session is told as the server reads it; details only of the sessions that were drawn', async () => {
  const tell = (one: Phone) => {
    one.screen('Photo');
    one.state('foreground');
    one.tap('Keep');
    one.usage({ cpu: 0.25, memory: 2e8 });
    one.usage({});
    one.shape({ width: 390, height: 844 }, [['button', 1.4, 2, 3, 4]]);
    one.caught('late');
  };
  const round = await start();
  tell(round);
  await round.flush();
  const moments = server.records.filter(isMoment).map((record) => momentOfRecord(record, RANGE, idOf));
  expect(moments.map(({ kind, what }) => [kind, what])).toEqual([
    ['state', 'foreground'],
    ['tap', 'Keep'],
    ['usage', ''],
    ['shape', 'Photo'],
    ['error', 'string'],
  ]);
  expect(moments[3]?.shape?.parts).toEqual([{ kind: 'button', x: 1, y: 2, width: 3, height: 4 }]);
  expect(new Set(moments.map(({ id }) => id)).size).toBe(5);
  round.stop();
  server.records = [];
  const quiet = await start({ detail: 0 });
  tell(quiet);
  await quiet.flush();
  expect(events().filter((name) => name !== 'app.crash')).toEqual(['device.app.lifecycle', 'exception']);
});

test('without network everything waits on the device, also over a restart, and is sent once', async () => {
  server.isAway = true;
  const round = await start();
  round.tap('one');
  await round.flush();
  round.state('background');
  round.stop();
  server.isAway = false;
  await (await start()).flush();
  expect(events()).toEqual(['app.widget.click', 'device.app.lifecycle']);
  await phone?.flush();
  expect(server.records).toHaveLength(2);
});

test('a server that is busy is asked less and less often; what it refuses for good is not sent again', async () => {
  jest.useFakeTimers();
  server.status = 503;
  const round = await start();
  round.tap('one');
  for (let minute = 0; minute < 40; minute++) {
    nowMs += 60_000;
    await jest.advanceTimersByTimeAsync(60_000);
  }
  // 5, 10, 20 … 300 seconds: fourteen tries or so in forty minutes, and not eight hundred.
  expect(server.requests).toBeLessThan(20);
  server.status = 403;
  await round.flush();
  const { requests } = server;
  await round.flush();
  expect(server.requests).toBe(requests);
  jest.useRealTimers();
});

test('the queue has an end: the oldest go, crashes last; nonsense on the device stops nothing', async () => {
  device.kept.set('toplens.queue', '{"nonsense"');
  device.kept.set('toplens.alive', 'nonsense');
  server.isAway = true;
  const round = await start();
  await round.crashed(new Error('first'));
  for (let n = 0; n < 600; n++) round.tap(`t${n}`);
  server.isAway = false;
  await round.flush();
  expect(server.records).toHaveLength(500);
  expect(events()[0]).toBe('app.crash');
});

test('it weighs less than 15 kB as it is sent', () => {
  const esbuild = join(__dirname, '..', '..', 'node_modules', '.bin', 'esbuild');
  const code = execFileSync(esbuild, [join(__dirname, 'index.ts'), '--bundle', '--minify', '--format=esm']);
  expect(gzipSync(code).length).toBeLessThan(15_000);
  expect(gzipSync(code).length).toBeGreaterThan(1_000);
});
