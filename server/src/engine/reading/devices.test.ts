import { floorTo, MINUTE_MS } from '@toplens/core/time';
import type { AttemptPageShape } from '../../contract/attempts';
import type { FlowTableShape } from '../../contract/flows';
import type { WorstFirstShape } from '../../contract/incidents';
import { hex, nanos, text } from '../../fixtures/otlp-json';
import { startTestServer, type TestServer } from '../../fixtures/test-server';

// Attempts of a flow told by phones (their own resource), and by a server that sees browsers' headers.
const END = floorTo(Date.now(), MINUTE_MS) - MINUTE_MS;
const FIREFOX = 'Mozilla/5.0 (Windows NT 10.0; Win64; x64; rv:143.0) Gecko/20100101 Firefox/143.0';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
  let n = 0;
  const spans = (times: number, attributes: object[]) =>
    Array.from({ length: times }, () => ({
      traceId: hex(++n, 32),
      spanId: hex(n, 16),
      kind: 2,
      name: 'GET',
      startTimeUnixNano: nanos(END - 20 * MINUTE_MS + n * MINUTE_MS),
      endTimeUnixNano: nanos(END - 20 * MINUTE_MS + n * MINUTE_MS + 80),
      status: {},
      attributes: [text('toplens.flow', 'Scan a parcel'), ...attributes],
    }));
  const resource = (...more: object[]) => ({ attributes: [text('service.name', 'round'), ...more] });
  const phone = (model: string) => resource(text('device.model.name', model), text('os.name', 'Android'));
  const carrier = (name: string) => text('network.carrier.name', name);
  await fetch(`${server.url}/v1/traces`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      resourceSpans: [
        { resource: phone('Pebble 4'), scopeSpans: [{ spans: spans(3, [carrier('Northmobile')]) }] },
        { resource: phone('Pebble 5'), scopeSpans: [{ spans: spans(4, [carrier('Southmobile')]) }] },
        { resource: resource(), scopeSpans: [{ spans: spans(5, [text('user_agent.original', FIREFOX)]) }] },
        // Told by nobody, and later: what is shown ends some minutes before the newest.
        { resource: resource(), scopeSpans: [{ spans: spans(5, []) }] },
      ],
    }),
  });
  await server.intake.settled();
  await server.engine.ask('settle', null);
});
afterAll(() => server.remove());

const ask = async <Shape>(path: string) => (await (await fetch(`${server.url}/api${path}`)).json()) as Shape;
const attempts = async (filter: string) => (await ask<FlowTableShape>(`/flows?${filter}`)).rows[0]?.attempts ?? 0;

test.each([
  ['device=Pebble 4', 3],
  ['carrier=Southmobile', 4],
  ['system=Android', 7],
  ['system=Windows desktop', 5],
  ['browser=Firefox 143', 5],
  ['system=Android&carrier=Northmobile', 3],
  ['browser=Firefox 143&device=Pebble 4', 0],
])('narrowed to %s, %i attempts remain', async (filter, remaining) => expect(await attempts(filter)).toBe(remaining));

test('what came can be chosen, and stands on the attempt', async () => {
  const { dimensions } = await ask<WorstFirstShape>('/worst-first');
  expect(Object.fromEntries(dimensions.map(({ dimension, values }) => [dimension, values]))).toEqual({
    device: ['Pebble 4', 'Pebble 5'],
    browser: ['Firefox 143'],
    system: ['Android', 'Windows desktop'],
    carrier: ['Northmobile', 'Southmobile'],
  });
  const { values } = await ask<AttemptPageShape>(`/attempts/${hex(1, 32)}/${hex(1, 16)}`);
  expect(values).toEqual([
    { dimension: 'device', value: 'Pebble 4' },
    { dimension: 'system', value: 'Android' },
    { dimension: 'carrier', value: 'Northmobile' },
  ]);
});
