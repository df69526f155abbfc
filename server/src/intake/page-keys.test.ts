import { startTestServer, type TestServer } from '../fixtures/test-server';
import { testSpan } from '../fixtures/traffic';

const ORIGIN = 'https://shop.example';
let server: TestServer;
beforeAll(async () => {
  server = await startTestServer({
    demo: false,
    browserKeys: new Map([['page-key', { component: 'shop-pages', origins: [ORIGIN] }]]),
  });
});
afterAll(() => server.remove());

/** What the SDK of a browser sends: spans of a page, which names its component and its browser. */
const post = (origin: string, { component = 'shop-pages', key = 'page-key' } = {}) =>
  fetch(`${server.url}/v1/traces`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'toplens-key': key, origin },
    body: JSON.stringify({
      resourceSpans: [
        {
          resource: {
            attributes: [
              { key: 'service.name', value: { stringValue: component } },
              { key: 'telemetry.sdk.language', value: { stringValue: 'webjs' } },
            ],
          },
          scopeSpans: [{ spans: [{ ...testSpan(1, Date.now() - 1000, 100), kind: 3 }] }],
        },
      ],
    }),
  });

test('a browser is told beforehand that pages of the origins of a key may send, and others are not', async () => {
  const ask = (origin: string) =>
    fetch(`${server.url}/v1/traces`, {
      method: 'OPTIONS',
      headers: { origin, 'access-control-request-method': 'POST', 'access-control-request-headers': 'toplens-key' },
    });
  const allowed = await ask(ORIGIN);
  expect(allowed.status).toBe(204);
  expect(allowed.headers.get('access-control-allow-origin')).toBe(ORIGIN);
  expect(allowed.headers.get('access-control-allow-headers')).toContain('toplens-key');
  expect((await ask('https://other.example')).headers.get('access-control-allow-origin')).toBeNull();
});

test('what a page tells of itself is taken, and the page may read the answer', async () => {
  const response = await post(ORIGIN);
  expect([response.status, await response.json()]).toEqual([200, {}]);
  expect(response.headers.get('access-control-allow-origin')).toBe(ORIGIN);
  expect(response.headers.get('cross-origin-resource-policy')).toBe('cross-origin');
});

test('the key is worth nothing elsewhere, nor for what another component does', async () => {
  expect((await post('https://other.example')).status).toBe(403);
  expect((await post(ORIGIN, { component: 'payments' })).status).toBe(403);
  expect((await post(ORIGIN, { key: 'guessed' })).status).toBe(401);
});
