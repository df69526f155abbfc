import { fork, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';
import type { OwnAccountShape, SessionStateShape } from '../contract/accounts';
import { askWith, cookieOf, signedIn } from '../fixtures/signed-in';
import { freePort } from '../fixtures/free-port';
import { startTestServer, type TestServer } from '../fixtures/test-server';

let server: TestServer;
let provider: ChildProcess;
let publicUrl: string;
beforeAll(async () => {
  const port = await freePort();
  publicUrl = `http://127.0.0.1:${port}`;
  provider = fork(join(__dirname, '..', 'fixtures', 'oidc-provider.mjs'), [publicUrl], {
    stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
  });
  const [{ issuer }] = (await once(provider, 'message')) as [{ issuer: string }];
  server = await startTestServer({
    demo: false,
    port,
    publicUrl,
    provider: {
      issuer,
      clientId: 'top-lens',
      clientSecret: 'provider-secret',
      name: 'Pellwick sign-in',
      groups: [
        { group: '*', role: 'viewer', of: '' },
        { group: 'duty', role: 'support', of: '' },
        { group: 'portal', role: 'owner', of: 'Sender Portal' },
      ],
    },
  });
});
afterAll(async () => {
  provider.kill();
  await server.remove();
});

/** A browser at the provider: keeps its cookies, and follows it to where it sends back. */
class Browser {
  #cookies = new Map<string, string>();

  async #fetch(url: string, form?: Record<string, string>): Promise<Response> {
    const response = await fetch(url, {
      redirect: 'manual',
      headers: { cookie: [...this.#cookies].map(([name, value]) => `${name}=${value}`).join('; ') },
      ...(form && { method: 'POST', body: new URLSearchParams(form) }),
    });
    for (const cookie of response.headers.getSetCookie()) {
      const [, name = '', value = ''] = /^([^=]+)=([^;]*)/.exec(cookie) ?? [];
      this.#cookies.set(name, value);
    }
    return response;
  }

  /** Signs in and agrees to what is asked. @returns where the provider sends the browser back */
  async signIn(url: string, login: string): Promise<string> {
    let response = await this.#fetch(url);
    for (let steps = 0; steps < 12; steps++) {
      const next = response.headers.get('location');
      if (next?.startsWith(publicUrl)) return next;
      if (next) {
        response = await this.#fetch(new URL(next, url).href);
        continue;
      }
      const page = await response.text();
      const action = /action="([^"]+)"/.exec(page)?.[1];
      if (action === undefined) throw new Error(page);
      const prompt = /name="prompt" value="([^"]+)"/.exec(page)?.[1] ?? '';
      response = await this.#fetch(new URL(action, url).href, { prompt, login, password: 'any' });
    }
    throw new Error('the provider led nowhere');
  }
}

const post = (path: string, body: object, cookie = '') => askWith(server, cookie)('POST', path, body);
async function begin(): Promise<{ url: string; cookie: string }> {
  const begun = await post('/api/session/provider', {});
  return { url: ((await begun.json()) as { url: string }).url, cookie: cookieOf(begun) };
}
async function signIn(login: string): Promise<{ address: string; cookie: string }> {
  const { url, cookie } = await begin();
  return { address: await new Browser().signIn(url, login), cookie };
}
const back = ({ address, cookie }: { address: string; cookie: string }) =>
  post('/api/session/provider/back', { address }, cookie);
const detailOf = async (response: Response) => [
  response.status,
  ((await response.json()) as { detail: string }).detail,
];

test('who signs in there is signed in here, with the roles of their groups', async () => {
  const { url } = await begin();
  const asked = new URL(url).searchParams;
  expect(asked.get('code_challenge_method')).toBe('S256');
  for (const name of ['state', 'nonce', 'code_challenge']) expect(asked.get(name)?.length).toBeGreaterThan(20);

  const answer = await back(await signIn('rowan'));
  const state = (await answer.json()) as SessionStateShape;
  expect(state).toMatchObject({ who: { name: 'Rowan Teal' }, provider: 'Pellwick sign-in' });
  expect(state.rights).toEqual(['look', 'decide', 'send', 'answer', 'share', 'judge', 'upload']);
  const own = (await (await askWith(server, cookieOf(answer))('GET', '/api/account')).json()) as OwnAccountShape;
  expect(own).toMatchObject({ mail: 'rowan@pellwick.example', hasPassword: false });
  expect(own.grants.map(({ role, of }) => [role, of])).toEqual([
    ['owner', 'Sender Portal'],
    ['support', ''],
    ['viewer', ''],
  ]);
});

test('who leaves a group loses its roles at the next sign-in; what was given here stays', async () => {
  const account = server.accounts.all.find(({ name }) => name === 'Rowan Teal');
  const persons = { role: 'persons', of: '', untilMs: Date.now() + 3_600_000 } as const;
  await server.accounts.give(
    account?.id ?? 0,
    { grants: [...(account?.grants ?? []), persons], isEnded: false },
    Date.now(),
  );
  provider.send({ subject: 'rowan', groups: ['portal'] });
  await once(provider, 'message');
  const state = (await (await back(await signIn('rowan'))).json()) as SessionStateShape;
  expect(state.who?.id).toBe(account?.id);
  expect(state.rights).toContain('persons');
  expect(state.rights).toContain('judge');
  expect(state.rights).not.toContain('answer');
});

test('the address of somebody with an account here makes nobody them', async () => {
  const ines = await signedIn(server, ['administrator'], 'Ines Moor');
  await signedIn(server, ['viewer'], 'Kit Lowe');
  const state = (await (await back(await signIn('kit'))).json()) as SessionStateShape;
  // Somebody is called so here: what they do is told apart.
  expect(state.who?.name).toBe('Kit Lowe (2)');
  expect(state.who?.id).not.toBe(ines.id);
  expect(state.rights).toEqual(['look']);
});

test('what was not begun here, was used, is over, or was refused there lets nobody in', async () => {
  const one = await signIn('rowan');
  expect(await detailOf(await back({ ...one, cookie: '' }))).toEqual([
    401,
    'Begin to sign in again: this was begun too long ago, or elsewhere.',
  ]);
  // A sign-in that somebody else began (login CSRF): its state is not this browser's.
  const other = await begin();
  expect((await detailOf(await back({ ...one, cookie: other.cookie })))[0]).toBe(401);
  expect((await back(one)).status).toBe(200);
  expect((await back(one)).status).toBe(401);

  const late = await signIn('rowan');
  await new Promise((resolve) => setTimeout(resolve, 4_000));
  expect(await detailOf(await back(late))).toEqual([
    401,
    'Pellwick sign-in did not let you in (invalid_grant). Begin to sign in again.',
  ]);
  const refused = await begin();
  const state = new URL(refused.url).searchParams.get('state');
  const told = await back({
    ...refused,
    address: `${publicUrl}/signed-in?error=access_denied&state=${state}&iss=${encodeURIComponent(new URL(refused.url).origin)}`,
  });
  expect((await detailOf(told))[1]).toContain('access_denied');
});

test('who signs out here is led to sign out there; who was ended here does not come back', async () => {
  const answer = await back(await signIn('rowan'));
  const ended = await askWith(server, cookieOf(answer))('DELETE', '/api/session');
  const { url } = (await ended.json()) as { url: string };
  expect(new URL(url).searchParams.get('post_logout_redirect_uri')).toBe(`${publicUrl}/`);
  expect((await fetch(url)).status).toBe(200);

  const id = server.accounts.all.find(({ name }) => name === 'Rowan Teal')?.id ?? 0;
  await server.accounts.give(id, { grants: [], isEnded: true }, Date.now());
  expect(await detailOf(await back(await signIn('rowan')))).toEqual([
    401,
    'This account was ended. Ask an administrator.',
  ]);
});

test('a provider that is away keeps nobody else out', async () => {
  provider.kill();
  await once(provider, 'exit');
  const away = await startTestServer({
    demo: false,
    provider: { issuer: 'http://127.0.0.1:9', clientId: 'x', clientSecret: '', name: 'Pellwick sign-in', groups: [] },
  });
  try {
    const begun = await askWith(away, '')('POST', '/api/session/provider', {});
    expect(await detailOf(begun)).toEqual([
      503,
      'Pellwick sign-in cannot be reached. Try again in a moment, or sign in by a password.',
    ]);
    expect((await (await signedIn(away, ['viewer'])).ask('GET', '/api/worst-first')).status).toBe(200);
  } finally {
    await away.remove();
  }
});
