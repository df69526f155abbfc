import { scryptSync } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Secret, TOTP } from 'otpauth';
import { InstallationKeys } from './installation-keys';
import { hashPassword, isPassword, whyWeak } from './passwords';
import { newRecoveryCodes, newSecondFactor, recoveryHash, stepOf } from './second-factor';

describe('passwords', () => {
  test('are derived as RFC 7914 says (test vectors of its section 12)', () => {
    const hex = (N: number, r: number, p: number, password: string, salt: string) =>
      scryptSync(password, salt, 64, { N, r, p, maxmem: 256 * N * r }).toString('hex');
    expect(hex(16, 1, 1, '', '')).toBe(
      '77d6576238657b203b19ca42c18a0497f16b4844e3074ae8dfdffa3fede21442fcd0069ded0948f8326a753a0fc81f17e8d3e0fb2e0d3628cf35e20c38d18906',
    );
    expect(hex(1024, 8, 16, 'password', 'NaCl')).toBe(
      'fdbabe1c9d3472007856e7190d01e9fe7c6ad7cbc8237830e77376634b3731622eaf30d92e22a3886ff109279d9830dac727afb94a83ee6d8360cbdfa2cc0640',
    );
  });

  test('are kept so that nobody reads them, and are found again however they are typed', async () => {
    const kept = await hashPassword('café lantern gravel');
    expect(kept).toMatch(/^scrypt\$32768\$8\$3\$/);
    expect(kept).not.toContain('lantern');
    // The same letter, composed of two characters.
    expect(await isPassword('cafe\u0301 lantern gravel', kept)).toBe(true);
    expect(await isPassword('Café lantern gravel', kept)).toBe(false);
    // What nobody chose fits nothing, and the same password is kept in another way each time.
    expect(await isPassword('', '')).toBe(false);
    expect(await hashPassword('café lantern gravel')).not.toBe(kept);
  });

  test('that are soon guessed are refused, with the reason; long ones need no rules of form', () => {
    const who = ['Rowan Teal', 'rowan.teal@pellwick.example'];
    for (const weak of [
      'passwordpassword',
      'qwertyuiop123456',
      'aaaaaaaaaaaaaaaaaa',
      '123456789012345',
      'rowantealrowanteal',
    ])
      expect([weak, whyWeak(weak, who)]).toEqual([weak, expect.stringContaining('soon be guessed')]);
    expect(whyWeak('xk4!fTq92mPz', who)).toContain('at least 15');
    expect(whyWeak('b'.repeat(129), who)).toContain('at most 128');
    for (const good of ['lantern gravel orchid', 'ein ziemlich langer satz', '灯笼 碎石 兰花 午后 微风 慢慢 走来'])
      expect([good, whyWeak(good, who)]).toEqual([good, undefined]);
  });
});

describe('second factors', () => {
  /** RFC 6238, appendix B, with SHA-1; its eight digits cut to the six that phones show. */
  const VECTORS: [seconds: number, code: string][] = [
    [59, '287082'],
    [1_111_111_109, '081804'],
    [1_111_111_111, '050471'],
    [1_234_567_890, '005924'],
    [2_000_000_000, '279037'],
  ];
  const SECRET = new Secret({ buffer: new TextEncoder().encode('12345678901234567890').buffer }).base32;

  test.each(VECTORS)('at %i s the code is %s', (seconds, code) => {
    const nowMs = seconds * 1000;
    expect(stepOf(code, SECRET, { nowMs, lastStep: 0 })).toBe(Math.floor(seconds / 30));
  });

  test('a code is taken a step early or late, not two, and never twice', () => {
    const nowMs = 1_111_111_111_000;
    const step = Math.floor(nowMs / 30_000);
    const codeAt = (ms: number) => new TOTP({ secret: Secret.fromBase32(SECRET) }).generate({ timestamp: ms });
    const taken = (ms: number, lastStep = 0) => stepOf(codeAt(ms), SECRET, { nowMs, lastStep });
    expect([-60_000, -30_000, 0, 30_000, 60_000].map((by) => taken(nowMs + by))).toEqual([
      undefined,
      step - 1,
      step,
      step + 1,
      undefined,
    ]);
    expect(taken(nowMs, step)).toBeUndefined();
    expect(taken(nowMs - 30_000, step)).toBeUndefined();
    for (const wrong of ['', '12345', '1234567', 'abcdef', '000000'])
      expect(stepOf(wrong, SECRET, { nowMs, lastStep: 0 })).toBeUndefined();
    expect(stepOf(' 050 471 ', SECRET, { nowMs, lastStep: 0 })).toBe(step);
  });

  test('a phone reads who and where; recovery codes differ, and are found however they are typed', () => {
    const { secret, address } = newSecondFactor('rowan.teal@pellwick.example');
    expect(secret).toMatch(/^[A-Z2-7]{32}$/);
    expect(new URL(address).searchParams.get('secret')).toBe(secret);
    expect(decodeURIComponent(address)).toContain('Top Lens:rowan.teal@pellwick.example');
    const codes = newRecoveryCodes();
    expect(new Set(codes).size).toBe(10);
    for (const code of codes) expect(code).toMatch(/^(?:[a-hjkmnp-z2-9]{4}-){3}[a-hjkmnp-z2-9]{4}$/);
    const [code = ''] = codes;
    expect(recoveryHash(` ${code.toUpperCase().replaceAll('-', ' ')} `)).toBe(recoveryHash(code));
  });
});

test('keys of an installation: one for each purpose; what is sealed opens there alone', () => {
  const dir = mkdtempSync(join(tmpdir(), 'toplens-keys-'));
  const keys = (name: string) => {
    writeFileSync(join(dir, name), name.repeat(8).slice(0, 32));
    return InstallationKeys.open(join(dir, name));
  };
  const [here, elsewhere] = [keys('here'), keys('elsewhere')];
  expect(here.of('sessions')).toHaveLength(32);
  expect(here.of('sessions')).not.toEqual(here.of('second factors'));
  expect(here.of('sessions')).toEqual(keys('here').of('sessions'));
  const sealed = here.seal('second factors', 'JBSWY3DP');
  expect(here.open('second factors', sealed)).toBe('JBSWY3DP');
  expect(here.seal('second factors', 'JBSWY3DP')).not.toBe(sealed);
  expect(() => here.open('sessions', sealed)).toThrow();
  expect(() => elsewhere.open('second factors', sealed)).toThrow();
  const changed = Buffer.from(sealed, 'base64');
  changed[changed.length - 1] = (changed.at(-1) ?? 0) ^ 1;
  expect(() => here.open('second factors', changed.toString('base64'))).toThrow();
  rmSync(dir, { recursive: true });
});

test('the secret of an installation is made once, and again where a full disk left a part of it', () => {
  const dir = mkdtempSync(join(tmpdir(), 'toplens-keys-'));
  const file = join(dir, 'pseudonyms.secret');
  const { secret } = InstallationKeys.open(file);
  expect(secret).toHaveLength(32);
  expect(statSync(file).mode & 0o777).toBe(0o600);
  expect(InstallationKeys.open(file).secret).toEqual(secret);
  for (const part of ['', 'x'.repeat(31)]) {
    writeFileSync(file, part);
    const made = InstallationKeys.open(file).secret;
    expect(made).toHaveLength(32);
    expect(readFileSync(file)).toEqual(made);
  }
  rmSync(dir, { recursive: true });
});
