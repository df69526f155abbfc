import { RIGHTS_OF, ROLES, SCOPE_OF, type Role } from '@toplens/core/access';
import { HOUR_MS } from '@toplens/core/time';
import { openApi } from '../contract/open-api';
import { askWith, signedIn, type SignedIn } from '../fixtures/signed-in';
import { startTestServer, type TestServer } from '../fixtures/test-server';
import { insertHandoff } from '../store/handoffs';
import { listedOperations, needOf, rightOfSetting } from './needs';

let server: TestServer;
const people = new Map<string, SignedIn>();
const of = (name: string) => people.get(name) as SignedIn;
const HANDOFF = '5f0c7d52-3f33-4f4e-9a44-2f3f0a4b9d10';

beforeAll(async () => {
  server = await startTestServer({ demo: false, personKeys: new Map([['a-key', 'first support']]) });
  for (const role of ROLES) people.set(role, await signedIn(server, [{ role, of: SCOPE_OF[role] ? 'Payments' : '' }]));
  people.set('nothing', await signedIn(server, []));
  people.set('expired', await signedIn(server, [{ role: 'administrator', untilMs: Date.now() + HOUR_MS }]));
  const { id } = of('expired');
  await server.database.query('UPDATE account_grant SET until_ms = 1 WHERE account = $1', [id]);
  await server.accounts.load();
  await server.database.query(
    "INSERT INTO incident (id, onset_ms, end_ms, active, parts) VALUES (1, 0, 1, false, '[]')",
  );
  await server.database.transaction(
    insertHandoff({
      id: HANDOFF,
      incident: 1,
      team: 'Payments',
      note: '',
      brief: { title: 'Pay is slow' } as never,
      markdown: '',
      idempotencyKey: 'one',
      state: 'kept',
      purpose: 'origin',
      priority: 1,
      detectedMs: 0,
    } as never),
  );
});
afterAll(() => server.remove());

interface Operation {
  id: string;
  method: string;
  path: string;
}
const operations = Object.entries(
  openApi('https://lens.example').paths as Record<string, Record<string, { operationId: string }>>,
).flatMap(([path, methods]) =>
  Object.entries(methods).map(([method, { operationId }]): Operation => ({
    id: operationId,
    method: method.toUpperCase(),
    // Of nothing that exists: what is allowed finds nothing there.
    path: path.replace(/\{[^}]+\}/g, '999'),
  })),
);
/** Those that look at the account of who asks. */
const guarded = operations.filter(({ id }) => !['nobody', 'key', undefined].includes(needOf(id)));
const DENIED = new Set([401, 403]);
const isDenied = async (ask: SignedIn['ask'], { method, path }: Operation): Promise<boolean> => {
  const { status, body } = await ask(method, path, method === 'POST' ? {} : undefined);
  await body?.cancel();
  return DENIED.has(status);
};

test('every operation has a row, and every row an operation', () => {
  const ids = new Set(operations.map(({ id }) => id));
  expect(listedOperations().filter((id) => !ids.has(id))).toEqual([]);
  expect(operations.filter(({ id }) => needOf(id) === undefined)).toEqual([]);
  expect(guarded.length).toBeGreaterThan(90);
});

test('without a session nothing is told, and nothing changed', async () => {
  const stranger = askWith(server, '');
  const forged = askWith(server, 'toplens=s%3Aforged.signature');
  const open: string[] = [];
  for (const one of guarded)
    for (const ask of [stranger, forged]) if (!(await isDenied(ask, one))) open.push(`${one.method} ${one.path}`);
  expect(open).toEqual([]);
});

/** What needs more than to look, by hand: who else may is everybody whose role is not in it. */
test.each(ROLES)('a %s may what their role says, on every route, and nothing else', async (role: Role) => {
  const wrong: string[] = [];
  for (const one of guarded) {
    const need = needOf(one.id) as string;
    // A setting that nobody knows needs the right to all settings.
    const may = need === 'own' || (RIGHTS_OF[role].everywhere as readonly string[]).includes(need);
    if ((await isDenied(of(role).ask, one)) === may) wrong.push(`${one.method} ${one.path} (${need})`);
  }
  expect(wrong).toEqual([]);
});

test.each(['nothing', 'expired'])('whose roles are over, or who has %s, sees their own account alone', async (name) => {
  const open: string[] = [];
  for (const one of guarded) if (!(await isDenied(of(name).ask, one))) open.push(one.id);
  expect(open.sort()).toEqual(guarded.flatMap(({ id }) => (needOf(id) === 'own' ? [id] : [])).sort());
});

test('a path is no other for its letters, its end, or a HEAD', async () => {
  for (const [method, path] of [
    ['GET', '/api/Records'],
    ['GET', '/api/records/'],
    ['HEAD', '/api/records'],
    ['GET', '/API/records.csv'],
    ['POST', '/api/Settings/'],
  ] as const) {
    const { status } = await of('viewer').ask(
      method,
      path,
      method === 'POST' ? { key: 'currency', value: 'GBP' } : undefined,
    );
    expect([method, path, status]).toEqual([method, path, 403]);
  }
  // What is not described is nowhere.
  expect((await of('administrator').ask('GET', '/api/nothing-here')).status).toBe(404);
});

test('what is about another team or application is denied, and whom to ask is told', async () => {
  const member = of('team').ask;
  expect((await member('POST', `/api/handoffs/${HANDOFF}/accept`, {})).status).not.toBe(403);
  await server.database.query("UPDATE handoff SET team = 'Portal' WHERE id = $1", [HANDOFF]);
  const denied = await member('POST', `/api/handoffs/${HANDOFF}/accept`, {});
  expect([denied.status, ((await denied.json()) as { detail: string }).detail]).toEqual([
    403,
    `You may not accept and answer handoffs here. Ask somebody of support (${of('support').name}) or an administrator (${of('administrator').name}).`,
  ]);

  const owner = of('owner').ask;
  const change = (application: string) =>
    owner('POST', '/api/settings', { key: `flow\u001f${application}\u001fPOST /pay`, value: { limitMs: 900 } });
  expect((await change('Payments')).status).toBe(201);
  expect((await change('Sender Portal')).status).toBe(403);
  expect((await owner('POST', '/api/settings', { key: 'currency', value: 'GBP' })).status).toBe(403);
  expect((await owner('POST', '/api/settings', { key: 'boards', value: null })).status).toBe(403);
  const { changes } = (await (await owner('GET', '/api/settings')).json()) as {
    changes: { id: number; who: string }[];
  };
  // Under it stands who is signed in.
  expect(changes[0]?.who).toBe(of('owner').name);
  expect((await of('support').ask('POST', `/api/settings/changes/${changes[0]?.id}/undo`, {})).status).toBe(403);
  expect((await owner('POST', `/api/settings/changes/${changes[0]?.id}/undo`, {})).status).toBe(201);
});

test('which right a setting needs is told by its key', () => {
  expect(rightOfSetting('boards').right).toBe('share');
  expect(rightOfSetting('rates')).toEqual({ right: 'settings', application: undefined });
  expect(rightOfSetting('flow\u001fSender Portal\u001fPOST /pay')).toEqual({
    right: 'judge',
    application: 'Sender Portal',
  });
  expect(rightOfSetting('journey\u001fPay\u001fx')).toEqual({ right: 'judge', application: undefined });
  expect(rightOfSetting('undefined').right).toBe('settings');
});

test('the address of a webhook is told to those alone who may change it', async () => {
  const receivers = [{ name: 'Duty desk', webhook: 'https://chat.example/secret' }];
  const { ask } = of('administrator');
  expect((await ask('POST', '/api/settings', { key: 'receivers', value: receivers })).status).toBe(201);
  const told = async (name: string) => JSON.stringify(await (await of(name).ask('GET', '/api/settings')).json());
  expect(await told('administrator')).toContain('chat.example/secret');
  for (const name of ['viewer', 'support', 'owner']) {
    expect(await told(name)).toContain('Duty desk');
    expect(await told(name)).not.toContain('chat.example/secret');
  }
});

test('nobody signs a change with the name of somebody else', async () => {
  const { ask, name } = of('administrator');
  expect((await ask('POST', '/api/settings', { who: 'the boss', key: 'currency', value: 'GBP' })).status).toBe(201);
  const { records } = (await (await ask('GET', '/api/records?find=GBP')).json()) as { records: { who: string }[] };
  expect(records[0]?.who).toBe(name);
});

test('what is denied to somebody is recorded; who sends without a session fills no disk', async () => {
  const count = async () =>
    (await server.database.query<{ n: number }>('SELECT count(*)::int AS n FROM audit_record'))[0]?.n ?? 0;
  const before = await count();
  await askWith(server, '')('POST', '/api/settings', { who: 'x', key: 'currency', value: 'GBP' });
  expect(await count()).toBe(before);
  await of('viewer').ask('GET', '/api/records');
  expect(await count()).toBe(before + 1);
  const { records } = (await (await of('administrator').ask('GET', '/api/records')).json()) as {
    records: { who: string; what: string }[];
  };
  expect(records[0]).toMatchObject({ who: of('viewer').name, what: 'Denied: Who did what, newest first' });
});

test('persons are seen by who has that right, or a key; whoever administers does not by that', async () => {
  const find = { find: 'nobody-known', why: 'a ticket of theirs' };
  expect((await of('persons').ask('POST', '/api/people/find', find)).status).toBe(404);
  expect((await of('administrator').ask('POST', '/api/people/find', find)).status).toBe(403);
  const byKey = await fetch(`${server.url}/api/people/find`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', authorization: 'Bearer a-key' },
    body: JSON.stringify(find),
  });
  expect(byKey.status).toBe(404);
  const { looks } = (await (await of('administrator').ask('GET', '/api/person-looks')).json()) as {
    looks: { who: string }[];
  };
  expect(looks.map(({ who }) => who)).toEqual(['first support', of('persons').name]);
});
