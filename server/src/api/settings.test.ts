import { MINUTE_MS, floorTo } from '@toplens/core/time';
import Ajv2020 from 'ajv/dist/2020';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { FlowTableShape } from '../contract/flows';
import type { SettingsFileShape, SettingsShape, TriedSettingShape } from '../contract/settings';
import { startTestServer, type TestServer } from '../fixtures/test-server';
import { send, steadyTraffic, testSpan } from '../fixtures/traffic';

const END = floorTo(Date.now(), MINUTE_MS);

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer({});
  await send(server.url, steadyTraffic(END - 90 * MINUTE_MS, 90, 0));
  await settled();
});
afterAll(() => server.remove());

const settled = async () => {
  await server.intake.settled();
  await server.engine.ask('settle', null);
};
const get = async <Shape>(path: string) => (await (await fetch(`${server.url}/api${path}`)).json()) as Shape;
const post = async <Shape>(path: string, body: object) => {
  const response = await fetch(`${server.url}/api${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  return { status: response.status, body: (await response.json()) as Shape };
};
const change = (key: string, value: unknown, fromMs?: number) =>
  post<SettingsShape & { detail: string }>('/settings', { who: 'Kim', key, value, ...(fromMs && { fromMs }) });
const undoNewest = async () => {
  const { changes } = await get<SettingsShape>('/settings');
  return post<SettingsShape>(`/settings/changes/${changes[0]?.id}/undo`, { who: 'Kim' });
};
const flow = async (query = 'last=60') => (await get<FlowTableShape>(`/flows?${query}`)).rows[0];

test('owners and names are changed in place; a past window keeps those of then; both are undone', async () => {
  const past = `from=${new Date(END - 80 * MINUTE_MS).toISOString()}&to=${new Date(END - 20 * MINUTE_MS).toISOString()}`;
  const fromMs = END - 10 * MINUTE_MS;
  expect((await change('ownership', [{ application: 'Shop', team: 'Portal' }], fromMs)).status).toBe(201);
  const { body } = await change('flows', [{ technicalName: 'GET /shop*', name: 'Browse' }], fromMs);
  expect(body.changes[0]).toMatchObject({
    who: 'Kim',
    about: 'rules of flows',
    words: '1 rule: GET /shop* called “Browse”',
  });
  expect(body.file.ownership).toEqual([{ application: 'Shop', team: 'Portal' }]);
  expect(await flow()).toMatchObject({ name: 'Browse', team: 'Portal' });
  expect(await flow(past)).toMatchObject({ name: 'GET /shop', team: null });
  await undoNewest();
  expect(await flow()).toMatchObject({ name: 'GET /shop', team: 'Portal' });
});

test('what rules would match is said before anything is saved', async () => {
  const tried = async (key: string, value: unknown) =>
    (await post<TriedSettingShape>('/settings/try', { key, value })).body.lines.map(
      ({ of, words }) => `${of}: ${words}`,
    );
  expect(
    await tried('flows', [{ technicalName: 'GET /*' }, { technicalName: '*' }, { technicalName: 'POST /x' }]),
  ).toEqual([
    'GET /*: matches 1 flow: GET /shop',
    '*: matches no flow that is known',
    'POST /x: matches no flow that is known',
  ]);
  expect(await tried('ownership', [{ component: 'nowhere', team: 'Portal' }])).toEqual([
    'Portal: owns nothing that is known',
    expect.stringMatching(/^Nobody: 2 without an owner: GET \/shop, shop-web/),
  ]);
  expect(await tried('entryServices', ['shop-web', 'gone'])).toEqual([
    'shop-web: sends spans',
    'gone: no service of this name was ever seen',
  ]);
  expect(await tried('ignored', ['GET /sh*', '* /health'])).toEqual([
    'GET /sh*: 1 flow will get no more: GET /shop',
    '* /health: matches no flow that is known',
  ]);
  expect(await tried('journeys', [{ application: 'Shop', name: 'Buy', steps: ['GET /shop', 'POST /pay'] }])).toEqual([
    'Buy: not known: POST /pay',
  ]);
  expect((await get<SettingsShape>('/settings')).file.journeys).toEqual([]);
});

test.each<[string, unknown, string]>([
  ['ownership', [{ component: 'slots' }], 'team'],
  ['flows', [{ technicalName: 'x', limitMs: -1 }], 'limitMs'],
  ['currency', 'euro', 'currency'],
  ['businessEvents', [{ name: 'Order', pattern: 'order {nobody}' }], 'nobody'],
  ['exchangeRates', [{ currency: 'JPY', rate: 0, asOf: '2026-11-02' }], 'rate'],
  ['atOnceMs', -1, 'atOnceMs'],
  ['receivers', [{ name: 'Duty' }], 'a receiver needs a mail address'],
  ['receivers', [{ name: 'Duty', rota: 'every second Monday' }], 'no calendar'],
  ['receivers', [{ name: 'Duty', phone: '+353 1', takesHandoffs: true }], 'handoffs go to a mail address'],
  ['alertRules', [{ name: 'Hurt', watches: 'moon', to: ['Duty'] }], 'watches'],
  ['alertRules', [{ name: 'Hurt', watches: 'incident', to: [] }], 'at least one receiver'],
  ['handoffs', { calmMinutes: 1 }, 'calmMinutes'],
  ['nothing', [], 'nothing'],
])('%s as %j is refused, naming the field; nothing changes', async (key, value, field) => {
  const before = await get<SettingsShape>('/settings');
  for (const answer of [await change(key, value), await post<{ detail: string }>('/settings/try', { key, value })]) {
    expect(answer.status).toBe(400);
    expect(answer.body.detail).toContain(field);
  }
  expect(await get<SettingsShape>('/settings')).toEqual(before);
});

test('a service that is named an entry begins attempts from the next request on', async () => {
  const inner = (n: number) => ({
    ...testSpan(90_000 + n, Date.now(), 20, { route: '/inner' }),
    parentSpanId: 'f'.repeat(16),
  });
  await send(server.url, [inner(1)]);
  await settled();
  const names = async () =>
    (await get<FlowTableShape>('/flows?last=60')).rows.map(({ technicalName }) => technicalName);
  expect(await names()).not.toContain('GET /inner');
  expect((await change('entryServices', ['shop-web'])).status).toBe(201);
  await send(server.url, [inner(2)]);
  await settled();
  expect(await names()).toContain('GET /inner');
});

describe('all settings as one file', () => {
  test('the exported file fits the published schema, and comes back in as one change that is undone', async () => {
    const exported = await get<SettingsFileShape>('/settings/file');
    const schema = await get<object>('/settings/file/schema');
    const fits = new Ajv2020({ strict: false, allErrors: true }).compile(schema);
    expect([fits(exported), fits.errors]).toEqual([true, null]);
    const shipped = JSON.parse(readFileSync(join(__dirname, '../../../config/pellwick.json'), 'utf8')) as object;
    expect([fits(shipped), fits.errors]).toEqual([true, null]);
    expect(fits({ ...exported, colour: 'red' })).toBe(false);

    const imported = await post<SettingsShape>('/settings/file', {
      who: 'Kim',
      settings: { ...exported, currency: 'GBP' },
    });
    expect(imported.status).toBe(201);
    expect(imported.body).toMatchObject({ currency: 'GBP', file: { ownership: exported.ownership } });
    expect(imported.body.changes[0]).toMatchObject({ about: 'all settings', words: 'imported from a file' });
    expect(await get<SettingsFileShape>('/settings/file')).toEqual({ ...exported, currency: 'GBP' });
    expect((await undoNewest()).body.currency).toBe('EUR');
  });

  test.each([
    [{ colour: 'red' }, 'colour'],
    [{ flows: [{ technicalName: 'x', limitMs: 'slow' }] }, 'limitMs'],
    ['nonsense', 'settings'],
  ])('%j is refused, naming the field', async (settings, field) => {
    const { status, body } = await post<{ detail: string }>('/settings/file', { who: 'Kim', settings });
    expect(status).toBe(400);
    expect(body.detail).toContain(field);
  });

  test('no secret is told', async () => {
    expect(JSON.stringify(await get<SettingsShape>('/settings'))).not.toContain('secret');
    expect((await get<SettingsShape>('/settings')).installation).toMatchObject({ keptDays: { attempts: 35, logs: 2 } });
  });
});

describe('the calendar as a file', () => {
  const ics = (...events: string[][]) =>
    [
      'BEGIN:VCALENDAR',
      'VERSION:2.0',
      ...events.flatMap((lines, i) => ['BEGIN:VEVENT', `UID:${i}`, ...lines, 'END:VEVENT']),
      'END:VCALENDAR',
    ].join('\r\n');
  const read = (text: unknown) => post<{ calendar: object; notes: string[] }>('/settings/calendar/read', { text });

  test('says what it would set, and sets nothing', async () => {
    const year = new Date().getUTCFullYear() + 1;
    const answer = await read(
      ics(
        [`DTSTART;VALUE=DATE:${year}1225`, 'SUMMARY:Day off'],
        [`DTSTART:${year}0110T220000Z`, `DTEND:${year}0111T010000Z`, 'SUMMARY:New disks'],
      ),
    );
    expect(answer.status).toBe(200);
    expect(answer.body).toEqual({
      calendar: {
        holidays: [`${year}-12-25`],
        excluded: [],
        maintenance: [{ fromMs: Date.UTC(year, 0, 10, 22), toMs: Date.UTC(year, 0, 11, 1), reason: 'New disks' }],
      },
      notes: [],
    });
    expect((await get<SettingsShape>('/settings')).calendar.maintenance).toEqual([]);
  });

  test.each([[''], ['no calendar'], [5], [`BEGIN:VCALENDAR\n${'x'.repeat(600_000)}`]])(
    'what is none is refused with a word',
    async (text) => expect((await read(text)).status).toBe(400),
  );

  test('goes out as iCalendar, and is read again as it was', async () => {
    const fromMs = Date.UTC(new Date().getUTCFullYear(), 5, 1, 22);
    const calendar = {
      holidays: ['2026-12-25'],
      excluded: [],
      maintenance: [{ fromMs, toMs: fromMs + 3_600_000, reason: 'New disks; all of them' }],
    };
    expect((await change('calendar', calendar)).status).toBe(201);
    const out = await fetch(`${server.url}/api/settings/calendar.ics`);
    expect(out.headers.get('content-type')).toContain('text/calendar');
    expect((await read(await out.text())).body.calendar).toEqual(calendar);
  });
});

test('rules of alerts tell before they are saved how often they would have spoken, and whom nothing reaches', async () => {
  const tried = async (key: string, value: unknown) =>
    (await post<{ lines: { of: string; words: string }[] }>('/settings/try', { key, value })).body.lines;
  const [rule] = await tried('alertRules', [{ name: 'Hurt', watches: 'incident', points: 1, to: ['Moon Desk'] }]);
  expect(rule?.words).toMatch(/^would have spoken \d+ times? in 14 days.*; Moon Desk is no receiver$/);
  expect((await tried('alertRules', [{ name: 'Crash', watches: 'crash', to: ['Moon Desk'] }]))[0]?.words).toContain(
    'the past does not tell',
  );
  await change('ownership', [{ team: 'Shop Team' }]);
  expect(await tried('receivers', [{ name: 'Moon Desk', mail: 'moon@desk.test' }])).toEqual([
    { of: 'Without a receiver', words: 'Shop Team' },
  ]);
});
