import { floorTo, MINUTE_MS } from '@toplens/core/time';
import type { FlowTableShape, PathShape, SlowestFlowsShape, StepsShape } from '../../contract/flows';
import type { ComponentShape } from '../../contract/infrastructure';
import { flowKey } from '../../settings/settings-book';
import { hex, nanos, text } from '../../fixtures/otlp-json';
import { startTestServer, type TestServer } from '../../fixtures/test-server';

// Two flows of a hundred attempts. Of the first twenty are slow: a call inside fails, and is tried again.
const END = floorTo(Date.now(), MINUTE_MS) - MINUTE_MS;
const ATTEMPTS = 100;
const SLOW = 20;

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer({}, { flows: [{ technicalName: 'GET /*', limitMs: 1_000 }] });
  const entries: object[] = [];
  const inner: object[] = [];
  for (let i = 0; i < 2 * ATTEMPTS; i++) {
    const isSlow = i < SLOW;
    const startMs = END - 30 * MINUTE_MS + i * 5_000;
    const span = (id: number, from: number, to: number, more: object) => ({
      traceId: hex(i, 32),
      spanId: hex(10 * i + id, 16),
      kind: 2,
      startTimeUnixNano: nanos(startMs + from),
      endTimeUnixNano: nanos(startMs + to),
      status: {},
      ...more,
    });
    const tookMs = isSlow ? 2_000 + i : 100;
    entries.push(
      span(0, 0, tookMs, {
        name: 'GET',
        attributes: [text('http.request.method', 'GET'), text('http.route', i < ATTEMPTS ? '/basket' : '/help')],
      }),
    );
    inner.push(
      span(1, 10, tookMs - 10, {
        name: 'price',
        parentSpanId: hex(10 * i, 16),
        ...(isSlow && {
          status: { code: 2 },
          events: [{ name: 'exception', attributes: [text('exception.type', 'PriceTimeout')] }],
        }),
      }),
    );
  }
  const resource = (service: string) => ({
    attributes: [text('service.name', service), text('service.namespace', 'Shop'), text('host.name', 'north-1')],
  });
  await fetch(`${server.url}/v1/traces`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      resourceSpans: [
        { resource: resource('shop-web'), scopeSpans: [{ spans: entries }] },
        { resource: resource('prices'), scopeSpans: [{ spans: inner }] },
      ],
    }),
  });
  await server.intake.settled();
  await server.engine.ask('settle', null);
});
afterAll(() => server.remove());

const ask = async <Shape>(path: string) => (await (await fetch(`${server.url}/api${path}`)).json()) as Shape;

test('an error that comes with slow attempts is told beside the way of the flow', async () => {
  const { rows } = await ask<FlowTableShape>('/flows?last=60');
  const basket = rows.find(({ technicalName }) => technicalName === 'GET /basket');
  const { slowErrors } = await ask<PathShape>(`/flows/${basket?.id}/path?last=60`);
  expect(slowErrors).toEqual([
    expect.objectContaining({
      error: 'prices: PriceTimeout',
      slow: SLOW,
      ofSlow: SLOW,
      others: 0,
      ofOthers: ATTEMPTS - SLOW,
      ratio: null,
      carried: 1,
    }),
  ]);
  const help = rows.find(({ technicalName }) => technicalName === 'GET /help');
  expect((await ask<PathShape>(`/flows/${help?.id}/path?last=60`)).slowErrors).toEqual([]);
});

test('steps inside a flow are judged by limits of their own, as soon as they are set', async () => {
  const { rows } = await ask<FlowTableShape>('/flows?last=60');
  const basket = rows.find(({ technicalName }) => technicalName === 'GET /basket');
  const steps = () => ask<StepsShape>(`/flows/${basket?.id}/steps?last=60`);
  expect(await steps()).toMatchObject({
    attempts: ATTEMPTS,
    usualAttempts: 0,
    limits: [],
    steps: [
      {
        component: 'prices',
        operation: 'price',
        attempts: ATTEMPTS,
        callsAnAttempt: 1,
        failed: SLOW,
        over: 0,
        overShare: null,
        learnedLimitMs: null,
      },
    ],
  });
  const set = await fetch(`${server.url}/api/settings`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      who: 'Kim',
      key: flowKey('Shop', 'GET /basket'),
      value: { stepLimitsMs: { 'prices price': 1_000, 'prices reserve': 50 } },
      fromMs: END - 60 * MINUTE_MS,
    }),
  });
  expect(set.status).toBe(201);
  const { steps: judged, limits } = await steps();
  expect(limits).toEqual([
    { step: 'prices price', limitMs: 1_000 },
    { step: 'prices reserve', limitMs: 50 },
  ]);
  expect(judged[0]).toMatchObject({ ownersLimitMs: 1_000, over: SLOW, overShare: { estimate: 0.2 } });
});

test('the slowest flows stand with their slowest attempts, the longest first', async () => {
  const { flows } = await ask<SlowestFlowsShape>('/slowest-flows?last=60');
  expect(flows.map(({ name, samples }) => [name, samples.length])).toEqual([
    ['GET /basket', 3],
    ['GET /help', 3],
  ]);
  expect(flows[0]?.samples.map(({ durationMs }) => durationMs)).toEqual([2_019, 2_018, 2_017]);
  expect((await ask<SlowestFlowsShape>('/slowest-flows?last=60&site=Nowhere')).flows).toEqual([]);
});

test('a component says who else runs on its hosts', async () => {
  const { neighbours } = await ask<ComponentShape>('/components/prices?last=60');
  expect(neighbours).toEqual([{ component: 'shop-web', application: 'Shop', hosts: ['north-1'] }]);
});
