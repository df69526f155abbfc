import { BUCKETS, bucketMiddleMs, histogramCount, type LogHistogram } from '../stats';

export interface Apdex {
  /** 0 to 1, two decimals */
  score: number;
  /** target T in seconds */
  targetS: number;
  attempts: number;
  /** fewer than 100 attempts: the specification wants such a score marked */
  smallSample: boolean;
}

/**
 * Application performance index: (satisfied + tolerating / 2) / all, where satisfied takes at most T and
 * tolerating at most 4T; failed attempts are frustrated whatever their time
 * (Apdex technical specification 1.1, open; from memory).
 *
 * @param durationsMs of all attempts, milliseconds
 * @param failed one entry for each duration
 * @returns `undefined` without attempts: no score can be given
 * @throws RangeError when the target is not above 0
 * @example 60 satisfied, 30 tolerating, 10 frustrated → 0.75
 */
export function apdex(durationsMs: ArrayLike<number>, failed: ArrayLike<boolean>, targetMs: number): Apdex | undefined {
  if (!(targetMs > 0)) throw new RangeError(`expected a target above 0 ms, got: ${targetMs}`);
  const attempts = durationsMs.length;
  if (attempts === 0) return undefined;
  let halves = 0;
  for (let i = 0; i < attempts; i++) {
    if (failed[i]) continue;
    const duration = durationsMs[i] as number;
    if (duration <= targetMs) halves += 2;
    else if (duration <= 4 * targetMs) halves += 1;
  }
  const score = Math.round((halves / 2 / attempts) * 100) / 100;
  return { score, targetS: targetMs / 1000, attempts, smallSample: attempts < 100 };
}

/** The same from a histogram of the attempts that did not fail: exact but for the buckets in which T and 4T lie. */
export function apdexOf(durations: LogHistogram, failed: number, targetMs: number): Apdex | undefined {
  if (!(targetMs > 0)) throw new RangeError(`expected a target above 0 ms, got: ${targetMs}`);
  const attempts = histogramCount(durations) + failed;
  if (attempts === 0) return undefined;
  let halves = 0;
  for (let i = 0; i < BUCKETS; i++) {
    const middle = bucketMiddleMs(i);
    if (middle <= targetMs) halves += 2 * (durations[i] as number);
    else if (middle <= 4 * targetMs) halves += durations[i] as number;
  }
  return {
    score: Math.round((halves / 2 / attempts) * 100) / 100,
    targetS: targetMs / 1000,
    attempts,
    smallSample: attempts < 100,
  };
}

/** The specification's notation: score, target in brackets, `*` for a small sample. */
export function formatApdex(value: Apdex | undefined): string {
  if (!value) return 'no score';
  return `${value.score.toFixed(2)} [${Number(value.targetS.toPrecision(2))}]${value.smallSample ? '*' : ''}`;
}
