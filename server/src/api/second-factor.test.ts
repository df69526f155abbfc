import { Secret, TOTP } from 'otpauth';
import type { SessionStateShape } from '../contract/accounts';
import { askWith, cookieOf, PASSWORD, signedIn } from '../fixtures/signed-in';
import { startTestServer, type TestServer } from '../fixtures/test-server';

const stateAt = async (server: TestServer, cookie: string) =>
  (await (await askWith(server, cookie)('GET', '/api/session')).json()) as SessionStateShape;
const codeOf = (secret: string, ms = Date.now()) =>
  new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: ms });

describe('a second factor', () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startTestServer({ demo: false });
  });
  afterAll(() => server.remove());
  const stateOf = (cookie: string) => stateAt(server, cookie);
  const signIn = (mail: string) => askWith(server, '')('POST', '/api/session', { mail, password: PASSWORD });

  test('is asked for once it was shown to work; each code and each recovery code opens once', async () => {
    const { mail, ask } = await signedIn(server, ['viewer']);
    const { secret } = (await (await ask('POST', '/api/account/second-factor', {})).json()) as { secret: string };
    expect((await ask('POST', '/api/account/second-factor/confirm', { secret, code: '000000' })).status).toBe(400);
    // Nothing has changed until then.
    expect((await stateOf(cookieOf(await signIn(mail)))).who).not.toBeNull();
    const code = codeOf(secret);
    const confirmed = await ask('POST', '/api/account/second-factor/confirm', { secret, code });
    const { codes } = (await confirmed.json()) as { codes: string[] };
    expect(codes).toHaveLength(10);

    const half = cookieOf(await signIn(mail));
    expect(await stateOf(half)).toMatchObject({ who: null, awaitsSecondFactor: true, rights: [] });
    expect((await askWith(server, half)('GET', '/api/worst-first')).status).toBe(401);
    const give = (given: string, cookie = half) =>
      askWith(server, cookie)('POST', '/api/session/second-factor', { code: given });
    // The code that was shown to work was used by that.
    expect((await give(code)).status).toBe(401);
    const whole = await give(codeOf(secret, Date.now() + 30_000));
    expect(whole.status).toBe(200);
    expect((await stateOf(cookieOf(whole))).who).not.toBeNull();

    const again = cookieOf(await signIn(mail));
    expect((await give(codes[0] ?? '', again)).status).toBe(200);
    const third = cookieOf(await signIn(mail));
    expect((await give(codes[0] ?? '', third)).status).toBe(401);
    const [row] = await server.database.query<{ second_factor: string }>(
      'SELECT second_factor FROM account WHERE mail = $1',
      [mail],
    );
    expect(row?.second_factor).not.toContain(secret);
  });

  test('is slowed like passwords; whoever has lost it is let in by an administrator', async () => {
    const admin = await signedIn(server, ['administrator']);
    const { id, mail, ask } = await signedIn(server, ['viewer']);
    const { secret } = (await (await ask('POST', '/api/account/second-factor', {})).json()) as { secret: string };
    await ask('POST', '/api/account/second-factor/confirm', { secret, code: codeOf(secret) });
    const half = cookieOf(await signIn(mail));
    const give = () => askWith(server, half)('POST', '/api/session/second-factor', { code: '000000' });
    const statuses: number[] = [];
    for (let tries = 0; tries < 7; tries++) statuses.push((await give()).status);
    expect(statuses).toEqual([401, 401, 401, 401, 401, 429, 429]);
    expect((await admin.ask('DELETE', `/api/accounts/${id}/second-factor`)).status).toBe(204);
    expect((await stateOf(cookieOf(await signIn(mail)))).who).not.toBeNull();
  });
});

describe('where administrators have to sign in with a second factor', () => {
  let strict: TestServer;
  beforeAll(async () => {
    strict = await startTestServer({ demo: false, secondFactorOf: 'administrators', smtpUrl: 'smtp://127.0.0.1:9' });
  });
  afterAll(() => strict.remove());

  test('they see their own account alone until they have one; others are not asked', async () => {
    const boss = await signedIn(strict, ['administrator']);
    const state = () => stateAt(strict, boss.cookie);
    expect(await state()).toMatchObject({ mustSetUpFactor: true, rights: [] });
    // Nobody is told to ask themselves.
    const refused = await boss.ask('GET', '/api/worst-first');
    expect(refused.status).toBe(403);
    expect(await refused.json()).toMatchObject({
      detail: 'Set up a second factor first, under You: until then you see your own account alone.',
    });
    expect((await boss.ask('GET', '/api/accounts')).status).toBe(403);
    const viewer = await signedIn(strict, ['viewer']);
    expect((await viewer.ask('GET', '/api/worst-first')).status).toBe(200);

    const { secret } = (await (await boss.ask('POST', '/api/account/second-factor', {})).json()) as { secret: string };
    const code = codeOf(secret);
    expect((await boss.ask('POST', '/api/account/second-factor/confirm', { secret, code })).status).toBe(200);
    expect(await state()).toMatchObject({ mustSetUpFactor: false });
    expect((await boss.ask('GET', '/api/accounts')).status).toBe(200);
    // Switched off again, it is asked for again.
    await boss.ask('POST', '/api/account/second-factor/end', { password: PASSWORD });
    expect((await boss.ask('GET', '/api/accounts')).status).toBe(403);
  });

  test('every change of how somebody signs in is told to them by mail, and none has a secret in it', async () => {
    const { mail, ask } = await signedIn(strict, ['viewer']);
    const next = 'seven quiet harbours';
    expect((await ask('POST', '/api/account/password', { current: PASSWORD, next })).status).toBe(200);
    const rows = await strict.database.query<{ address: string; subject: string; text: string }>(
      "SELECT address, message ->> 'subject' AS subject, message ->> 'text' AS text FROM outbox WHERE stage = 'account' AND message ->> 'subject' NOT LIKE '%by a link' ORDER BY made_at",
    );
    expect(rows.map(({ subject }) => subject)).toEqual([
      'Top Lens: your second factor was switched on',
      'Top Lens: your second factor was switched off',
      'Top Lens: your password was changed',
    ]);
    expect(rows.at(-1)?.address).toBe(mail);
    expect(rows.at(-1)?.text).toMatch(/from 127\.0\.0\.1\.\n\nIf you did not do this, tell an administrator at once\./);
    expect(JSON.stringify(rows)).not.toContain(next);
  });
});
