import type { Schemas } from '@/data/client';
import { count, counted, durationWords, percent, percentCut } from '@/look/format';

export type Application = Schemas['Standing']['applications'][number];
export type Activity = Schemas['Standing']['activities'][number];
type Share = Application['speed'];

/** Of which word, the level of the harm ramp. */
export const TONE_OF = {
  asUsual: undefined,
  more: undefined,
  unknown: undefined,
  worse: 1,
  less: 1,
  farWorse: 3,
  none: 3,
} as const;

const SPEED = {
  asUsual: 'as fast as usual',
  worse: 'slower than usual',
  farWorse: 'far slower than usual',
  unknown: 'usual speed not known yet',
};
const ANSWERS = {
  asUsual: 'answers as usual',
  worse: 'fails more than usual',
  farWorse: 'fails far more than usual',
  unknown: 'usual failures not known yet',
};
const USE = {
  asUsual: 'used as usual',
  less: 'used less than usual',
  none: 'nobody comes',
  more: 'used more than usual',
  unknown: 'usual use not known yet',
};

const shareOf = ({ good }: Share, what: string): string =>
  good ? `${percentCut(good.estimate, 1)} ${what}` : 'no attempt came';

/** The three words of an application, each with what is behind it. */
export const threeWords = ({ speed, answers, use }: Application) =>
  [
    { name: 'Speed', word: SPEED[speed.word], behind: shareOf(speed, 'in time'), tone: TONE_OF[speed.word] },
    {
      name: 'Answers',
      word: ANSWERS[answers.word],
      behind: shareOf(answers, 'answered'),
      tone: TONE_OF[answers.word],
    },
    { name: 'Use', word: USE[use.word], behind: usageWords(use), tone: TONE_OF[use.word] },
  ] as const;

/** "1,840 attempts, usually 1,600 to 2,100" */
function usageWords({ attempts, low, high }: Application['use']): string {
  const usually = high > 0 ? `, usually ${count(Math.round(low))} to ${count(Math.round(high))}` : '';
  return `${counted(attempts, 'attempt')}${usually}`;
}

/** "31 of 128 people over the limit" */
export const peopleWords = ({ people, peopleOver }: Activity): string =>
  `${count(peopleOver)} of ${counted(people, 'person', 'people')} over the limit`;

/** "412 ms, usually 400 ms" */
export const nowWords = ({ currentMs, usualMs }: Activity): string =>
  [
    currentMs === null ? 'none answered' : durationWords(currentMs),
    usualMs === null ? 'usual not known yet' : `usually ${durationWords(usualMs)}`,
  ].join(', ');

/** "Agreed limit 1 s judges, learned 800 ms" */
export function limitWords({ agreedLimitMs, learnedLimitMs }: Activity): string {
  const learned = learnedLimitMs === null ? 'none learned yet' : `learned ${durationWords(learnedLimitMs)}`;
  return agreedLimitMs === null
    ? `Limit: ${learned}; none agreed`
    : `Agreed limit ${durationWords(agreedLimitMs)} judges, ${learned}`;
}

/** "212 of 1,840 attempts outside, 12 %" */
export const outsideOf = ({ outside, attempts }: Activity): string =>
  `${count(outside)} of ${counted(attempts, 'attempt')} outside${outside > 0 ? `, ${percent(outside / attempts)}` : ''}`;

/** One of twenty, of enough people. */
export const isNotable = ({ people, peopleOver }: Activity): boolean =>
  people >= FEWEST_TONED && peopleOver >= TONED_FROM[0] * people;

/** Fewer are never toned: one late of five is no colour. */
export const FEWEST_TONED = 20;
/** Shares outside from which a cell is toned, and toned darker. */
const TONED_FROM = [0.05, 0.2] as const;

export function toneOf({ valid, good }: { valid: number; good: number }): 0 | 1 | undefined {
  if (valid < FEWEST_TONED) return undefined;
  const deepest = TONED_FROM.filter((from) => valid - good >= from * valid).length;
  return deepest === 0 ? undefined : ((deepest - 1) as 0 | 1);
}
