import { accountWords } from './accounts-part';
import { keyWords } from './keys-part';

jest.mock('./account-sheet', () => ({}));
jest.mock('./key-sheets', () => ({ KIND_WORDS: {} }));

const NOW = new Date(2026, 2, 2, 9, 14).getTime();
beforeEach(() => jest.useFakeTimers({ now: NOW }));
afterEach(() => jest.useRealTimers());

test('of an account: what they are, how they sign in, and when they were seen', () => {
  const account = {
    id: 3,
    name: 'Rowan Teal',
    mail: 'rowan@pellwick.example',
    grants: [
      { role: 'owner', of: 'Sender Portal', untilMs: null },
      { role: 'persons', of: '', untilMs: NOW + 3_600_000 },
    ],
    hasPassword: true,
    hasSecondFactor: true,
    isElsewhere: false,
    isEnded: false,
    seenMs: NOW - 60_000,
  } as const;
  expect(accountWords({ ...account, grants: [...account.grants] })).toBe(
    'Application owner of Sender Portal, Sees persons by name, until 10:14 · second factor · seen 09:13',
  );
  expect(accountWords({ ...account, grants: [], hasPassword: false, hasSecondFactor: false, seenMs: null })).toBe(
    'No role: sees nothing · has chosen no password yet',
  );
  expect(
    accountWords({ ...account, grants: [], hasPassword: false, isElsewhere: true, isEnded: true, seenMs: null }),
  ).toBe('No role: sees nothing · ended · signs in at a provider · second factor');
});

test('of a key: when it was used, from where, and until when the secret before it holds', () => {
  const key = {
    id: 1,
    kind: 'page',
    name: 'portal-browser',
    origins: ['https://portal.pellwick.example'],
    madeMs: NOW - 3_600_000,
    madeBy: 'Ines Moor',
    isRevoked: false,
    usedMs: NOW - 120_000,
    secrets: [
      { madeMs: NOW, endsMs: null, usedMs: null },
      { madeMs: NOW - 3_600_000, endsMs: NOW + 3_600_000, usedMs: NOW - 120_000 },
    ],
  } as const;
  const whole = { ...key, origins: [...key.origins], secrets: [...key.secrets] };
  expect(keyWords(whole)).toBe(
    'used 09:12 · from https://portal.pellwick.example · the secret before it holds until 10:14, used 09:12 · made 08:14 by Ines Moor',
  );
  expect(keyWords({ ...whole, origins: [], secrets: [], usedMs: null, isRevoked: true })).toBe(
    'revoked · never used · made 08:14 by Ines Moor',
  );
});
