import { CloudEvent, HTTP, type Message } from 'cloudevents';
import { startTestServer, type TestServer } from '../fixtures/test-server';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.remove());

const AT = new Date(Date.now() - 60_000).toISOString();

const release = (id: string) =>
  new CloudEvent<object>({
    id,
    source: '/pipelines/slots',
    type: 'toplens.change.release',
    time: AT,
    subject: 'slots',
    data: { title: 'Slots 4.12.0 – größer' },
  });

const order = (id: string) =>
  new CloudEvent<object>({
    id,
    source: '/shop',
    type: 'order.placed',
    time: AT,
    subject: 'order',
    data: { amount: 12 },
  });

async function send(path: string, { headers, body }: Message): Promise<{ status: number; answer: unknown }> {
  const response = await fetch(`${server.url}${path}`, {
    method: 'POST',
    headers: Object.entries(headers).map(([name, value]): [string, string] => [name, String(value)]),
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });
  return { status: response.status, answer: await response.json() };
}

describe.each([
  ['/v1/changes', release],
  ['/v1/business-events', order],
])('%s takes what the CloudEvents SDK sends', (path, eventOf) => {
  const batch = (ids: string[]): Message => ({
    headers: { 'content-type': 'application/cloudevents-batch+json' },
    body: JSON.stringify(ids.map((id) => eventOf(id).toJSON())),
  });

  test.each([
    ['binary', () => HTTP.binary(eventOf('b-1')), 1],
    ['structured', () => HTTP.structured(eventOf('s-1')), 1],
    ['batched', () => batch(['x-1', 'x-2']), 2],
  ])('in %s mode', async (_mode, message, taken) => {
    expect(await send(path, message())).toEqual({ status: 200, answer: { taken, rejected: 0 } });
  });
});

test('an event in binary mode is the same as in structured mode, its text as well', async () => {
  await send('/v1/changes', HTTP.binary(release('same')));
  await send('/v1/changes', HTTP.structured(release('same')));
  await server.intake.settled();
  const same = await server.database.query("SELECT title FROM change_event WHERE id LIKE '%#same'");
  expect(same).toEqual([{ title: 'Slots 4.12.0 – größer' }]);
});

test('what is in no mode, and data that cannot be read, says what is expected', async () => {
  const plain = await send('/v1/changes', { headers: { 'content-type': 'text/plain' }, body: 'released' });
  expect(plain).toMatchObject({ status: 415, answer: { field: 'content-type' } });
  const broken = HTTP.binary(release('broken'));
  expect(await send('/v1/changes', { ...broken, body: '{"version":' })).toMatchObject({ status: 400 });
});
