import type { Handoff, HandoffSummary } from '@/data/client';
import { aboutWords, leftOverNote, proofWords, totalWords, waitsWords, type Proof } from './handoff-words';
import { countsWords, stagesWords } from './times-part';

jest.mock('@/data/handoffs', () => ({}));
jest.mock('@/look/icon', () => ({ Icon: () => null }));

const NOW = Date.UTC(2026, 2, 2, 10);
const MINUTE = 60_000;
const proof = {
  fixMs: NOW - 40 * MINUTE,
  fromMs: NOW - 35 * MINUTE,
  isEffective: true,
  verdict: 'watching',
  remaining: { share: 0.05, low: -0.2, high: 0.3 },
  waitsMs: 25 * MINUTE,
  isCut: false,
  behind: { component: 'slots', words: 'holds 80 % of the added time', isAnother: true, team: 'Slots', reason: '' },
} as unknown as Proof;

beforeAll(() => void jest.useFakeTimers({ now: NOW }));
afterAll(() => void jest.useRealTimers());

test('how long it waits, and whether it may', () => {
  const stateAt = new Date(NOW - 42 * MINUTE).toISOString();
  const waits = { for: 'accept', dueMs: NOW - 12 * MINUTE, isLate: true } as const;
  expect(waitsWords({ stateAt, waits }, NOW)).toBe('Waits to be accepted for 42 min, 12 min longer than it may');
  expect(waitsWords({ stateAt, waits: { for: 'fix', dueMs: NOW + 30 * MINUTE, isLate: false } }, NOW)).toBe(
    'Waits for a fix for 42 min, may wait 30 min more',
  );
  expect(waitsWords({ stateAt, waits: null }, NOW)).toBe('');
  const summary = { team: 'Slots', purpose: 'workaround', priority: null, createdAt: stateAt } as HandoffSummary;
  expect(aboutWords(summary, NOW)).toBe('Slots · to work around it · sent 09:18');
});

test('what the figures say, at each stage', () => {
  expect(proofWords({ ...proof, isEffective: false })).toBe(
    'A fix was reported at 09:20. From 09:25 on the figures count: until then it reaches everybody.',
  );
  expect(proofWords(proof)).toBe(
    'It is watched: not enough has come to tell. 5 % of the harm goes on (0 % to 30 %). With traffic like this it can be told in about 25 min.',
  );
  expect(proofWords({ ...proof, isCut: true })).toContain('A day has passed: too little came to tell.');
  expect(proofWords({ ...proof, verdict: 'proven', remaining: { share: 0, low: -0.1, high: 0.06 } })).toBe(
    'Proven: back to normal. 0 % of the harm goes on (0 % to 6 %).',
  );
  expect(leftOverNote({ team: 'Data' } as Handoff, proof)).toBe(
    'Data reported a fix at 09:20: 5 % of the harm goes on (0 % to 30 %).\nWhat goes on seems to come from slots: holds 80 % of the added time.',
  );
});

test('all that it cost, how long each stage took, and what a link is', () => {
  expect(
    totalWords({
      harm: 5_120,
      people: 411.6,
      money: 1_840,
      currency: 'EUR',
      promises: [],
      fromMs: NOW - 3_600_000,
      toMs: NOW,
    }),
  ).toBe('5,120 harm points, 412 people hurt and €1,840 not earned, from 09:00 to 10:00');
  const group = {
    name: 'A',
    handoffs: 2,
    returned: 1,
    proven: 0,
    detect: 180_000,
    send: null,
    accept: 38_000,
    fix: null,
    prove: null,
  };
  expect(countsWords(group)).toBe('2 handoffs, 1 returned');
  expect(stagesWords(group)).toBe('known 3 min · accepted 38 s');
  expect(stagesWords({ ...group, detect: null, accept: null })).toBe('nothing is known yet');
});
