import type { Schemas } from '@/data/client';
import { withLimit } from './limit-sheet';
import {
  countWords,
  limitWords,
  scriptWords,
  standingWords,
  stepWords,
  stripWords,
  type ProbeLine,
  type StepLine,
} from './probe-words';

const LINE: ProbeLine = {
  probe: 'Depot sign-in',
  application: 'Depot Desk',
  site: 'Brackwater',
  isScripted: true,
  everyMs: 300_000,
  standing: 'slow',
  sinceMs: new Date(2026, 10, 18, 9, 42).getTime(),
  words: 'slow: Sign in took longer than 900 ms',
  whereWords: 'from most other sites it is well, so it is this site or its line',
  team: 'Sites & Network',
  runs: 12,
  good: 6,
  slow: 5,
  broken: 0,
  probeTrouble: 1,
  missed: 1,
  inMaintenance: 0,
  reachable: { estimate: 1, low: 0.7412, high: 1 },
  medianMs: 1240,
  p95Ms: 2100,
  agreement: 'bothOff',
  agreementWords: 'People at Brackwater are off as well.',
  recent: [{ id: 'a'.repeat(16), atMs: 0, verdict: 'slow', words: 'slow' }],
};
const STEP: StepLine = {
  site: 'Brackwater',
  step: 'Sign in',
  runs: 12,
  failed: 1,
  medianMs: 420,
  p95Ms: 980,
  slowMs: 900,
  brokenMs: 6000,
  isOwnLimit: true,
  overSlow: 2,
  overBroken: 0,
};

test('a line says how it stands and since when, what came, and what did not', () => {
  const now = new Date(2026, 10, 18, 12).getTime();
  expect(standingWords(LINE, now)).toBe('Slow: Sign in took longer than 900 ms, since 09:42');
  expect(standingWords({ ...LINE, standing: 'silent', words: 'silent' }, now)).toBe('Silent, since 09:42');
  expect(standingWords({ ...LINE, standing: 'good', words: 'well' }, now)).toBe('Well');
  expect(countWords(LINE)).toBe(
    '12 runs: 6 well, 5 slow, 1 of a probe in trouble · 1 run did not come · reachable 100 % (74.1 % to 100 %) · half within 1.2 s',
  );
  expect(countWords({ ...LINE, runs: 0 })).toBe('No run in this time.');
  expect(countWords({ ...LINE, runs: 0, inMaintenance: 2 })).toBe('2 runs during maintenance, not counted');
  expect(stripWords(LINE)).toContain('the last 1 run: 0 well, 1 slow, 0 broken');
});

test('a step says how long it takes, and by what it is judged', () => {
  expect(limitWords(STEP)).toBe('slow from 900 ms, broken from 6.0 s; for this site alone');
  expect(limitWords({ ...STEP, slowMs: null })).toBe('no limit: judged by failing alone');
  expect(stepWords(STEP)).toBe(
    '12 times, 1 failed · half within 420 ms, 19 of 20 within 980 ms · 2 slower than the first limit',
  );
  expect(stepWords({ ...STEP, runs: 0 })).toBe('never came so far');
});

test.each([
  [
    { kind: 'request', url: 'https://a.example/', status: 200, json: [{ path: '$.up', equals: true }] },
    'asks GET https://a.example/, expects status 200 and $.up to be true',
  ],
  [{ kind: 'open', url: '{{a}}/', contains: 'Hello' }, 'opens {{a}}/ in a browser, expects “Hello” in the answer'],
  [{ kind: 'type', selector: '#user', text: 'probe' }, 'types “probe” into #user'],
  [{ kind: 'tap', selector: '#go' }, 'taps #go'],
  [{ kind: 'see', text: 'In' }, 'waits until “In” is shown'],
])('%j reads as %s', (step, words) => expect(scriptWords(step)).toBe(words));

test('a limit of one site is set anew, and all others stay', () => {
  const limit = (step: string, slowMs: number, site?: string) => ({
    step,
    ...(site && { site }),
    slowMs,
    brokenMs: 9000,
  });
  const probe = (name: string, limits: ReturnType<typeof limit>[]) => ({ name, limits });
  const file = {
    probes: [probe('a', [limit('x', 1), limit('x', 2, 'North'), limit('y', 3, 'North')]), probe('b', [limit('x', 4)])],
  } as unknown as Schemas['SettingsFile'];
  expect(withLimit(file, { probe: 'a', limit: limit('x', 7, 'North') }).map(({ limits }) => limits)).toEqual([
    [limit('x', 1), limit('y', 3, 'North'), limit('x', 7, 'North')],
    [limit('x', 4)],
  ]);
});
