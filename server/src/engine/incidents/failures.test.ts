import { floorTo, MINUTE_MS } from '@toplens/core/time';
import type { IncidentShape, WorstFirstShape } from '../../contract/incidents';
import { describedAnswer } from '../../fixtures/described-answer';
import { startTestServer, type TestServer } from '../../fixtures/test-server';
import { post, testSpan } from '../../fixtures/traffic';

const MINUTES = 10;
const BROKEN_AFTER = 6;
const END = floorTo(Date.now(), MINUTE_MS);

let server: TestServer;
let incident: IncidentShape;

const text = (key: string, stringValue: string) => ({ key, value: { stringValue } });
const STACK = `SurchargeMissing: no surcharge for band 4
    at Tariff.surcharge (/srv/slots/src/tariff.ts:118:9)
    at Quote.price (/srv/slots/src/quote.ts:40:3)`;

/** An attempt that passes through a service below; in a broken one that service throws, and the entry passes it on. */
function trace(id: number, startMs: number, isBroken: boolean) {
  const entry = testSpan(id, startMs, 120, { failed: isBroken });
  const inner = {
    ...testSpan(id + 1_000_000, startMs + 10, 80, { failed: isBroken }),
    traceId: entry.traceId,
    parentSpanId: entry.spanId,
  };
  const thrown = (type: string, message: string, stack: string) => ({
    events: [
      {
        name: 'exception',
        timeUnixNano: entry.endTimeUnixNano,
        attributes: [
          text('exception.type', type),
          text('exception.message', message),
          text('exception.stacktrace', stack),
        ],
      },
    ],
  });
  return {
    entry: isBroken ? { ...entry, ...thrown('BadGateway', 'slots answered 500', '') } : entry,
    inner: isBroken
      ? { ...inner, ...thrown('SurchargeMissing', `no surcharge for band 4, asked by ann${id}@mail.test`, STACK) }
      : inner,
  };
}

beforeAll(async () => {
  server = await startTestServer();
  const traces = Array.from({ length: MINUTES * 30 }, (_, i) => {
    const minute = i / 30;
    return trace(i, END - (MINUTES - minute) * MINUTE_MS, minute >= BROKEN_AFTER && i % 2 === 0);
  });
  const from = (service: string, spans: object[]) => ({
    resource: { attributes: [text('service.name', service)] },
    scopeSpans: [{ spans }],
  });
  await post(
    server.url,
    JSON.stringify({
      resourceSpans: [
        from(
          'shop-web',
          traces.map(({ entry }) => entry),
        ),
        from(
          'slots',
          traces.map(({ inner }) => inner),
        ),
      ],
    }),
    { 'content-type': 'application/json' },
  );
  await server.intake.settled();
  await server.engine.ask('settle', null);
  const { rows } = await describedAnswer<WorstFirstShape>(server.url, '/api/worst-first?last=15', 'WorstFirst');
  incident = await describedAnswer<IncidentShape>(server.url, `/api/incidents/${rows[0]?.id}?last=15`, 'Incident');
});
afterAll(() => server.remove());

test('what failed deepest is told with its place, and how many attempts share it', () => {
  // The newest minute is not judged yet.
  const broken = (MINUTES - BROKEN_AFTER - 1) * 15;
  expect(incident.failures).toEqual([
    {
      component: 'slots',
      type: 'SurchargeMissing',
      className: 'Tariff',
      method: 'surcharge',
      file: 'tariff.ts',
      line: 118,
      // Who is named in a message is masked.
      message: expect.stringMatching(/^no surcharge for band 4, asked by \[mail \d{1,5}\]$/) as string,
      messages: broken,
      attempts: broken,
      looked: broken,
    },
  ]);
});

test('it stands in the brief', async () => {
  const response = await fetch(`${server.url}/api/incidents/${incident.id}/brief?last=15`);
  expect(await response.text()).toContain('SurchargeMissing in slots, Tariff.surcharge (tariff.ts:118)');
});
