import { floorTo, HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import type { FlowTableShape } from '../../contract/flows';
import type { EarlyWarningsShape } from '../../contract/infrastructure';
import { startTestServer, type TestServer } from '../../fixtures/test-server';
import { post, requestOf, testSpan } from '../../fixtures/traffic';

// Eight hours of two flows, six attempts a minute each. For the last half hour one of them answers at once, and has
// nothing failing: so short a time that it is not the calmest tenth of all that is known.
const END = floorTo(Date.now(), 5 * MINUTE_MS) - 5 * MINUTE_MS;
const EMPTY_SINCE = END - 30 * MINUTE_MS;
const EVERY_MS = 10_000;

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
  const spans = [];
  for (let atMs = END - 8 * HOUR_MS; atMs < END; atMs += EVERY_MS) {
    const usualMs: number = 400 + (spans.length % 7) * 20;
    spans.push(testSpan(spans.length, atMs, atMs < EMPTY_SINCE ? usualMs : 3, { route: '/slots' }));
    spans.push(testSpan(spans.length, atMs + 1, usualMs, { route: '/pay' }));
  }
  await post(server.url, JSON.stringify(requestOf(spans)));
  await server.intake.settled();
  await server.engine.ask('settle', null);
});
afterAll(() => server.remove());

const ask = async <Shape>(path: string) =>
  (await (
    await fetch(
      `${server.url}/api${path}?from=${new Date(END - HOUR_MS / 2).toISOString()}&to=${new Date(END).toISOString()}`,
    )
  ).json()) as Shape;

test('a flow that suddenly answers at once is no improvement: it is told, since when, and its level is not calm', async () => {
  const { rows } = await ask<FlowTableShape>('/flows');
  const slots = rows.find(({ technicalName }) => technicalName === 'GET /slots');
  expect(rows.map(({ technicalName, level }) => [technicalName, level]).sort()).toEqual([
    ['GET /pay', 'calm'],
    ['GET /slots', 'strained'],
  ]);
  const { warnings } = await ask<EarlyWarningsShape>('/early-warnings');
  expect(warnings).toEqual([
    expect.objectContaining({
      kind: 'empty',
      flow: slots?.id,
      sinceMs: EMPTY_SINCE,
      title: 'Answers in 3 ms in place of 456 ms: GET /slots',
    }),
  ]);
});
