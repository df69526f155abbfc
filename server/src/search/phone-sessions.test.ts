import { HOUR_MS } from '@toplens/core/time';
import type { AttemptPageShape } from '../contract/attempts';
import type { PhoneShape, PhoneAddressesShape, PhoneSessionPageShape, PhoneSessionsShape } from '../contract/phones';
import { describedAnswer } from '../fixtures/described-answer';
import { hex, nanos, text } from '../fixtures/otlp-json';
import { startTestServer, type TestServer } from '../fixtures/test-server';

// Sixty sessions of an invented application: a screen, a request below it, and what went on beside. The photo address
// fails for one carrier; one session crashes.
const START = Date.now() - HOUR_MS;
const SESSIONS = 60;
const isCopperwave = (i: number) => i % 3 === 0;
const failing = (i: number) => isCopperwave(i) && i % 2 === 0;
const atMs = (i: number) => START + i * 20_000;

const int = (key: string, intValue: number) => ({ key, value: { intValue: String(intValue) } });
const double = (key: string, doubleValue: number) => ({ key, value: { doubleValue } });
const resource = {
  attributes: [
    text('service.name', 'round'),
    text('service.namespace', 'Round'),
    text('service.version', '7.3.0'),
    text('device.model.name', 'Quill 2'),
    text('os.name', 'Android'),
  ],
};
const who = (i: number) => [
  text('user.id', `driver-${i}`),
  text('session.id', `session-${i}`),
  text('network.carrier.name', isCopperwave(i) ? 'Copperwave' : 'Northline'),
  text('toplens.region', i % 2 === 0 ? 'NL' : 'DE'),
];
const span = (id: number, parent: number, fromMs: number, durationMs: number) => ({
  traceId: hex(Math.floor(id / 10), 32),
  spanId: hex(id, 16),
  ...(parent >= 0 && { parentSpanId: hex(parent, 16) }),
  startTimeUnixNano: nanos(fromMs),
  endTimeUnixNano: nanos(fromMs + durationMs),
  status: {},
});
const screen = (i: number) => ({
  ...span(10 * i, -1, atMs(i), 900),
  name: 'Photo',
  kind: 1,
  attributes: [text('app.screen.name', 'Photo'), ...who(i)],
});
const request = (i: number) => ({
  ...span(10 * i + 1, 10 * i, atMs(i) + 100, 600),
  name: 'PUT',
  kind: 3,
  attributes: [
    text('http.request.method', 'PUT'),
    text('url.full', `https://photos.round.example/photos/${i}77?who=driver-${i}`),
    ...(failing(i) ? [] : [int('http.response.status_code', 204)]),
    int('http.request.body.size', 100_000),
    ...who(i),
  ],
  ...(failing(i) && { status: { code: 2 } }),
});
const answered = (i: number) => ({
  ...span(10 * i + 2, 10 * i + 1, atMs(i) + 200, 300),
  name: 'PUT /photos/{id}',
  kind: 2,
  attributes: [
    text('http.request.method', 'PUT'),
    text('http.route', '/photos/{id}'),
    text('toplens.flow', 'Keep photo'),
  ],
});
const event = (i: number, afterMs: number, eventName: string, attributes: object[]) => ({
  timeUnixNano: nanos(atMs(i) + afterMs),
  eventName,
  attributes: [...attributes, ...who(i)],
});
const SHAPE = JSON.stringify({
  width: 390,
  height: 844,
  parts: [
    ['picture', 0, 60, 390, 500],
    ['button', 95, 700, 200, 56],
  ],
});
const events = (i: number) => [
  event(i, -50, 'device.app.lifecycle', [text('android.app.state', 'foreground')]),
  event(i, 0, 'toplens.usage', [double('process.cpu.utilization', 0.25), int('process.memory.usage', 2e8 + i)]),
  event(i, 5_000, 'toplens.usage', [double('process.cpu.utilization', 0.5)]),
  event(i, 10, 'toplens.screen.shape', [text('app.screen.name', 'Photo'), text('toplens.shape', SHAPE)]),
  event(i, 950, 'app.widget.click', [text('app.widget.id', 'keep'), text('app.widget.name', 'Keep photo')]),
  ...(failing(i)
    ? [
        event(i, 990, 'exception', [
          text('exception.type', 'SocketTimeout'),
          text('exception.message', `by d-${i}@mail.test`),
        ]),
      ]
    : []),
];
const crash = event(7, 3_000, 'app.crash', [
  text('app.crash.id', 'c-7'),
  text('app.screen.name', 'Photo'),
  text('exception.type', 'NullPointer'),
  text('exception.stacktrace', 'NullPointer\n\tat app.round.Photo.keep(Photo.kt:3)'),
]);

let server: TestServer;
async function post(path: string, body: object): Promise<unknown> {
  const answer = await fetch(`${server.url}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  expect([path, answer.status]).toEqual([path, 200]);
  return answer.json();
}
const get = <Shape>(path: string, schema: string) => describedAnswer<Shape>(server.url, path, schema);
const all = Array.from({ length: SESSIONS }, (_, i) => i);
const logsOf = (logRecords: object[]) => ({ resourceLogs: [{ resource, scopeLogs: [{ logRecords }] }] });

beforeAll(async () => {
  server = await startTestServer();
  const spans = { resource, scopeSpans: [{ spans: all.flatMap((i) => [screen(i), request(i)]) }] };
  const inner = {
    resource: { attributes: [text('service.name', 'round-api'), text('host.name', 'mid-1')] },
    scopeSpans: [{ spans: all.filter((i) => !failing(i)).map(answered) }],
  };
  await post('/v1/traces', { resourceSpans: [spans, inner] });
  const records = [...all.flatMap(events), crash];
  await post('/v1/logs', logsOf(records));
  // Phones send again what was not acknowledged.
  await post('/v1/logs', logsOf(records));
  await server.intake.settled();
  await server.engine.ask('settle', null);
}, 60_000);
afterAll(() => server.remove());

test('addresses: requests, bytes, failures, sessions and countries hit, and where they fail more often', async () => {
  const { addresses, isCut } = await get<PhoneAddressesShape>('/api/phone-addresses?last=120', 'PhoneAddresses');
  expect(isCut).toBe(false);
  expect(addresses).toHaveLength(1);
  expect(addresses[0]).toMatchObject({
    address: 'photos.round.example/photos/{id}',
    requests: 60,
    failed: 10,
    bytesOut: 6_000_000,
    bytesIn: null,
    medianMs: 600,
    sessions: 60,
    sessionsHit: 10,
    countries: 2,
    where: { dimension: 'carrier', value: 'Copperwave', requests: 20, failed: 10, times: null, high: null },
  });
  expect(addresses[0]?.where?.low).toBeGreaterThan(1);
});

test('sessions: what crashed first, then what failed; and those of one address or application', async () => {
  const { sessions } = await get<PhoneSessionsShape>('/api/phone-sessions?last=120', 'PhoneSessions');
  expect(sessions).toHaveLength(SESSIONS);
  expect(sessions[0]).toMatchObject({ application: 'Round', attempts: 2, failed: 1, crashes: 1, device: 'Quill 2' });
  expect(sessions.slice(1, 11).every(({ requestsFailed, errors }) => requestsFailed === 1 && errors === 1)).toBe(true);
  expect(sessions.slice(11).every(({ requestsFailed }) => requestsFailed === 0)).toBe(true);
  const of = async (query: string) =>
    (await get<PhoneSessionsShape>(`/api/phone-sessions?last=120&${query}`, 'PhoneSessions')).sessions.length;
  expect(await of('application=Round')).toBe(SESSIONS);
  expect(await of('application=Shop')).toBe(0);
  expect(await of(`address=${encodeURIComponent('photos.round.example/photos/{id}')}`)).toBe(SESSIONS);
  expect(await of('address=elsewhere')).toBe(0);
  const { window, isLastDay } = await get<PhoneSessionsShape>('/api/phone-sessions?last=4320', 'PhoneSessions');
  expect([window.toMs - window.fromMs, isLastDay]).toEqual([24 * HOUR_MS, true]);
});

test('all of it is narrowed to a carrier, a country, a version or a model; to one that nobody has, nothing is left', async () => {
  const counts = async (query: string) => {
    const { addresses } = await get<PhoneAddressesShape>(`/api/phone-addresses?last=120&${query}`, 'PhoneAddresses');
    const { sessions } = await get<PhoneSessionsShape>(`/api/phone-sessions?last=120&${query}`, 'PhoneSessions');
    const { groups } = await get<PhoneShape>(`/api/phone?last=120&${query}`, 'Phone');
    return [addresses[0]?.requests ?? 0, sessions.length, groups[0]?.crashes ?? 0];
  };
  expect(await counts('carrier=Copperwave')).toEqual([20, 20, 0]);
  expect(await counts('carrier=Northline')).toEqual([40, 40, 1]);
  expect(await counts('region=DE')).toEqual([30, 30, 1]);
  expect(await counts('region=DE&carrier=Copperwave')).toEqual([10, 10, 0]);
  expect(await counts('version=7.3.0&device=Quill%202')).toEqual([60, 60, 1]);
  expect(await counts('device=nobody%27s')).toEqual([0, 0, 0]);
});

test('one session on one clock: everything once, with the attempt that a server began for its request', async () => {
  const { sessions } = await get<PhoneSessionsShape>('/api/phone-sessions?last=120', 'PhoneSessions');
  const crashed = await get<PhoneSessionPageShape>(`/api/phone-sessions/${sessions[0]?.session}`, 'PhoneSessionPage');
  expect(crashed).toMatchObject({
    application: 'Round',
    version: '7.3.0',
    device: 'Quill 2',
    country: 'DE',
    isCut: false,
  });
  expect(crashed.entries.map(({ kind, what, failed }) => [kind, what, failed])).toEqual([
    ['state', 'foreground', false],
    ['screen', 'Photo', false],
    ['request', 'photos.round.example/photos/{id}', false],
    ['tap', 'Keep photo', false],
    ['crash', 'NullPointer on Photo', true],
  ]);
  const [, shown, asked, , died] = crashed.entries;
  expect(shown?.attempt).toEqual({ traceId: hex(7, 32), spanId: hex(70, 16) });
  expect(asked).toMatchObject({ words: 'status 204', bytesOut: 100_000, attempt: { spanId: hex(72, 16) } });
  // And back: from either attempt to the session.
  for (const { traceId, spanId } of [shown?.attempt, asked?.attempt].filter((one) => one != null)) {
    const attempt = await get<AttemptPageShape>(`/api/attempts/${traceId}/${spanId}`, 'AttemptPage');
    expect(attempt.phoneSession).toBe(crashed.session);
  }
  expect(died?.crash).toMatch(/^[0-9a-f]{16}$/);
  expect(crashed.usage).toEqual([
    { atMs: atMs(7), cpu: 0.25, memory: 200_000_007 },
    { atMs: atMs(7) + 5_000, cpu: 0.5, memory: null },
  ]);
  expect(crashed.shapes).toHaveLength(1);
  expect(crashed.shapes[0]).toMatchObject({
    screen: 'Photo',
    width: 390,
    parts: [{ kind: 'picture' }, { kind: 'button' }],
  });
  const failed = await get<PhoneSessionPageShape>(`/api/phone-sessions/${sessions[1]?.session}`, 'PhoneSessionPage');
  const words = failed.entries.filter((one) => one.failed).map((one) => [one.kind, one.words]);
  expect(words[0]).toEqual(['request', 'no answer']);
  // What names somebody is hidden.
  expect(words[1]?.[0]).toBe('error');
  expect(words[1]?.[1]).not.toContain('mail.test');
});

test('what cannot be read is refused in words, and the rest is taken', async () => {
  const wrong = logsOf([
    event(1, 1, 'toplens.screen.shape', [text('toplens.shape', '{"width": 390')]),
    event(1, 2, 'toplens.screen.shape', [
      text('toplens.shape', '{"width":390,"height":844,"parts":[["secret",1,2,3,4]]}'),
    ]),
    event(1, 3, 'toplens.usage', []),
    event(1, 4, 'app.screen.click', []),
  ]);
  expect(await post('/v1/logs', wrong)).toMatchObject({
    partialSuccess: {
      rejectedLogRecords: '3',
      errorMessage: expect.stringMatching(
        /toplens.shape: not JSON.*toplens.shape: parts: expected \[text \|.*at least one/,
      ) as string,
    },
  });
  for (const session of ['nobody', 'ffffffff']) {
    const answer = await fetch(`${server.url}/api/phone-sessions/${session}`);
    expect([answer.status, JSON.stringify(await answer.json())]).toEqual([
      404,
      expect.stringMatching(/nothing of a session/),
    ]);
  }
});
