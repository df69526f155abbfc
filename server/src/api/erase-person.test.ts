import { randomUUID } from 'node:crypto';
import type { WatchPageShape } from '../contract/watch';
import { hex, nanos, text } from '../fixtures/otlp-json';
import { placesOf } from '../fixtures/places-of';
import { startTestServer, type TestServer } from '../fixtures/test-server';

// One person on a server, in a page and on a phone, whose id stands in what was written besides; and another one.
const ID = 'courier-0412';
const OTHER = 'courier-0413';
/** Too short to be looked for within words. */
const SHORT = 'k7';

let server: TestServer;
let nowMs: number;
const post = (path: string, body: object, key?: string) =>
  fetch(`${server.url}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...(key && { authorization: `Bearer ${key}` }) },
    body: JSON.stringify(body),
  });
const byName = (path: string, find: string, key = 'see') =>
  post(`/api/people/${path}`, { find, why: 'asked for it' }, key);

async function send(id: string, n: number): Promise<void> {
  const who = [text('user.id', id), text('session.id', `session of ${id}`)];
  const resource = (name: string, more: object[] = []) => ({ attributes: [text('service.name', name), ...more] });
  const phone = resource('round', [text('os.name', 'Android'), text('device.model.name', 'Quill')]);
  const thrown = [
    text('exception.type', 'Refused'),
    text('exception.message', `refused for ${id} and k71`),
    text('exception.stacktrace', `Refused: ${id}\n    at pay (till.js:3:1)`),
  ];
  const event = (i: number, eventName: string, attributes: object[]) => ({
    timeUnixNano: nanos(nowMs - 60_000 + n + i),
    severityNumber: 17,
    eventName,
    attributes,
  });
  const times = { startTimeUnixNano: nanos(nowMs - 60_000 + n), endTimeUnixNano: nanos(nowMs - 59_000 + n) };
  const answers = await Promise.all([
    post('/v1/traces', {
      resourceSpans: [
        {
          resource: resource('till'),
          scopeSpans: [
            {
              spans: [
                {
                  traceId: hex(n, 32),
                  spanId: hex(n, 16),
                  name: 'POST /pay',
                  kind: 2,
                  ...times,
                  status: { code: 2 },
                  attributes: [...who, text('toplens.item', 'Book')],
                  events: [{ name: 'exception', timeUnixNano: times.endTimeUnixNano, attributes: thrown }],
                },
              ],
            },
          ],
        },
      ],
    }),
    post('/v1/logs', {
      resourceLogs: [
        {
          resource: resource('till'),
          scopeLogs: [
            {
              logRecords: [
                {
                  ...event(0, '', []),
                  body: { stringValue: `paid by ${id}` },
                  traceId: hex(n, 32),
                  spanId: hex(n, 16),
                },
                event(1, 'toplens.page_view', [
                  ...who,
                  text('toplens.view.id', hex(n, 16)),
                  text('url.path', `/of/${id}`),
                ]),
                event(2, 'exception', [
                  ...who,
                  ...thrown,
                  text('toplens.error.id', hex(n, 16)),
                  text('toplens.view.id', hex(n, 16)),
                ]),
                event(3, 'toplens.begin', [...who, text('toplens.attempt.id', `a${n}`), text('toplens.flow', 'Pay')]),
              ],
            },
          ],
        },
        {
          resource: phone,
          scopeLogs: [
            {
              logRecords: [
                event(4, 'app.crash', [
                  ...who,
                  ...thrown,
                  text('app.crash.id', `c${n}`),
                  text('toplens.trail', JSON.stringify([{ at: nowMs, what: `of ${id}` }])),
                ]),
                event(5, 'exception', [...who, ...thrown]),
              ],
            },
          ],
        },
      ],
    }),
  ]);
  for (const answer of answers) expect([answer.status, await answer.text()]).toEqual([200, '{}']);
  await server.intake.settled();
  await watch(id, n);
}

/** What a variable of the service held while it happened. */
async function watch(id: string, n: number): Promise<void> {
  const point = { component: 'till', file: 'pay.js', line: 3, variables: ['payer'], why: 'a test' };
  const made = (await (await post('/api/watch-points', point)).json()) as { id: number };
  const reading = { point: made.id, atMs: nowMs, traceId: hex(n, 32), values: [`"${id}"`] };
  const told = { component: 'till', instance: 'a:1', readings: [{ ...reading, id: randomUUID() }] };
  expect((await post('/v1/watch', told)).status).toBe(200);
  const page = (await (await fetch(`${server.url}/api/watch-points/${made.id}`)).json()) as WatchPageShape;
  // Whoever watches sees no person by that.
  expect(page.readings).toHaveLength(1);
  expect(page.readings[0]?.values[0]).toMatch(/^"person [0-9a-f]{4}-[0-9a-f]{4}"$/);
}

beforeAll(async () => {
  server = await startTestServer({ personKeys: new Map([['see', 'first support']]) });
  nowMs = Date.now();
  await send(ID, 100);
  await send(OTHER, 200);
  await send(SHORT, 300);
});
afterAll(() => server.remove());

test('all that is stored of a person goes out as a file that can be read without the database', async () => {
  const answer = await byName('export', ID);
  expect(answer.headers.get('content-disposition')).toContain('person.json');
  const file = (await answer.json()) as Record<string, Record<string, unknown>[]>;
  expect(file).toMatchObject({ isCut: false });
  const counts = Object.fromEntries(
    Object.entries(file).flatMap(([table, rows]) => (Array.isArray(rows) ? [[table, rows.length]] : [])),
  );
  expect(counts).toEqual({
    // The attempt itself, and the crash.
    attempt: 2,
    attempt_item: 1,
    page_view: 1,
    page_detail: 1,
    page_call: 0,
    script_error: 1,
    phone_crash: 1,
    phone_moment: 1,
    span: 0,
    log_line: 1,
    failure_detail: 1,
    watch_reading: 1,
  });
  expect(file.attempt).toEqual(
    expect.arrayContaining([
      expect.objectContaining({
        trace_id: hex(100, 32),
        person: ID,
        failure: 'Refused',
        started: new Date(nowMs - 59_900).toISOString(),
      }),
    ]),
  );
  expect(file.log_line?.[0]).toMatchObject({ component: 'till', body: `paid by ${ID}`, trace_id: hex(100, 32) });
  expect(JSON.stringify(file)).not.toContain(OTHER);
});

test.each([ID, SHORT])(
  '%s is erased: nothing names them any more, what was measured stays, and others are untouched',
  async (id) => {
    const before = await server.database.query<{ n: number }>('SELECT count(*)::int AS n FROM attempt');
    const others = await placesOf(server.database, [OTHER]);
    const answer = await byName('erase', id);
    expect([answer.status, await answer.json()]).toEqual([
      200,
      { person: expect.stringMatching(/^person /) as string, attempts: 2 },
    ]);
    const left = await placesOf(server.database, [id]);
    // A word that begins with a short id is another word.
    expect(left.filter((place) => !place.includes('k71'))).toEqual([]);
    expect(await server.database.query('SELECT count(*)::int AS n FROM attempt')).toEqual(before);
    expect((await placesOf(server.database, [OTHER])).length).toBe(others.length);
    expect((await byName('find', id)).status).toBe(404);
    const { looks } = (await (await fetch(`${server.url}/api/person-looks`)).json()) as {
      looks: { who: string; what: string }[];
    };
    expect(looks.find(({ what }) => what.endsWith('erased'))).toMatchObject({ who: 'a visitor' });
    // The record of it names nobody either.
    expect(JSON.stringify(looks)).not.toContain(`"${id}"`);
  },
);

test('what is sent of them afterwards is of somebody new', async () => {
  await send(ID, 400);
  const file = (await (await byName('export', ID)).json()) as { attempt: { trace_id: string }[] };
  expect(file.attempt.map((one) => one.trace_id)).toContain(hex(400, 32));
  expect(file.attempt.map((one) => one.trace_id)).not.toContain(hex(100, 32));
});

test('an export needs the right to see persons, a reason, and somebody who is known', async () => {
  expect((await byName('export', ID, 'wrong')).status).toBe(401);
  for (const path of ['export', 'erase']) {
    expect((await post(`/api/people/${path}`, { find: ID }, 'see')).status).toBe(400);
    expect((await byName(path, 'nobody-4711')).status).toBe(404);
  }
});
