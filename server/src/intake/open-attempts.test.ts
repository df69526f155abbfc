import { startTestServer, type TestServer } from '../fixtures/test-server';
import { nanos, text } from '../fixtures/otlp-json';

const START = Date.now();
const MINUTE_MS = 60_000;
const clock = jest.spyOn(Date, 'now');
const setClock = (minutesLater: number) => clock.mockReturnValue(START + minutesLater * MINUTE_MS);

let server: TestServer;
beforeAll(async () => {
  setClock(0);
  server = await startTestServer();
});
afterAll(async () => {
  await server.remove();
  clock.mockRestore();
});

const told = (eventName: string, id: string, minutesLater: number, ...attributes: object[]) => ({
  timeUnixNano: nanos(START + minutesLater * MINUTE_MS),
  eventName,
  attributes: [text('toplens.attempt.id', id), ...attributes],
});
const begin = (id: string, minutesLater = 0) =>
  told('toplens.begin', id, minutesLater, text('toplens.flow', 'Upload a manifest'), text('user.id', `u-${id}`));
const end = (id: string, minutesLater: number) => told('toplens.end', id, minutesLater);

async function send(...logRecords: object[]): Promise<string> {
  const resource = { attributes: [text('service.name', 'depot-desk')] };
  const answer = await fetch(`${server.url}/v1/logs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ resourceLogs: [{ resource, scopeLogs: [{ logRecords }] }] }),
  });
  await server.intake.settled();
  return answer.text();
}

const attempts = () =>
  server.database.query<{ who: string; seconds: number; failed: boolean; why: string }>(
    `SELECT p.value AS who, (a.duration_us / 1000000)::int AS seconds, a.flags & 1 = 1 AS failed, coalesce(f.value, '') AS why
       FROM attempt a JOIN name p ON p.id = a.person LEFT JOIN name f ON f.id = a.failure ORDER BY a.started_us, p.value`,
  );

test('begin and end make one attempt, in whatever order and however often they come', async () => {
  expect(await send(begin('a'))).toBe('{}');
  expect(await attempts()).toEqual([]);
  await send(end('b', 2), end('a', 1));
  await send(begin('b'), begin('a'), end('a', 1));
  expect(await attempts()).toEqual([
    { who: 'u-a', seconds: 60, failed: false, why: '' },
    { who: 'u-b', seconds: 120, failed: false, why: '' },
  ]);
});

test('what is not ended when the server dies is ended after it, and what never ends is closed and says so', async () => {
  await send(begin('c', -1), begin('d', -1));
  const { dataDir } = server;
  await server.close();
  server = await startTestServer({ dataDir });
  expect(server.intake.openAttempts.open).toBe(2);
  await send(end('c', 3));
  setClock(14);
  await server.intake.closeUnended();
  await server.intake.settled();
  expect(await attempts()).toHaveLength(3);
  setClock(16);
  await server.intake.closeUnended();
  await server.intake.settled();
  expect((await attempts()).slice(0, 2)).toEqual([
    { who: 'u-c', seconds: 240, failed: false, why: '' },
    { who: 'u-d', seconds: 900, failed: true, why: 'never ended' },
  ]);
  expect(server.intake.openAttempts.open).toBe(0);
});

test('an end that comes after its attempt was closed changes nothing, not even after another start', async () => {
  await send(end('d', 16));
  const { dataDir } = server;
  await server.close();
  server = await startTestServer({ dataDir });
  await server.intake.closeUnended();
  await server.intake.settled();
  const all = await attempts();
  expect(all).toHaveLength(4);
  expect(all.find(({ who }) => who === 'u-d')).toMatchObject({ seconds: 900, failed: true });
});

test('what cannot be taken is named; the rest of the request is taken', async () => {
  const answer = await send(told('toplens.begin', 'e', 16), begin('f', 16));
  expect(answer).toContain('toplens.flow: missing: what is begun?');
  expect(server.intake.openAttempts.open).toBe(1);
});
