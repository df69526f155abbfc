import { HOUR_MS } from '@toplens/core/time';
import { askWith, cookieOf, PASSWORD, signedIn, type SignedIn } from '../fixtures/signed-in';
import { freePort } from '../fixtures/free-port';
import { startTestServer, type TestServer } from '../fixtures/test-server';
import type { SessionStateShape } from '../contract/accounts';

const INES = 'ines.moor@pellwick.example';
let server: TestServer;
let admin: SignedIn;
beforeAll(async () => {
  server = await startTestServer({ demo: false });
  admin = await signedIn(server, ['administrator'], 'Ines Moor');
});
afterAll(() => server.remove());

const stranger = () => askWith(server, '');
const stateOf = async (cookie: string) =>
  (await (await askWith(server, cookie)('GET', '/api/session')).json()) as SessionStateShape;
const detailOf = async (response: Response) => [
  response.status,
  ((await response.json()) as { detail: string }).detail,
];
const signIn = (mail: string, password: string, cookie = '') =>
  askWith(server, cookie)('POST', '/api/session', { mail, password });

describe('the first start', () => {
  test('tells a link by which one person becomes the administrator, once', async () => {
    const written: string[] = [];
    const write = jest.spyOn(process.stdout, 'write').mockImplementation((text) => (written.push(String(text)), true));
    const fresh = await startTestServer({ demo: false });
    write.mockRestore();
    try {
      const token = /\/welcome\/(\S+)/.exec(written.join(''))?.[1] ?? '';
      const ask = askWith(fresh, '');
      expect(await (await ask('GET', `/api/account-links/${token}`)).json()).toEqual({
        isFirst: true,
        name: '',
        mail: '',
      });
      const weak = await ask('POST', `/api/account-links/${token}`, {
        name: 'Ines Moor',
        mail: 'i@p.example',
        password: 'short',
      });
      expect(await detailOf(weak)).toEqual([400, 'A password is at least 15 characters long.']);
      expect((await ask('POST', `/api/account-links/${token}`, { password: PASSWORD })).status).toBe(400);
      const made = await ask('POST', `/api/account-links/${token}`, {
        name: 'Ines Moor',
        mail: 'Ines.Moor@pellwick.example',
        password: PASSWORD,
      });
      const state = (await made.json()) as SessionStateShape;
      expect(state.who?.name).toBe('Ines Moor');
      expect(state.rights).toContain('accounts');
      expect(state.rights).not.toContain('persons');
      // Once: the link of a second person opens nothing.
      expect((await ask('GET', `/api/account-links/${token}`)).status).toBe(404);
      expect(
        (await ask('POST', '/api/session', { mail: 'ines.moor@pellwick.example', password: PASSWORD })).status,
      ).toBe(200);
    } finally {
      await fresh.remove();
    }
  });

  test('tells another one, when whoever runs it asks for it, to let somebody in who is locked out', async () => {
    const started = async (newAdministrator: boolean, dataDir?: string) => {
      const written: string[] = [];
      const write = jest
        .spyOn(process.stdout, 'write')
        .mockImplementation((text) => (written.push(String(text)), true));
      const one = await startTestServer({ demo: false, newAdministrator, ...(dataDir !== undefined && { dataDir }) });
      write.mockRestore();
      return { one, token: /\/welcome\/(\S+)/.exec(written.join(''))?.[1] ?? '' };
    };
    const first = await started(false);
    await signedIn(first.one, ['administrator']);
    await first.one.close();
    const again = await started(false, first.one.dataDir);
    expect(again.token).toBe('');
    await again.one.close();
    const helped = await started(true, first.one.dataDir);
    try {
      const body = { name: 'Kit Lowe', mail: 'kit@pellwick.example', password: PASSWORD };
      expect((await askWith(helped.one, '')('POST', `/api/account-links/${helped.token}`, body)).status).toBe(200);
      expect((await askWith(helped.one, '')('GET', `/api/account-links/${helped.token}`)).status).toBe(404);
    } finally {
      await helped.one.remove();
    }
  });
});

describe('a sign-in', () => {
  test('opens what the roles allow, under a cookie that no script and no other page reads', async () => {
    const { mail } = await signedIn(server, ['viewer'], 'Rowan Teal');
    const answer = await signIn(mail.toUpperCase(), PASSWORD);
    expect(answer.headers.get('set-cookie')).toMatch(/^toplens=[^;]+; Path=\/; HttpOnly; SameSite=Lax$/);
    const state = await stateOf(cookieOf(answer));
    expect(state).toMatchObject({ who: { name: 'Rowan Teal' }, rights: ['look'], isVisitor: false, visitors: [] });
    expect((state.endsMs ?? 0) - Date.now()).toBeGreaterThan(11 * HOUR_MS);
  });

  test('that fails says the same whether somebody has that address or not, and takes as long', async () => {
    const { mail } = await signedIn(server, ['viewer']);
    const timed = async (address: string) => {
      const begin = performance.now();
      const told = await detailOf(await signIn(address, 'lantern gravel lantern'));
      return { told, ms: performance.now() - begin };
    };
    const [known, unknown] = [await timed(mail), await timed('nobody@pellwick.example')];
    expect(known.told).toEqual([401, 'The mail address or the password is not right.']);
    expect(unknown.told).toEqual(known.told);
    // The password is derived in both cases: that is nearly all of the time.
    expect(unknown.ms).toBeGreaterThan(known.ms / 4);
  });

  test('is slowed after five wrong passwords, for the known and the unknown alike, also after a start', async () => {
    const { mail } = await signedIn(server, ['viewer']);
    for (const address of [mail, 'unknown@pellwick.example']) {
      // Many at the same moment count each.
      const tries = await Promise.all(Array.from({ length: 9 }, () => signIn(address, 'lantern gravel lantern')));
      expect(tries.map(({ status }) => status).sort()).toEqual([401, 401, 401, 401, 401, 429, 429, 429, 429]);
      const slowed = await signIn(address, PASSWORD);
      expect(slowed.status).toBe(429);
      expect(Number(slowed.headers.get('retry-after'))).toBeGreaterThan(0);
    }
    const kept = await server.database.query<{ failures: number }>('SELECT failures FROM sign_in_failure');
    expect(kept.filter(({ failures }) => failures === 5).length).toBeGreaterThanOrEqual(2);
    // No address stands there in the open.
    expect(JSON.stringify(await server.database.query('SELECT * FROM sign_in_failure'))).not.toContain('@');
  });

  test('gives the browser another secret than before: one that was planted is worth nothing', async () => {
    const { mail, cookie } = await signedIn(server, ['viewer']);
    const answer = await signIn(mail, PASSWORD, cookie);
    expect(cookieOf(answer)).not.toBe(cookie);
    expect((await stateOf(cookie)).who).toBeNull();
    expect((await stateOf(cookieOf(answer))).who).not.toBeNull();
  });

  test('keeps no password, cookie or link in the open', async () => {
    const { cookie } = await signedIn(server, ['viewer']);
    const id =
      decodeURIComponent(cookie)
        .replace(/^toplens=s:/, '')
        .split('.')[0] ?? '';
    expect(id.length).toBeGreaterThan(20);
    const tables = ['account', 'account_link', 'session', 'audit_record'];
    const rows = await Promise.all(tables.map((table) => server.database.query(`SELECT * FROM ${table}`)));
    const all = JSON.stringify(rows);
    expect(all).toContain('scrypt$');
    for (const secret of [PASSWORD, id]) expect(all).not.toContain(secret);
    // The link's secret stands in its address, which is recorded without it.
    expect(all).toContain('/api/account-links/…');
  });

  test('ends by signing out, here and everywhere', async () => {
    const { mail, ask } = await signedIn(server, ['viewer']);
    const there = cookieOf(await signIn(mail, PASSWORD));
    const own = (await (await ask('GET', '/api/account')).json()) as {
      sessions: { isThis: boolean; address: string }[];
    };
    expect(own.sessions.map(({ isThis }) => isThis).sort()).toEqual([false, true]);
    expect(own.sessions[0]?.address).toContain('127.0.0.1');
    expect((await ask('DELETE', '/api/account/sessions')).status).toBe(204);
    expect((await stateOf(there)).who).toBeNull();
    expect((await ask('DELETE', '/api/session')).status).toBe(200);
    expect((await ask('GET', '/api/worst-first')).status).toBe(401);
  });

  test('lasts over a start, and no longer than it should', async () => {
    const { cookie, id } = await signedIn(server, ['viewer']);
    const now = jest.spyOn(Date, 'now');
    const real = Date.now();
    try {
      now.mockReturnValue(real + HOUR_MS);
      expect((await stateOf(cookie)).who).not.toBeNull();
      now.mockReturnValue(real + 4 * HOUR_MS);
      expect((await stateOf(cookie)).who).toBeNull();
    } finally {
      now.mockRestore();
    }
    const rows = await server.database.query('SELECT * FROM session WHERE account = $1', [id]);
    expect(rows).toHaveLength(1);
  });
});

describe('behind a proxy that speaks HTTPS', () => {
  const body = { mail: INES, password: PASSWORD };
  const signInThrough = async (proxies: number) => {
    const behind = await startTestServer({
      demo: false,
      port: await freePort(),
      publicUrl: 'https://lens.example',
      proxies,
    });
    try {
      const direct = askWith(behind, '');
      const { id } = await behind.accounts.add(
        { name: 'Ines Moor', mail: INES, password: '', subject: '' },
        [],
        Date.now(),
      );
      const { token } = await behind.accounts.link(id, Date.now());
      await direct('POST', `/api/account-links/${token}`, { password: PASSWORD });
      return await fetch(`${behind.url}/api/session`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', 'x-forwarded-proto': 'https' },
        body: JSON.stringify(body),
      });
    } finally {
      await behind.remove();
    }
  };

  test('the cookie is bound to this server and to HTTPS', async () => {
    const answer = await signInThrough(1);
    expect([answer.status, answer.headers.get('set-cookie')]).toEqual([
      200,
      expect.stringMatching(/^__Host-toplens=[^;]+; Path=\/; HttpOnly; Secure; SameSite=Lax$/),
    ]);
  });

  test('a proxy that is not known to stand there is said, where the cookie would be lost', async () => {
    const answer = await signInThrough(0);
    expect([answer.status, await answer.text()]).toEqual([409, expect.stringContaining('TOPLENS_PROXIES=1')]);
  });
});

describe('an account', () => {
  test('is given with a link, changed, and ended at once', async () => {
    const given = await admin.ask('POST', '/api/accounts', {
      name: 'Kit Lowe',
      mail: 'kit@pellwick.example',
      grants: [{ role: 'support' }],
    });
    const { account, url } = (await given.json()) as { account: number; url: string };
    expect(given.status).toBe(201);
    const token = url.split('/').at(-1) ?? '';
    expect(await (await stranger()('GET', `/api/account-links/${token}`)).json()).toMatchObject({
      name: 'Kit Lowe',
      isFirst: false,
    });
    const chosen = await stranger()('POST', `/api/account-links/${token}`, { password: PASSWORD });
    const kit = cookieOf(chosen);
    expect((await stateOf(kit)).rights).toContain('decide');
    expect((await stranger()('POST', `/api/account-links/${token}`, { password: `${PASSWORD} again` })).status).toBe(
      404,
    );

    const give = (body: object) => admin.ask('POST', `/api/accounts/${account}`, body);
    expect((await give({ grants: [{ role: 'owner', of: 'Sender Portal' }] })).status).toBe(200);
    expect((await stateOf(kit)).rights).toContain('judge');
    expect((await give({ grants: [], isEnded: true })).status).toBe(200);
    expect((await stateOf(kit)).who).toBeNull();
    expect((await signIn('kit@pellwick.example', PASSWORD)).status).toBe(401);
    const { records } = (await (await admin.ask('GET', '/api/records?find=Sender%20Portal')).json()) as {
      records: { who: string; detail: string }[];
    };
    expect(records[0]).toMatchObject({ who: 'Ines Moor' });
    expect(JSON.parse(records[0]?.detail ?? '')).toMatchObject({
      before: { grants: [{ role: 'owner' }] },
      isEnded: true,
    });
  });

  test.each([
    [{ name: '', mail: 'a@b.example', grants: [] }, 'name'],
    [{ name: 'A', mail: 'no address', grants: [] }, 'mail'],
    [{ name: 'A', mail: 'a@b.example', grants: [{ role: 'king' }] }, 'grants[0].role'],
    [{ name: 'A', mail: 'a@b.example', grants: [{ role: 'owner' }] }, 'grants[0].of'],
    [{ name: 'A', mail: 'a@b.example', grants: [{ role: 'viewer', of: 'x' }] }, 'grants[0].of'],
    [{ name: 'A', mail: 'a@b.example', grants: [{ role: 'viewer' }, { role: 'viewer' }] }, 'grants'],
    [{ name: 'A', mail: INES, grants: [] }, 'mail'],
    [{ name: 'ines moor', mail: 'other@pellwick.example', grants: [] }, 'name'],
  ])('%j is refused at %s', async (body, field) => {
    const answer = await admin.ask('POST', '/api/accounts', body);
    expect([400, 409]).toContain(answer.status);
    expect(((await answer.json()) as { field: string }).field).toBe(field);
  });

  test('the last administrator stays one', async () => {
    const others = server.accounts.all.filter(
      ({ id, grants }) => id !== admin.id && grants.some(({ role }) => role === 'administrator'),
    );
    expect(others).toEqual([]);
    for (const body of [
      { grants: [] },
      { grants: [{ role: 'administrator' }], isEnded: true },
      { grants: [{ role: 'administrator', untilMs: Date.now() + HOUR_MS }] },
    ])
      expect(await detailOf(await admin.ask('POST', `/api/accounts/${admin.id}`, body))).toEqual([
        409,
        'This is the last administrator: make somebody else one first.',
      ]);
  });

  test('changes its password, and signs out everywhere else by it', async () => {
    const { mail, ask, cookie } = await signedIn(server, ['viewer']);
    const there = cookieOf(await signIn(mail, PASSWORD));
    const change = (current: string, next: string) => ask('POST', '/api/account/password', { current, next });
    expect((await change('lantern gravel lantern', 'seven quiet harbours')).status).toBe(400);
    expect((await change(PASSWORD, 'passwordpassword')).status).toBe(400);
    const changed = await change(PASSWORD, 'seven quiet harbours');
    expect(changed.status).toBe(200);
    for (const old of [there, cookie]) expect((await stateOf(old)).who).toBeNull();
    expect((await stateOf(cookieOf(changed))).who).not.toBeNull();
    expect((await signIn(mail, PASSWORD)).status).toBe(401);
    expect((await signIn(mail, 'seven quiet harbours')).status).toBe(200);
  });
});

test('a password chosen by a link of an administrator ends what the one before opened', async () => {
  const { mail, cookie, id } = await signedIn(server, ['viewer']);
  const tryOnce = (password: string) => server.accounts.signIn(mail, password, Date.now());
  for (let i = 0; i < 5; i++) expect(await tryOnce(`lantern gravel lantern ${i}`)).toBeUndefined();
  await expect(tryOnce(PASSWORD)).rejects.toThrow('Too many wrong tries');
  const { url } = (await (await admin.ask('POST', `/api/accounts/${id}/link`)).json()) as { url: string };
  expect((await stateOf(cookie)).who).not.toBeNull();
  const next = 'seven quiet harbours';
  const chosen = await stranger()('POST', `/api/account-links/${url.split('/').at(-1) ?? ''}`, { password: next });
  expect(chosen.status).toBe(200);
  expect((await stateOf(cookie)).who).toBeNull();
  expect((await stateOf(cookieOf(chosen))).who).not.toBeNull();
  // What was tried on the one before is forgotten.
  expect(await tryOnce(next)).toMatchObject({ id });
});

test('nobody visits where there is no demo', async () => {
  expect((await stranger()('POST', '/api/session/visitor', { account: admin.id })).status).toBe(403);
  expect((await stateOf('')).visitors).toEqual([]);
});

describe('a demo', () => {
  let demo: TestServer;
  beforeAll(async () => {
    demo = await startTestServer({ demo: true });
  });
  afterAll(() => demo.remove());
  const here = (headers: Record<string, string> = {}) => fetch(`${demo.url}/api/session`, { headers });

  test('is open to visitors on its own machine, as whom they like; not through a proxy', async () => {
    const { id } = await demo.accounts.add(
      { name: 'Rowan Teal', mail: 'rowan@pellwick.example', password: '', subject: '' },
      [{ role: 'owner', of: 'Sender Portal', untilMs: null }],
      Date.now(),
    );
    const state = (await (await here()).json()) as SessionStateShape;
    expect(state).toMatchObject({ who: null, isVisitor: true });
    expect(state.rights).not.toContain('persons');
    expect(state.visitors).toEqual([{ id, name: 'Rowan Teal', roles: ['Application owner of Sender Portal'] }]);
    const visit = await askWith(demo, '')('POST', '/api/session/visitor', { account: id });
    expect(((await visit.json()) as SessionStateShape).who?.name).toBe('Rowan Teal');
    for (const header of ['x-forwarded-for', 'forwarded', 'via', 'x-real-ip'])
      expect(await (await here({ [header]: '10.0.0.7' })).json()).toMatchObject({
        isVisitor: false,
        rights: [],
        visitors: [],
      });
    expect((await fetch(`${demo.url}/api/worst-first`, { headers: { 'x-forwarded-for': '10.0.0.7' } })).status).toBe(
      401,
    );
  });
});
