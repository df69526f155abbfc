import { floorTo, MINUTE_MS } from '@toplens/core/time';
import type { FlowPageShape, FlowTableShape } from '../../contract/flows';
import type { WorstFirstShape } from '../../contract/incidents';
import { startTestServer, type TestServer } from '../../fixtures/test-server';
import { send, testSpan } from '../../fixtures/traffic';

// Two hours of one flow, sixteen a minute, a quarter of them in the North (testSpan); in the last half hour all of the
// North fails.
const END = floorTo(Date.now(), 5 * MINUTE_MS) - MINUTE_MS;
const MINUTES = 120;
const FAILING = 30;
const spans = Array.from({ length: MINUTES * 16 }, (_, i) => {
  const minute = Math.floor(i / 16);
  return testSpan(i, END - (MINUTES - minute) * MINUTE_MS + (i % 16) * 3_000, 100 + (i % 4 === 0 ? 50 : 0), {
    failed: minute >= MINUTES - FAILING && i % 4 === 0,
  });
});

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer({});
  await send(server.url, spans);
  await server.intake.settled();
  await server.engine.ask('settle', null);
});
afterAll(() => server.remove());

const ask = async <Shape>(path: string) => (await (await fetch(`${server.url}/api${path}`)).json()) as Shape;
const lastOf = (values: readonly (number | null)[]) => values.findLast((value) => value !== null);
const flowAt = async (query: string) => {
  const { rows } = await ask<FlowTableShape>('/flows?last=60');
  return ask<FlowPageShape>(`/flows/${rows[0]?.id}?last=60${query}`);
};
const chartOf = ({ charts }: FlowPageShape, name: string) =>
  charts.find((chart) => chart.name === name) as FlowPageShape['charts'][number];

test('curves follow the filter, and say so; how many usually come through it is not known', async () => {
  const [all, north, south] = (await Promise.all(['', '&site=North', '&site=South'].map(flowAt))) as [
    FlowPageShape,
    FlowPageShape,
    FlowPageShape,
  ];
  expect([all, north, south].map((page) => chartOf(page, 'failures').isNarrowed)).toEqual([false, true, true]);
  const failing = [all, north, south].map((page) => lastOf(chartOf(page, 'failures').series.values));
  expect(failing).toEqual([0.25, 1, 0]);
  const attempts = [all, north, south].map((page) => lastOf(chartOf(page, 'attempts').series.values));
  expect(attempts).toEqual([80, 20, 60]);
  expect(chartOf(north, 'attempts').series.high.every((value) => value === null)).toBe(true);
  const calm = chartOf(north, 'duration').series.values[6];
  expect([calm, chartOf(south, 'duration').series.values[6]]).toEqual([150, 100]);
  // Under way at once: rate times mean duration. Twelve of 100 ms and four of 150 ms a minute.
  const atOnce = [all, north, south].map((page) => chartOf(page, 'underWay').series.values[6] as number);
  expect(atOnce.map((value) => Math.round(value * 1e6) / 1e6)).toEqual([0.03, 0.01, 0.02]);
});

test('small lines of the list and of the flows follow it too, and so do levels', async () => {
  const table = async (query: string) => (await ask<FlowTableShape>(`/flows?last=60${query}`)).rows[0];
  const [north, south] = [await table('&site=North'), await table('&site=South')];
  expect(north?.spark.values).not.toEqual(south?.spark.values);
  expect([north?.level, south?.level]).toEqual([expect.not.stringMatching('calm'), 'calm']);
  const rows = async (query: string) => (await ask<WorstFirstShape>(`/worst-first?last=60${query}`)).rows;
  expect(lastOf((await rows('&site=North'))[0]?.spark.values ?? [])).toBe(1);
  expect(await rows('&site=South')).toEqual([]);
});

test('a value that never came leaves nothing, which is no outage', async () => {
  const page = await flowAt('&site=Nowhere');
  expect(chartOf(page, 'duration').series.values.every((value) => value === null)).toBe(true);
});
