import { hex, nanos, text } from '../fixtures/otlp-json';
import { placesOf } from '../fixtures/places-of';
import { startTestServer, type TestServer } from '../fixtures/test-server';

// What must never be stored, in everything that a sender can write.
const NEEDLES = ['4111 1111', 'ann.field', 'hunter2', 'c2VjcmV0IHNlY3JldCE'];
const SECRETS = 'of ann.field@mail.test: card 4111 1111 1111 1111, password=hunter2, Bearer c2VjcmV0IHNlY3JldCE=';
const PATH = '/people/ann.field@mail.test/orders';

let server: TestServer;
let nowMs: number;
beforeAll(async () => {
  server = await startTestServer();
  nowMs = Date.now();
});
afterAll(() => server.remove());

const resource = { attributes: [text('service.name', 'till'), text('service.namespace', 'Till')] };
const onPhone = {
  attributes: [...resource.attributes, text('os.name', 'Android'), text('device.model.name', 'Quill')],
};
const thrown = [
  text('exception.type', 'Refused'),
  text('exception.message', `refused ${SECRETS}`),
  text('exception.stacktrace', `Refused: ${SECRETS}\n    at pay (/home/ann/till.js:3:1)`),
];
const post = async (path: string, body: object) => {
  const answer = await fetch(`${server.url}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  expect([answer.status, await answer.text()]).toEqual([200, '{}']);
};
const atMs = (n: number) => nowMs - 60_000 + n;
const span = (n: number, name: string, more: object) => ({
  traceId: hex(7, 32),
  spanId: hex(n, 16),
  name,
  startTimeUnixNano: nanos(atMs(n)),
  endTimeUnixNano: nanos(atMs(n) + 100),
  status: { code: 2, message: SECRETS },
  ...more,
});
const event = (n: number, eventName: string, attributes: object[]) => ({
  timeUnixNano: nanos(atMs(n)),
  severityNumber: 17,
  eventName,
  attributes,
});
const spans = (from: object, ...sent: object[]) => ({ resource: from, scopeSpans: [{ spans: sent }] });
const records = (from: object, ...logRecords: object[]) => ({ resource: from, scopeLogs: [{ logRecords }] });

test('passwords, tokens, numbers of cards and mail addresses are stored nowhere, wherever a sender writes them', async () => {
  const parentSpanId = hex(1, 16);
  await post('/v1/traces', {
    resourceSpans: [
      spans(
        resource,
        span(1, `POST ${PATH}`, { kind: 2, attributes: thrown, events: [{ name: 'exception', attributes: thrown }] }),
        span(2, `call ${SECRETS}`, { kind: 3, parentSpanId, attributes: [text('peer.service', SECRETS), ...thrown] }),
        span(3, 'query', {
          kind: 3,
          parentSpanId,
          attributes: [text('db.system.name', 'postgresql'), text('db.query.text', `SELECT '${SECRETS}'`)],
        }),
        span(4, 'Sign in', {
          kind: 1,
          traceId: hex(8, 32),
          attributes: [
            text('user_agent.synthetic.type', 'test'),
            text('toplens.probe', 'Sign in'),
            text('toplens.probe.fault', SECRETS),
          ],
        }),
        span(5, `step ${SECRETS}`, {
          kind: 3,
          traceId: hex(8, 32),
          parentSpanId: hex(4, 16),
          attributes: [{ key: 'toplens.probe.step', value: { intValue: '0' } }, ...thrown],
        }),
      ),
      spans(
        onPhone,
        span(6, 'GET', {
          kind: 3,
          attributes: [
            text('http.request.method', 'GET'),
            text('url.full', `https://api.example${PATH}?token=hunter2`),
          ],
        }),
      ),
    ],
  });
  await post('/v1/logs', {
    resourceLogs: [
      records(
        resource,
        { timeUnixNano: nanos(atMs(10)), severityNumber: 9, body: { stringValue: `paid ${SECRETS}` } },
        { timeUnixNano: nanos(atMs(11)), severityNumber: 17, attributes: thrown },
        event(12, 'toplens.change', [text('toplens.change.kind', 'release'), text('toplens.change.title', SECRETS)]),
        event(13, 'toplens.page_view', [
          text('toplens.view.id', hex(13, 16)),
          text('url.path', PATH),
          text('toplens.resources', JSON.stringify([[`https://pages.example${PATH}`, 'img', 1, 2, 100, 0]])),
        ]),
        event(14, 'exception', [
          text('toplens.error.id', hex(14, 16)),
          text('toplens.view.id', hex(13, 16)),
          ...thrown,
        ]),
        event(15, 'toplens.event', [text('toplens.flow', `Pay ${SECRETS}`), ...thrown]),
        event(16, 'toplens.begin', [text('toplens.attempt.id', 'a'), text('toplens.flow', 'Pay'), ...thrown]),
      ),
      records(
        onPhone,
        event(17, 'app.crash', [
          ...thrown,
          text('app.crash.id', 'c'),
          text('toplens.threads', JSON.stringify([{ name: 'main', stack: SECRETS }])),
          text('toplens.trail', JSON.stringify([{ at: nowMs, what: SECRETS }])),
        ]),
        event(18, 'exception', [text('session.id', 's'), ...thrown]),
        event(19, 'app.widget.click', [text('session.id', 's'), text('app.widget.name', SECRETS)]),
      ),
    ],
  });
  await post('/v1/metrics', {
    resourceMetrics: [
      {
        resource,
        scopeMetrics: [
          {
            metrics: [
              {
                name: 'till.size',
                gauge: {
                  dataPoints: [{ timeUnixNano: nanos(atMs(20)), asDouble: 1, attributes: [text('of', SECRETS)] }],
                },
              },
            ],
          },
        ],
      },
    ],
  });
  await server.intake.settled();
  expect(await placesOf(server.database, NEEDLES)).toEqual([]);
  // All of it is there, but for that.
  expect(
    (await placesOf(server.database, ['[card 1111], password=[secret], Bearer [token]'])).map(
      (place) => place.split(':')[0],
    ),
  ).toEqual(
    expect.arrayContaining([
      'failure_detail',
      'log_line',
      'script_error',
      'phone_crash',
      'phone_moment',
      'probe_run',
      'name',
    ]),
  );
  const [line] = await server.database.query<{ body: string }>("SELECT body FROM log_line WHERE body LIKE 'paid%'");
  expect(line?.body).toMatch(/^paid of \[mail \d{1,5}\]: card \[card 1111\], password=\[secret\], Bearer \[token\]$/);
});

test('lines alike but for a secret stay two, and sent again add nothing', async () => {
  const line = (card: string) => ({
    timeUnixNano: nanos(atMs(30)),
    severityNumber: 9,
    body: { stringValue: `with ${card}` },
  });
  const body = {
    resourceLogs: [
      records(resource, line('4111 1111 1111 1111'), line('4012 8888 8888 1881'), line('4111111111111111')),
    ],
  };
  for (let i = 0; i < 2; i++) await post('/v1/logs', body);
  await server.intake.settled();
  const lines = await server.database.query<{ body: string }>(
    "SELECT body FROM log_line WHERE body LIKE 'with%' ORDER BY 1",
  );
  expect(lines.map((one) => one.body)).toEqual(['with [card 1111]', 'with [card 1111]', 'with [card 1881]']);
});
