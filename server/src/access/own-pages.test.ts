import { request } from 'node:http';
import { signedIn } from '../fixtures/signed-in';
import { startTestServer, type TestServer } from '../fixtures/test-server';
import { hostnameOf, isOwnName } from './own-pages';

let server: TestServer;
let cookie = '';
beforeAll(async () => {
  server = await startTestServer({ demo: false, hosts: ['lens.example', 'desk.example'] });
  ({ cookie } = await signedIn(server, ['administrator']));
});
afterAll(() => server.remove());

interface Answer {
  status: number;
  headers: Record<string, unknown>;
  body: string;
}

/** As a browser asks that was told another name: fetch sets the name by itself. */
const ask = (path: string, headers: Record<string, string>, method = 'GET', body = ''): Promise<Answer> =>
  new Promise((resolve, reject) => {
    const { hostname, port } = new URL(server.url);
    const sent = request({ hostname, port, path, method, headers: { cookie, ...headers } }, (response) => {
      let text = '';
      response.on('data', (chunk: Buffer) => (text += String(chunk)));
      response.on('end', () => resolve({ status: response.statusCode ?? 0, headers: response.headers, body: text }));
    });
    sent.on('error', reject);
    sent.end(body);
  });
const portOf = () => new URL(server.url).port;

test('a name is read without its port and brackets; what is no name is none', () => {
  expect(['Lens.Example:4400', '[::1]:80', '127.0.0.1', 'a b', undefined].map(hostnameOf)).toEqual([
    'lens.example',
    '::1',
    '127.0.0.1',
    '',
    '',
  ]);
  const names = new Set(['lens.example']);
  expect(
    ['lens.example', '10.0.0.7:4400', '[fe80::1]', 'localhost:1', 'lens.example.evil.example', ''].map((host) =>
      isOwnName(host, names),
    ),
  ).toEqual([true, true, true, true, false, false]);
});

test('a page that has its own name point here reads nothing (DNS rebinding)', async () => {
  for (const path of ['/api/worst-first', '/api/settings/file', '/', '/shared/abc', '/m/abc']) {
    const { status, body } = await ask(path, { host: `rebound.example:${portOf()}` });
    expect([path, status]).toEqual([path, 421]);
    expect(body).toContain('TOPLENS_HOSTS=rebound.example');
  }
  for (const host of [`127.0.0.1:${portOf()}`, `localhost:${portOf()}`, 'lens.example', 'desk.example:8443'])
    expect([host, (await ask('/api/worst-first', { host })).status]).toEqual([host, 200]);
  // Who watches the process may know it by any name: nothing of people is told there.
  expect((await ask('/livez', { host: 'pod-7.cluster' })).status).toBe(200);
});

test('a name that a stranger sends on behalf of a proxy is not believed', async () => {
  const { status } = await ask('/api/worst-first', { host: 'rebound.example', 'x-forwarded-host': 'lens.example' });
  expect(status).toBe(421);
});

test('other pages cannot have a browser change anything', async () => {
  const host = `127.0.0.1:${portOf()}`;
  const change = JSON.stringify({ who: 'Dana', key: 'currency', value: 'GBP' });
  const post = (headers: Record<string, string>) =>
    ask('/api/settings', { host, 'content-type': 'application/json', ...headers }, 'POST', change);
  for (const headers of [
    { origin: 'https://elsewhere.example' },
    { origin: 'null' },
    { origin: `http://127.0.0.1:1${portOf()}` },
    { 'sec-fetch-site': 'cross-site' },
    { 'sec-fetch-site': 'same-site', origin: `http://${host}` },
  ] as unknown as Record<string, string>[])
    expect([headers, (await post(headers)).status]).toEqual([headers, 403]);
  expect((await ask('/api/settings', { host })).body).toContain('"currency":"EUR"');
  expect((await post({ origin: `http://${host}`, 'sec-fetch-site': 'same-origin' })).status).toBe(201);
  // What is no browser says nothing of a page.
  expect((await post({})).status).toBe(201);
});

test('nobody keeps what the API told, and the page asks for no camera and the like', async () => {
  const { headers } = await ask('/api/worst-first', { host: 'lens.example' });
  expect(headers['cache-control']).toBe('no-store');
  expect(headers['permissions-policy']).toContain('camera=()');
  expect(headers['content-security-policy']).toContain("script-src 'self'");
  expect(headers['x-content-type-options']).toBe('nosniff');
});
