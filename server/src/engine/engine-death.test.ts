import type { Worker } from 'node:worker_threads';
import { floorTo, MINUTE_MS } from '@toplens/core/time';
import type { WorstFirstShape } from '../contract/incidents';
import { send, steadyTraffic } from '../fixtures/traffic';
import { startTestServer, type TestServer } from '../fixtures/test-server';

const engines: Worker[] = [];
jest.mock('../threads/start-worker', () => {
  const { startWorker } = jest.requireActual<typeof import('../threads/start-worker')>('../threads/start-worker');
  const start: typeof startWorker = (entry, ...rest) => {
    const worker = startWorker(entry, ...rest);
    if (entry.startsWith('engine/')) engines.push(worker);
    return worker;
  };
  return { startWorker: start };
});

const nowMs = floorTo(Date.now(), MINUTE_MS);
const spans = steadyTraffic(nowMs - 180 * MINUTE_MS, 180, 20);

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.remove());

const ask = (path: string) => fetch(`${server.url}${path}`);
const sendAll = async (part: typeof spans) => {
  for (let i = 0; i < part.length; i += 500) expect((await send(server.url, part.slice(i, i + 500))).status).toBe(200);
  await server.intake.settled();
};

test('an engine that dies is started again; what comes meanwhile is taken, judged and told, and health says what happened', async () => {
  await sendAll(spans.slice(0, -600));
  await server.engine.ask('settle', null);
  expect((await ask('/readyz')).status).toBe(200);

  await engines.at(-1)?.terminate();
  expect((await ask('/livez')).status).toBe(200);
  const refused = await ask('/api/worst-first');
  expect(refused.status).toBe(503);
  expect(refused.headers.get('retry-after')).toBe('3');
  expect(((await refused.json()) as { detail: string }).detail).toContain('Nothing that was taken is lost');
  await sendAll(spans.slice(-600));

  const end = Date.now() + 30_000;
  while (!server.engine.isReady && Date.now() < end) await new Promise((resolve) => setTimeout(resolve, 50));
  expect(engines).toHaveLength(2);
  await server.engine.ask('settle', null);
  const list = (await (await ask('/api/worst-first?last=60')).json()) as WorstFirstShape;
  expect(list.rows).toMatchObject([{ signal: 'failing', inTroubleNow: true }]);
  const { flows } = (await (await ask('/api/flow-counts')).json()) as { flows: { attempts: number }[] };
  expect(flows[0]?.attempts).toBe(spans.length);
}, 90_000);
