import { HOUR_MS } from '@toplens/core/time';
import type { SenderKeyShape } from '../contract/sender-keys';
import { testSpan } from '../fixtures/traffic';
import { askWith, signedIn, type SignedIn } from '../fixtures/signed-in';
import { startTestServer, type TestServer } from '../fixtures/test-server';

let server: TestServer;
let admin: SignedIn;
const ORIGIN = 'https://portal.pellwick.example';
beforeAll(async () => {
  server = await startTestServer({ demo: false, ingestKeys: new Map([['of-the-start', 'shop']]) });
  admin = await signedIn(server, ['administrator'], 'Ines Moor');
});
afterAll(() => server.remove());

let spans = 0;
const send = (key: string, { component = '', ...headers }: Record<string, string> = {}) =>
  fetch(`${server.url}/v1/traces`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', authorization: `Bearer ${key}`, ...headers },
    body: JSON.stringify(requestOf([testSpan(++spans, Date.now() - 60_000, 1)], component)),
  });
/** Of a service, or of pages of a component, as a browser's SDK tells it. */
const requestOf = (sent: object[], component: string) => ({
  resourceSpans: [
    {
      resource: {
        attributes: [
          { key: 'service.name', value: { stringValue: component || 'shop-web' } },
          ...(component === '' ? [] : [{ key: 'telemetry.sdk.language', value: { stringValue: 'webjs' } }]),
        ],
      },
      scopeSpans: [{ spans: component === '' ? sent : sent.map((span) => ({ ...span, kind: 3 })) }],
    },
  ],
});
const status = async (key: string, headers?: Record<string, string>) => (await send(key, headers)).status;
const make = async (body: object) =>
  (await (await admin.ask('POST', '/api/keys', body)).json()) as { id: number; secret: string };
const keys = async () => ((await (await admin.ask('GET', '/api/keys')).json()) as { keys: SenderKeyShape[] }).keys;

test('a key that is made here sends at once, beside those of the start; its secret is not kept', async () => {
  const { id, secret } = await make({ kind: 'service', name: 'labels' });
  expect(await status(secret)).toBe(200);
  expect(await status('of-the-start')).toBe(200);
  expect(await status('nobody')).toBe(401);
  const [key] = (await keys()).filter((one) => one.id === id);
  expect(key).toMatchObject({ kind: 'service', name: 'labels', madeBy: 'Ines Moor', isRevoked: false });
  expect(Date.now() - (key?.usedMs ?? 0)).toBeLessThan(60_000);
  const stored = JSON.stringify([
    await server.database.query('SELECT * FROM sender_secret'),
    await server.database.query('SELECT * FROM audit_record'),
  ]);
  expect(stored).not.toContain(secret);
});

test('a secret is replaced while telemetry flows: both are taken for a while, and nothing is lost', async () => {
  const { id, secret: old } = await make({ kind: 'service', name: 'rates' });
  const answers: number[] = [];
  let isDone = false;
  let current = old;
  const sending = (async () => {
    while (!isDone) answers.push(await status(current));
  })();
  const replaced = await admin.ask('POST', `/api/keys/${id}/secret`, { overlapHours: 24 });
  const { secret } = (await replaced.json()) as { secret: string };
  await new Promise((resolve) => setTimeout(resolve, 300));
  current = secret;
  await new Promise((resolve) => setTimeout(resolve, 300));
  isDone = true;
  await sending;
  expect(answers.length).toBeGreaterThan(4);
  expect(new Set(answers)).toEqual(new Set([200]));
  expect((await keys()).find((one) => one.id === id)?.secrets).toHaveLength(2);

  const later = jest.spyOn(Date, 'now').mockReturnValue(Date.now() + 25 * HOUR_MS);
  expect([await status(old), await status(secret)]).toEqual([401, 200]);
  later.mockRestore();
  // Replaced without an overlap, the one before it is over at once.
  const third = await admin.ask('POST', `/api/keys/${id}/secret`, { overlapHours: 0 });
  expect(await status(secret)).toBe(401);
  expect(await status(((await third.json()) as { secret: string }).secret)).toBe(200);
});

test('a key that is revoked sends nothing any more, and is not replaced', async () => {
  const { id, secret } = await make({ kind: 'service', name: 'slots' });
  expect(await status(secret)).toBe(200);
  expect((await admin.ask('DELETE', `/api/keys/${id}`)).status).toBe(204);
  expect(await status(secret)).toBe(401);
  expect((await admin.ask('POST', `/api/keys/${id}/secret`, {})).status).toBe(409);
  const all = await keys();
  expect(all.at(-1)).toMatchObject({ id, isRevoked: true, secrets: [] });
});

test('a key of pages is worth as much as its origins, which their browsers learn at once', async () => {
  const preflight = () =>
    fetch(`${server.url}/v1/traces`, {
      method: 'OPTIONS',
      headers: { origin: ORIGIN, 'access-control-request-method': 'POST' },
    });
  expect((await preflight()).headers.get('access-control-allow-origin')).toBeNull();
  const { secret } = await make({ kind: 'page', name: 'portal-browser', origins: [ORIGIN] });
  expect((await preflight()).headers.get('access-control-allow-origin')).toBe(ORIGIN);
  const component = 'portal-browser';
  expect(await status(secret, { component, origin: ORIGIN })).toBe(200);
  expect(await status(secret, { component, origin: 'https://elsewhere.example' })).toBe(403);
  // A key of pages is none of services.
  expect(await status(secret, { origin: ORIGIN })).toBe(403);
});

test('keys and when they were used last over a start', async () => {
  const { id, secret } = await make({ kind: 'phone', name: 'round-app' });
  await status(secret);
  const { dataDir } = server;
  await server.close();
  server = await startTestServer({ demo: false, dataDir });
  // Signed in as before.
  admin = { ...admin, ask: askWith(server, admin.cookie) };
  const key = (await keys()).find((one) => one.id === id);
  expect(key?.usedMs).toBeGreaterThan(0);
  expect(await status('of-the-start')).toBe(401);
  // Of itself alone: these spans are another's.
  expect(await status(secret)).toBe(403);
});

test.each([
  [{ kind: 'service', name: '' }, 'name'],
  [{ kind: 'robot', name: 'x' }, 'kind'],
  [{ kind: 'page', name: 'x' }, 'origins'],
  [{ kind: 'page', name: 'x', origins: ['https://a.example/path'] }, 'origins[0]'],
  [{ kind: 'service', name: 'x', origins: [ORIGIN] }, 'origins'],
])('%j is refused at %s', async (body, field) => {
  const answer = await admin.ask('POST', '/api/keys', body);
  expect([answer.status, ((await answer.json()) as { field: string }).field]).toEqual([400, field]);
});
