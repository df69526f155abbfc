import { CRASHED } from '@toplens/core/telemetry';
import { HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import { Ajv2020 } from 'ajv/dist/2020';
import { openApi } from '../contract/open-api';
import type { CrashGroupPageShape, CrashPageShape, NameMappingsShape, PhoneShape } from '../contract/phones';
import type { WorstFirstShape } from '../contract/incidents';
import type { FlowTableShape } from '../contract/flows';
import { shortHash } from '../names/short-hash';
import { hex, nanos, text } from '../fixtures/otlp-json';
import { startTestServer, type TestServer } from '../fixtures/test-server';

// An invented application on phones of two models: 7.2.0, and 7.3.0 that crashes on taking a photo on one of them.
const END = Date.now() - 2 * MINUTE_MS;
const START = END - HOUR_MS;
const LAUNCHES = 400;
const isNew = (i: number) => i % 4 === 3;
const isTessel = (i: number) => i % 3 === 0;
const crashes = (i: number) => isNew(i) && isTessel(i) && i % 24 !== 3;
/** Every forty-first launch of either version crashes elsewhere, with no name of a person. */
const crashesElsewhere = (i: number) => !crashes(i) && i % 41 === 6;
const atMs = (i: number) => START + (i * 50 * MINUTE_MS) / LAUNCHES;

const MAPPING = 'app.round.photo.Camera -> a.b:\n    1:3:void take(android.net.Uri):40:42 -> a\n';
const SHORT_STACK =
  'java.lang.IllegalStateException: no camera\n\tat a.b.a(SourceFile:2)\n\tat android.os.Handler.dispatchMessage(Handler.java:106)';

const resource = (i: number) => ({
  attributes: [
    text('service.name', 'round'),
    text('service.namespace', 'Round'),
    text('service.version', isNew(i) ? '7.3.0' : '7.2.0'),
    text('device.model.name', isTessel(i) ? 'Tessel 5' : 'Quill 2'),
    text('os.name', 'Android'),
    text('os.version', '16'),
  ],
});
const who = (i: number) => [text('user.id', `driver-${i}`), text('session.id', `session-${i}`)];

const launch = (i: number) => ({
  traceId: hex(i, 32),
  spanId: hex(i, 16),
  name: 'launch',
  kind: 1,
  startTimeUnixNano: nanos(atMs(i)),
  endTimeUnixNano: nanos(atMs(i) + 800 + (isNew(i) ? 400 : 0) + (i % 10)),
  attributes: [
    text('toplens.launch', i % 5 === 0 ? 'warm' : 'cold'),
    text('network.carrier.name', 'Northline'),
    ...who(i),
  ],
  status: {},
});
const trail = [
  { at: START + 1, what: 'screen Stop' },
  { at: START + 2, what: 'tap Take a photo' },
];
const crashRecord = (i: number) => ({
  timeUnixNano: nanos(atMs(i) + 20_000),
  severityNumber: 21,
  eventName: 'app.crash',
  attributes: [
    text('app.crash.id', `crash-${i}`),
    text('app.screen.name', crashes(i) ? 'Take a photo' : 'Stop'),
    text('exception.type', 'java.lang.IllegalStateException'),
    text('exception.message', `no camera for driver-${i}@mail.test`),
    text('exception.stacktrace', crashes(i) ? SHORT_STACK : `X\n\tat app.round.sync.Upload.send(Upload.kt:${i})`),
    text('thread.name', 'main'),
    text('toplens.threads', JSON.stringify([{ name: 'upload', stack: '\tat app.round.Upload.run(Upload.kt:3)' }])),
    text('toplens.trail', JSON.stringify(trail)),
    ...who(i),
  ],
});

let server: TestServer;
const post = (path: string, body: object) =>
  fetch(`${server.url}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
const all = Array.from({ length: LAUNCHES }, (_, i) => i);
const crashed = all.filter((i) => crashes(i) || crashesElsewhere(i));
const sendCrashes = () =>
  post('/v1/logs', {
    resourceLogs: crashed.map((i) => ({ resource: resource(i), scopeLogs: [{ logRecords: [crashRecord(i)] }] })),
  });

beforeAll(async () => {
  server = await startTestServer();
  await post('/v1/traces', {
    resourceSpans: all.map((i) => ({ resource: resource(i), scopeSpans: [{ spans: [launch(i)] }] })),
  });
  for (let again = 0; again < 2; again++) expect(await (await sendCrashes()).json()).toEqual({});
  await server.intake.settled();
  await server.engine.ask('settle', null);
});
afterAll(() => server.remove());

const ask = async <Shape>(path: string, shape?: string): Promise<Shape> => {
  const body = (await (await fetch(`${server.url}/api${path}`)).json()) as Shape;
  if (shape) {
    const validate = new Ajv2020({ strict: false })
      .addSchema(openApi('/'), 'api')
      .compile({ $ref: `api#/components/schemas/${shape}` });
    expect(validate(body) ? true : validate.errors).toBe(true);
  }
  return body;
};
const phone = () => ask<PhoneShape>('/phone?last=120', 'Phone');

test('versions stand side by side, the newest first, with what stands out; nothing counts twice', async () => {
  const { applications, isCut } = await phone();
  expect(isCut).toBe(false);
  const [round] = applications;
  expect(round).toMatchObject({ application: 'Round', launches: LAUNCHES, crashes: crashed.length });
  expect(round?.versions.map(({ version, launches, crashes: n }) => [version, launches, n])).toEqual([
    ['7.3.0', all.filter(isNew).length, crashed.filter(isNew).length],
    ['7.2.0', all.filter((i) => !isNew(i)).length, crashed.filter((i) => !isNew(i)).length],
  ]);
  const [newest] = round?.versions ?? [];
  expect(newest?.standsOut.map(({ what, isWorse }) => [what, isWorse])).toEqual([
    ['crashes', true],
    ['coldStart', true],
    ['warmStart', true],
  ]);
  const narrowed = await ask<PhoneShape>('/phone?last=120&device=Tessel%205', 'Phone');
  const ofTessel = Array.from({ length: LAUNCHES }, (_, i) => i).filter(isTessel);
  expect(narrowed.applications[0]?.launches).toBe(ofTessel.length);
  expect(narrowed.applications[0]?.crashes).toBe(ofTessel.filter((i) => crashes(i) || crashesElsewhere(i)).length);
  const spread = round?.spread.versions.map(({ version, launches }) => [
    version,
    launches.reduce((sum, n) => sum + n, 0),
  ]);
  expect(spread).toEqual(round?.versions.map(({ version, launches }) => [version, launches]));
  expect(newest?.crashRate?.estimate).toBeCloseTo(crashed.filter(isNew).length / all.filter(isNew).length, 9);
  expect(newest?.cold?.medianMs).toBeGreaterThan(1_150);
});

test('crashes fall into groups, by people; a mapping that is uploaded restores names of those that came before', async () => {
  const before = (await phone()).groups;
  expect(before.map(({ crashes: n, people, state, place }) => [n, people, state, place])).toEqual([
    [all.filter(crashes).length, all.filter(crashes).length, 'new', 'b.a'],
    [all.filter(crashesElsewhere).length, all.filter(crashesElsewhere).length, 'known', 'Upload.send'],
  ]);
  const kept = await post('/api/name-mappings', { component: 'round', version: '7.3.0', mapping: MAPPING });
  expect([kept.status, await kept.json()]).toEqual([201, { component: 'round', version: '7.3.0', classes: 1 }]);
  const { mappings } = await ask<NameMappingsShape>('/name-mappings', 'NameMappings');
  expect(mappings).toEqual([expect.objectContaining({ component: 'round', version: '7.3.0', bytes: MAPPING.length })]);
  const [photo] = (await ask<PhoneShape>('/phone?last=119')).groups;
  expect(photo).toMatchObject({ place: 'Camera.take', isRestored: true });
});

test('what is no mapping is refused with the field and the way on', async () => {
  const answer = await post('/api/name-mappings', { component: 'round', version: '7.3.0', mapping: 'nothing' });
  expect([answer.status, await answer.text()]).toEqual([400, expect.stringContaining('mapping: expected lines as')]);
});

test('a group tells where it happens more often than elsewhere, beside how much it is used there', async () => {
  const [photo] = (await phone()).groups;
  const page = await ask<CrashGroupPageShape>(`/crash-groups/${photo?.sample}?last=120`, 'CrashGroupPage');
  const device = page.where.find(({ dimension }) => dimension === 'device');
  expect(device?.values).toEqual([
    {
      value: 'Tessel 5',
      crashes: all.filter(crashes).length,
      launches: all.filter(isTessel).length,
      times: null,
      low: expect.any(Number) as number,
      high: null,
    },
  ]);
  expect(page.where.find(({ dimension }) => dimension === 'screen')?.values[0]).toMatchObject({
    value: 'Take a photo',
    launches: null,
  });
  expect(page.frames.map(({ module, method, line, isOwn }) => [module, method, line, isOwn])).toEqual([
    ['app.round.photo.Camera', 'take', 41, true],
    ['android.os.Handler', 'dispatchMessage', 106, false],
  ]);
});

test('one crash has its threads, its trail and its session; what may name somebody is hidden', async () => {
  const [photo] = (await phone()).groups;
  const page = await ask<CrashPageShape>(`/crashes/${photo?.sample}`, 'CrashPage');
  expect(page).toMatchObject({
    version: '7.3.0',
    device: 'Tessel 5',
    system: 'Android 16',
    screen: 'Take a photo',
    thread: 'main',
    threads: [{ name: 'upload' }],
    trail: [{ what: 'screen Stop' }, { what: 'tap Take a photo' }],
  });
  expect(page.message).not.toContain('@mail.test');
  expect(page.session.map(({ flow, failed }) => [flow, failed])).toEqual([
    [expect.stringMatching(/^launch, /), false],
    ['screen Take a photo', true],
  ]);
});

test('what is not known is not found', async () => {
  for (const path of ['/crashes/0000000000000009', '/crashes/x', '/crash-groups/0000000000000009'])
    expect((await fetch(`${server.url}/api${path}`)).status).toBe(404);
});

test('a crash stands among the flows as a failed attempt of the screen that was shown', async () => {
  const { rows, window } = await ask<FlowTableShape>('/flows?last=120');
  const counted = all.filter((i) => crashes(i) && atMs(i) + 20_000 < window.toMs).length;
  const photo = rows.find(({ technicalName }) => technicalName === 'screen Take a photo');
  expect(photo).toMatchObject({ application: 'Round', attempts: counted, failedShare: 1 });
  expect(rows.map(({ technicalName }) => technicalName).sort()).toContain('launch, cold');
  const [flags] = await server.database.query<{ crashed: number }>(
    'SELECT count(*) FILTER (WHERE flags & $1 <> 0)::int AS crashed FROM attempt',
    [CRASHED],
  );
  expect(flags?.crashed).toBe(crashed.length);
  expect((await ask<WorstFirstShape>('/worst-first?last=120')).freshness).toBeDefined();
});

test('a phone whose clock is two years behind says what it says now: the crash is put where it happened', async () => {
  const yearsMs = 2 * 365 * 24 * HOUR_MS;
  const { attributes } = resource(1);
  const { attributes: own, ...record } = crashRecord(1);
  const late = {
    ...record,
    timeUnixNano: nanos(Date.now() - 40 * MINUTE_MS - yearsMs),
    attributes: [text('app.crash.id', 'late'), ...own.slice(1)],
  };
  const sent = [...attributes, text('toplens.sent_at', String(Date.now() - yearsMs))];
  const body = { resourceLogs: [{ resource: { attributes: sent }, scopeLogs: [{ logRecords: [late] }] }] };
  expect(await (await post('/v1/logs', body)).json()).toEqual({});
  await server.intake.settled();
  const stored = await server.database.query<{ at: number }>(
    "SELECT at_us::float8 / 1000 AS at FROM phone_crash WHERE id = ('x' || $1)::bit(64)::int8",
    [shortHash('round\u001flate')],
  );
  expect((Date.now() - (stored[0]?.at ?? 0)) / MINUTE_MS).toBeCloseTo(40, 0);
});

test('a crash without an id is refused by name, the rest of the request is taken', async () => {
  const { attributes, ...rest } = crashRecord(3);
  const nameless = { ...rest, attributes: attributes.slice(1) };
  const answer = await post('/v1/logs', {
    resourceLogs: [{ resource: resource(3), scopeLogs: [{ logRecords: [nameless, crashRecord(6)] }] }],
  });
  const { partialSuccess } = (await answer.json()) as {
    partialSuccess: { rejectedLogRecords: string; errorMessage: string };
  };
  expect(partialSuccess.rejectedLogRecords).toBe('1');
  expect(partialSuccess.errorMessage).toContain('app.crash.id: missing');
});
