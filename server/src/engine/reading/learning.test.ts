import { floorTo, MINUTE_MS } from '@toplens/core/time';
import type { FlowTableShape } from '../../contract/flows';
import type { WorstFirstShape } from '../../contract/incidents';
import { startTestServer, type TestServer } from '../../fixtures/test-server';
import { send, steadyTraffic } from '../../fixtures/traffic';

const END = floorTo(Date.now(), MINUTE_MS);

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer({});
});
afterAll(() => server.remove());

const get = async <Shape>(path: string) => (await (await fetch(`${server.url}/api${path}`)).json()) as Shape;
const sent = async (minutes: number) => {
  await send(server.url, steadyTraffic(END - minutes * MINUTE_MS, minutes, 0));
  await server.intake.settled();
  await server.engine.ask('settle', null);
  return {
    list: await get<WorstFirstShape>('/worst-first?last=15'),
    flows: await get<FlowTableShape>('/flows?last=15'),
  };
};

test('before anything came it says that, and not that nobody is hurt', async () => {
  expect((await get<WorstFirstShape>('/worst-first?last=15')).headline).toBe('No data has come in yet.');
});

test('in its first minutes a server says that it is learning, and until when; nobody is called unhurt', async () => {
  const { list, flows } = await sent(20);
  expect(list.headline).toBe('Learning what is usual: nothing stands out so far.');
  expect(list.detail).toContain('1 flow is judged by its first minutes');
  expect(list.learning).toMatchObject({ flows: 1, of: 1 });
  expect(list.learning?.usualFromMs).toBeGreaterThan(END);
  expect(list.learning?.usualFromMs).toBeLessThanOrEqual(END + 80 * MINUTE_MS);
  expect(flows.rows.map(({ level }) => level)).toEqual(['learning']);
});

test('once an hour and a half is known it knows what is usual, and says so', async () => {
  const { list, flows } = await sent(150);
  expect(list.learning).toBeNull();
  expect(list.headline).toBe('Nobody is being hurt.');
  expect(flows.rows.map(({ level }) => level)).toEqual(['calm']);
});
