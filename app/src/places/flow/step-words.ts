import type { Schemas } from '@/data/client';
import { count, counted, durationWords, percent } from '@/look/format';

export type Step = Schemas['Steps']['steps'][number];

/** Of fewer nothing is said of 95 in a hundred. */
const FEWEST_OF_A_HUNDRED = 20;

/** "420 ms, 95 of 100 below 900 ms; usually 400 ms · 2 calls an attempt" */
export function timeWords({ attempts, medianMs, p95Ms, usualMs, callsAnAttempt }: Step): string {
  const usual = usualMs === null ? '' : `; usually ${durationWords(usualMs)}`;
  const calls = callsAnAttempt < 1.05 ? '' : ` · ${callsAnAttempt.toFixed(1)} calls an attempt`;
  const most = attempts < FEWEST_OF_A_HUNDRED ? '' : `, 95 of 100 below ${durationWords(p95Ms)}`;
  return `${durationWords(medianMs)}${most}${usual}${calls}`;
}

/** "12 of 200 over the owner’s 800 ms (6.0 %, 3.5 % to 10 %)" */
export function overWords({ attempts, over, overShare, ownersLimitMs, learnedLimitMs }: Step): string {
  const limitMs = ownersLimitMs ?? learnedLimitMs;
  if (limitMs === null || overShare === null) return 'No limit: too few the day before to learn one.';
  const limit = `${ownersLimitMs === null ? 'the learned' : 'the owner’s'} ${durationWords(limitMs)}`;
  const share = `${percent(overShare.estimate)}, between ${percent(overShare.low)} and ${percent(overShare.high)}`;
  return over === 0
    ? `None of ${count(attempts)} over ${limit}.`
    : `${count(over)} of ${count(attempts)} over ${limit}: ${share}.`;
}

/** Of which attempts it is told, and beside which. */
export function sampleWords({ attempts, usualAttempts }: Schemas['Steps']): string {
  const beside =
    usualAttempts > 0
      ? `, beside ${count(usualAttempts)} of the same time the day before`
      : '; none of the day before to compare with';
  return `From a fair sample of ${counted(attempts, 'attempt')}${beside}. Of an attempt all calls of a step count together.`;
}

/** Of a learned limit three spreads wide about one in seven hundred lies beyond; so many are worth a tone. */
const NOTABLE_SHARE = 0.05;

/** Surely more than a few are over the limit of the step. */
export const isNotable = ({ overShare }: Step): boolean => overShare !== null && overShare.low > NOTABLE_SHARE;
