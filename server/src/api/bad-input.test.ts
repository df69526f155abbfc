import { openApi } from '../contract/open-api';
import { startTestServer, type TestServer } from '../fixtures/test-server';

// Whatever is wrong with a request is one sentence that names the field and the way on, and changes nothing.
let server: TestServer;
beforeAll(async () => {
  server = await startTestServer({ personKeys: new Map([['see', 'first support']]), deskToken: 'desk' });
}, 60_000);
afterAll(() => server.remove());

interface ProblemBody {
  type: string;
  title: string;
  status: number;
  detail: string;
  field?: string;
}

const ask = (method: string, path: string, body?: unknown, headers: Record<string, string> = {}) =>
  fetch(`${server.url}${path}`, {
    method,
    headers: { ...(body !== undefined && { 'content-type': 'application/json' }), ...headers },
    ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
  });

async function problemOf(answer: Response): Promise<ProblemBody> {
  expect(answer.headers.get('content-type')).toContain('application/problem+json');
  const problem = (await answer.json()) as ProblemBody;
  expect(problem.status).toBe(answer.status);
  expect(problem.type).toMatch(/^urn:toplens:problem:\w+$/);
  expect(problem.title.length).toBeGreaterThan(5);
  expect(problem.detail.length).toBeGreaterThan(5);
  // What went wrong inside is nobody's business outside.
  expect(problem.detail).not.toMatch(/at \w+ \(|node_modules|SELECT |undefined|NaN|\[object/);
  return problem;
}

describe('questions', () => {
  test.each([
    ['/api/worst-first?last=0', 'last'],
    ['/api/worst-first?last=soon', 'last'],
    ['/api/worst-first?last=99999999', 'last'],
    ['/api/worst-first?from=2026-03-10T10:00:00Z', 'to'],
    ['/api/worst-first?to=2026-03-10T10:00:00Z', 'from'],
    ['/api/worst-first?from=yesterday&to=2026-03-10T10:00:00Z', 'from'],
    ['/api/worst-first?from=2026-03-10T10:00:00Z&to=2026-03-10T09:00:00Z', 'to'],
    ['/api/worst-first?from=2025-01-01T00:00:00Z&to=2026-03-10T09:00:00Z', 'from'],
    ['/api/worst-first?rankBy=luck', 'rankBy'],
    ['/api/worst-first?rates=tomorrow', 'rates'],
    ['/api/worst-first?against=never', 'against'],
    ['/api/worst-first?flow=-3', 'flow'],
    [`/api/worst-first?site=${'x'.repeat(301)}`, 'site'],
    ['/api/flows?last=1.5', 'last'],
    ['/api/estate?last=none', 'last'],
    ['/api/journeys?last=none', 'last'],
    ['/api/journeys/1-2/steps/1?of=nobody', 'of'],
    ['/api/money?last=none', 'last'],
    ['/api/pages?last=none', 'last'],
    ['/api/records?before=1e308', 'before'],
  ])('%s names %s', async (path, field) => {
    const answer = await ask('GET', path);
    expect(answer.status).toBe(400);
    expect(await problemOf(answer)).toMatchObject({ field });
  });

  test('what is wrong is said in words that nobody must know a library for', async () => {
    const detailOf = async (query: string) => (await problemOf(await ask('GET', `/api/worst-first?${query}`))).detail;
    expect(await detailOf('last=soon')).toBe('last: expected a number, got: soon');
    expect(await detailOf('last=1.5')).toBe('last: expected a whole number');
    expect(await detailOf('last=0')).toBe('last: expected at least 1');
    expect(await detailOf('rankBy=luck')).toBe(
      'rankBy: expected one of harm, each, people, money, promises, keyCustomers',
    );
    expect(await detailOf(`from=${'9'.repeat(100)}&to=2026-03-10T10:00:00Z`)).toBe(
      `from: expected a time as 2026-03-10T10:00:00Z, got: ${'9'.repeat(60)}…`,
    );
  });

  test('a number that no column holds is refused by every question that takes a number, and never breaks it', async () => {
    const { paths } = openApi('') as unknown as {
      paths: Record<
        string,
        { get?: { parameters?: { in: string; name: string; schema: { type?: string; anyOf?: { type: string }[] } }[] } }
      >;
    };
    const numbers = Object.entries(paths).flatMap(([path, { get }]) =>
      (get?.parameters ?? []).flatMap(({ in: place, name, schema }) =>
        place === 'query' && [schema, ...(schema.anyOf ?? [])].some(({ type = '' }) => /number|integer/.test(type))
          ? [`${path.replace(/\{\w+\}/g, '1')}?${name}=`]
          : [],
      ),
    );
    expect(numbers).toContain('/api/records.csv?before=');
    for (const path of numbers)
      for (const value of ['1e308', '-1e308', '9007199254740993'])
        expect(`${path}${value} ${(await ask('GET', `${path}${value}`)).status}`).toMatch(/ (200|400|404)$/);
  });

  test.each([
    ['/api/journeys/no-such-way', 'id'],
    ['/api/attempts/x/y', 'traceId'],
  ])('%s cannot be, and that is said of %s', async (path, field) => {
    expect(await problemOf(await ask('GET', path))).toMatchObject({ status: 400, field });
  });

  test.each([
    '/api/incidents/7',
    '/api/incidents/seven',
    '/api/incidents/-1',
    '/api/incidents/9999999999999999999',
    '/api/incidents/7/brief',
    '/api/incidents/7/hosts',
    '/api/incidents/7/logs',
    '/api/incidents/7/hurt',
    '/api/incidents/7/lost-by-tier',
    '/api/flows/7',
    '/api/flows/seven',
    '/api/flows/1e99',
    '/api/flows/7/field',
    '/api/flows/7/path',
    '/api/journeys/7',
    '/api/handoffs/7',
    '/api/handoffs/00000000-0000-4000-8000-000000000000',
    `/api/attempts/${'a'.repeat(32)}/${'b'.repeat(16)}`,
    `/api/attempts/${'a'.repeat(32)}/${'b'.repeat(16)}/hosts`,
    '/api/page-loads/x',
    '/api/nowhere',
    '/v1/nowhere',
  ])('%s does not exist, and that is said', async (path) => {
    const answer = await ask('GET', path);
    expect(answer.status).toBe(404);
    await problemOf(answer);
  });
});

describe('what is asked in another way', () => {
  test.each([
    ['DELETE', '/api/flows', 'GET'],
    ['POST', '/api/flows/1', 'GET'],
    ['GET', '/v1/traces', 'POST'],
    ['PUT', '/api/settings', 'GET, POST'],
  ])('%s %s: 405, with what is allowed (RFC 9110, 15.5.6)', async (method, path, allow) => {
    const answer = await fetch(`${server.url}${path}`, { method });
    expect([answer.status, answer.headers.get('allow')]).toEqual([405, allow]);
    await problemOf(answer);
  });

  test('who is not let in is told how one is (RFC 9110, 15.5.2)', async () => {
    const answer = await ask('POST', '/api/incidents/1/hurt/export', { reason: 'to win them back' });
    expect([answer.status, answer.headers.get('www-authenticate')]).toEqual([401, 'Bearer']);
  });

  test('without its interface the server says at its door how to get it', async () => {
    const answer = await fetch(`${server.url}/`);
    expect([answer.status, await answer.text()]).toEqual([200, expect.stringContaining('npm run build') as string]);
  });
});

describe('changes', () => {
  const rates = (value: unknown) => ({ who: 'Ada', key: 'rates', value });
  test.each<[string, string, unknown, string]>([
    ['no name', '/api/settings', { key: 'rates', value: { money: 1 } }, 'who'],
    ['an empty name', '/api/settings', { ...rates({ money: 1 }), who: '   ' }, 'who'],
    ['a very long name', '/api/settings', { ...rates({ money: 1 }), who: 'x'.repeat(101) }, 'who'],
    ['no key', '/api/settings', { who: 'Ada', value: {} }, 'key'],
    ['a key that nobody knows', '/api/settings', { who: 'Ada', key: 'colour', value: {} }, 'key'],
    ['a rate below none', '/api/settings', rates({ money: -1 }), 'money'],
    ['a rate that is no number', '/api/settings', rates({ money: 'much' }), 'money'],
    ['key customers that count less', '/api/settings', rates({ keyMultiplier: 0.5 }), 'keyMultiplier'],
    [
      'a day that is none',
      '/api/settings',
      { who: 'Ada', key: 'calendar', value: { holidays: ['25.12.2026'], excluded: [] } },
      'holidays[0]',
    ],
    [
      'a limit of nothing',
      '/api/settings',
      { who: 'Ada', key: 'flow\u001fShop\u001fPay', value: { limitMs: 0 } },
      'limitMs',
    ],
    [
      'an importance below none',
      '/api/settings',
      { who: 'Ada', key: 'flow\u001fShop\u001fPay', value: { importance: -1 } },
      'importance',
    ],
    [
      'a name of nothing',
      '/api/settings',
      { who: 'Ada', key: 'flow\u001fShop\u001fPay', value: { name: ' ' } },
      'name',
    ],
    ['a handoff to nobody', '/api/handoffs', { incident: 1, fromMs: 0, toMs: 3_600_000 }, 'team'],
    ['a handoff of nothing', '/api/handoffs', { team: 'Payments', fromMs: 0, toMs: 3_600_000 }, 'incident'],
    [
      'a note without end',
      '/api/handoffs',
      { incident: 1, team: 'Payments', note: 'x'.repeat(10_001), fromMs: 0, toMs: 3_600_000 },
      'note',
    ],
    [
      'a handoff without a key',
      '/api/handoffs',
      { incident: 1, team: 'Payments', fromMs: 0, toMs: 3_600_000 },
      'idempotency-key',
    ],
    ['no decision', '/api/incidents/1/decisions', { who: 'Ada' }, 'what'],
    ['a decision of nobody', '/api/incidents/1/decisions', { what: 'setAside', reason: 'x', untilMs: 1 }, 'who'],
  ])('%s is refused by name', async (_what, path, body, field) => {
    const answer = await ask('POST', path, body);
    expect(answer.status).toBe(400);
    expect(await problemOf(answer)).toMatchObject({ field });
  });

  test('nothing of what was refused was kept', async () => {
    const settings = (await (await ask('GET', '/api/settings')).json()) as { changes: unknown[] };
    expect(settings.changes).toEqual([]);
    const { handoffs } = (await (await ask('GET', '/api/handoffs')).json()) as { handoffs: unknown[] };
    expect(handoffs).toEqual([]);
  });

  test('a body that is no JSON, or far too large, says so', async () => {
    const broken = await ask('POST', '/api/settings', '{"who": "Ada",');
    expect(broken.status).toBe(400);
    expect(await problemOf(broken)).toMatchObject({ field: 'request body' });
    const list = await ask('POST', '/api/settings', []);
    expect(await problemOf(list)).toMatchObject({ status: 400, detail: 'request body: expected an object, got: []' });
    const large = await ask('POST', '/api/settings', { ...rates({ money: 1 }), note: 'x'.repeat(3_000_000) });
    expect(large.status).toBe(413);
    await problemOf(large);
  });

  test('only the desk answers a handoff', async () => {
    const path = '/api/handoffs/00000000-0000-4000-8000-000000000000/answer';
    for (const headers of [{}, { authorization: 'Bearer desk2' }, { authorization: 'desk' }] as Record<
      string,
      string
    >[]) {
      const answer = await ask('POST', path, { answer: 'taken' }, headers);
      expect(answer.status).toBe(403);
      expect(await problemOf(answer)).toMatchObject({ field: 'authorization' });
    }
    const reasonless = await ask('POST', path, { answer: 'returned' }, { authorization: 'Bearer desk' });
    expect(await problemOf(reasonless)).toMatchObject({ status: 400, field: 'reason' });
    expect((await ask('POST', path, { answer: 'taken' }, { authorization: 'Bearer desk' })).status).toBe(404);
  });
});

describe('an undo', () => {
  test('takes the newest change of a setting back, and no other', async () => {
    const change = async (money: number) =>
      (await (await ask('POST', '/api/settings', { who: 'Ada', key: 'rates', value: { money } })).json()) as {
        changes: { id: number }[];
      };
    const first = (await change(1)).changes[0]?.id;
    const second = (await change(2)).changes[0]?.id;
    const undo = (id: unknown) => ask('POST', `/api/settings/changes/${String(id)}/undo`, { who: 'Ben' });
    expect(await problemOf(await undo(first))).toMatchObject({ status: 409, field: 'id' });
    expect(await problemOf(await undo(999_999))).toMatchObject({ status: 404 });
    expect(await problemOf(await undo('last'))).toMatchObject({ status: 404 });
    const undone = await undo(second);
    expect(undone.status).toBe(201);
    expect(await undone.json()).toMatchObject({ rates: { money: 1 } });
  });
});
