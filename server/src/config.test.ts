import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readConfig, startWarnings } from './config';
import { projectRoot } from './project-root';

const read = (env: Record<string, string>) => readConfig(env);

test('without any variable the defaults of the README hold', () => {
  expect(read({})).toMatchObject({
    host: '127.0.0.1',
    port: 4400,
    demo: false,
    maxBodyBytes: 16 * 1024 * 1024,
    maxBacklogRecords: 120_000,
    publicUrl: 'http://127.0.0.1:4400',
    logLevel: 'info',
    keepSpansHours: 48,
    keepAttemptsDays: 35,
    usualTracesAMinute: 600,
    deskUrl: '',
  });
  expect(read({}).dataDir).toBe(join(projectRoot(), 'data'));
  expect(read({ TOPLENS_PORT: '' }).port).toBe(4400);
});

test('what is set is taken: keys by name, folders from the root, no app', () => {
  const config = read({
    TOPLENS_PORT: '5000',
    TOPLENS_INGEST_KEYS: 'shop=a, depot =b',
    TOPLENS_PERSON_KEYS: 'desk=c=d',
    TOPLENS_PHONE_KEYS: 'round-app=p',
    TOPLENS_DATA: 'elsewhere',
    TOPLENS_APP: '',
  });
  expect([...config.ingestKeys]).toEqual([
    ['a', 'shop'],
    ['b', 'depot'],
  ]);
  // A key may hold an equals sign, as base64 does; a name may not.
  expect([...config.personKeys]).toEqual([['c=d', 'desk']]);
  expect([...config.phoneKeys]).toEqual([['p', 'round-app']]);
  expect(config.dataDir).toBe(join(projectRoot(), 'elsewhere'));
  expect(config.appDir).toBe('');
  expect(config.publicUrl).toBe('http://127.0.0.1:5000');
});

test('a mistyped variable is told at the start, and that nobody can send', () => {
  expect(startWarnings({ TOPLENS_DEMO: '1', TOPLENS_PORT: '0', TOPLENS_SCENARIO_SEED: '7', PATH: '/bin' })).toEqual([]);
  expect(startWarnings({ TOPLENS_INGST_KEYS: 'shop=a' })).toEqual([
    'TOPLENS_INGST_KEYS is no variable of Top Lens and is not read; the README lists them all',
    'no key is set up, so nothing can send: TOPLENS_INGEST_KEYS=name=secret lets services send',
  ]);
  expect(startWarnings({ TOPLENS_INGEST_KEYS: 'shop=a' })).toEqual([]);
});

test('the ports of OpenTelemetry are open unless they are 0', () => {
  expect(read({}).otlpPorts).toEqual({ grpc: 4317, http: 4318 });
  expect(read({ TOPLENS_OTLP_GRPC_PORT: '0', TOPLENS_OTLP_HTTP_PORT: '5318' }).otlpPorts).toEqual({
    grpc: undefined,
    http: 5318,
  });
});

test('keys of pages carry their origins', () => {
  const { browserKeys } = read({
    TOPLENS_BROWSER_KEYS:
      'shop-pages=k1@https://shop.example|https://m.shop.example:8443, depot=k2@http://localhost:3000',
  });
  expect(browserKeys.get('k1')).toEqual({
    component: 'shop-pages',
    origins: ['https://shop.example', 'https://m.shop.example:8443'],
  });
  expect(browserKeys.get('k2')).toEqual({ component: 'depot', origins: ['http://localhost:3000'] });
});

test.each([
  [{ TOPLENS_PORT: '70000' }, 'TOPLENS_PORT: expected a whole number from 0 to 65535, got: 70000'],
  [{ TOPLENS_PORT: '44.5' }, 'TOPLENS_PORT: expected a whole number'],
  [{ TOPLENS_MAX_BODY_MB: 'many' }, 'TOPLENS_MAX_BODY_MB: expected a whole number from 1 to 1024, got: many'],
  [{ TOPLENS_KEEP_SPANS_HOURS: '0' }, 'TOPLENS_KEEP_SPANS_HOURS: expected a whole number from 1'],
  [{ TOPLENS_MAX_STATEMENT: '63' }, 'TOPLENS_MAX_STATEMENT: expected a whole number from 64 to 100000, got: 63'],
  [{ TOPLENS_SECOND_FACTOR: 'me' }, 'TOPLENS_SECOND_FACTOR: expected nobody, administrators, everybody, got: me'],
  [{ TOPLENS_INGEST_KEYS: 'nokey' }, 'TOPLENS_INGEST_KEYS: expected name=key'],
  [{ TOPLENS_PERSON_KEYS: 'desk=' }, 'TOPLENS_PERSON_KEYS: expected name=key'],
  [{ TOPLENS_BROWSER_KEYS: 'shop=k1' }, 'TOPLENS_BROWSER_KEYS: expected component=key@https://page.example'],
  [{ TOPLENS_BROWSER_KEYS: 'shop=k1@https://shop.example/path' }, 'TOPLENS_BROWSER_KEYS: expected component=key@'],
  [{ TOPLENS_BROWSER_KEYS: 'shop=k1@shop.example' }, 'TOPLENS_BROWSER_KEYS: expected component=key@'],
] as [Record<string, string>, string][])('%j is refused by its name', (env, words) => {
  expect(() => read(env)).toThrow(words);
});

test('outside a checkout the server says where to start it', () => {
  expect(() => projectRoot(mkdtempSync(join(tmpdir(), 'toplens-')))).toThrow('start the server from its checkout');
});

describe('a provider to sign in with', () => {
  const OIDC = { TOPLENS_OIDC_ISSUER: 'https://sign-in.pellwick.example', TOPLENS_OIDC_CLIENT_ID: 'top-lens' };

  test('is known by its address, with what groups give', () => {
    expect(read({}).provider).toBeUndefined();
    expect(read({ ...OIDC, TOPLENS_OIDC_GROUPS: '*=viewer, portal=owner:Sender Portal' }).provider).toEqual({
      issuer: 'https://sign-in.pellwick.example',
      clientId: 'top-lens',
      clientSecret: '',
      name: 'sign-in.pellwick.example',
      groups: [
        { group: '*', role: 'viewer', of: '' },
        { group: 'portal', role: 'owner', of: 'Sender Portal' },
      ],
    });
  });

  test.each([
    [{ TOPLENS_OIDC_ISSUER: 'http://sign-in.pellwick.example' }, 'TOPLENS_OIDC_ISSUER'],
    [{ TOPLENS_OIDC_CLIENT_ID: '' }, 'TOPLENS_OIDC_CLIENT_ID'],
    [{ TOPLENS_OIDC_GROUPS: 'portal=owner' }, 'TOPLENS_OIDC_GROUPS'],
    [{ TOPLENS_OIDC_GROUPS: 'duty=king' }, 'TOPLENS_OIDC_GROUPS'],
    [{ TOPLENS_OIDC_GROUPS: 'duty=viewer:Sender Portal' }, 'TOPLENS_OIDC_GROUPS'],
  ])('%j cannot be used', (wrong, variable) => {
    expect(() => read({ ...OIDC, ...wrong })).toThrow(variable);
  });
});
