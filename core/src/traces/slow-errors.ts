import { benjaminiHochberg, rateRatio, type RateRatio } from '../stats';

/** An attempt that did not fail, with the errors that its spans met on the way. */
export interface MetErrors {
  durationMs: number;
  /** late or hung */
  isSlow: boolean;
  /** each once: "payments: CardTimeout" */
  errors: ReadonlySet<string>;
}

/** An error that comes with slow attempts more often than with others. */
export interface SlowError {
  error: string;
  /** slow attempts that met it, of all slow ones; the same of the others */
  slow: number;
  ofSlow: number;
  others: number;
  ofOthers: number;
  ratio: RateRatio;
  /** share of the time that slow attempts took beyond the mean of the others */
  carried: number;
}

const FALSE_DISCOVERY = 0.01;
const LEAST_RATIO = 1.5;
const FEWEST = 3;

/**
 * Errors that are met by slow attempts more often than by others, beyond chance (exact test of two rates, false
 * discoveries controlled over all errors), and how much of the slowness they come with. That an error comes along does
 * not prove that it is the cause: a retry after it is, where it carries most of the time.
 *
 * @returns the one that carries most first; none where fewer than three slow attempts met it
 */
export function errorsWithSlow(attempts: readonly MetErrors[]): SlowError[] {
  const slow = attempts.filter(({ isSlow }) => isSlow);
  const others = attempts.filter(({ isSlow }) => !isSlow);
  if (slow.length === 0 || others.length === 0) return [];
  const usualMs = others.reduce((sum, { durationMs }) => sum + durationMs, 0) / others.length;
  const beyond = (some: readonly MetErrors[]) => some.reduce((sum, { durationMs }) => sum + durationMs - usualMs, 0);
  const all = beyond(slow);
  const tried = [...new Set(slow.flatMap(({ errors }) => [...errors]))].sort().flatMap((error) => {
    const met = slow.filter(({ errors }) => errors.has(error));
    if (met.length < FEWEST) return [];
    const besides = others.filter(({ errors }) => errors.has(error)).length;
    const ratio = rateRatio(met.length, slow.length, besides, others.length);
    if (!ratio) return [];
    const carried = all > 0 ? beyond(met) / all : 0;
    return [{ error, slow: met.length, ofSlow: slow.length, others: besides, ofOthers: others.length, ratio, carried }];
  });
  const adjusted = benjaminiHochberg(tried.map(({ ratio }) => ratio.p));
  return tried
    .filter(({ ratio }, i) => (adjusted[i] as number) <= FALSE_DISCOVERY && ratio.ratio >= LEAST_RATIO)
    .sort((a, b) => b.carried - a.carried || a.error.localeCompare(b.error));
}
