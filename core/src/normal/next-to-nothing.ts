/** Answers in less than this part of the usual time have hardly done their work. Our own choice, no source. */
const NEXT_TO_NOTHING = 1 / 50;
const FEWEST_ANSWERS = 30;
/** What takes less as usual has no room to be told from nothing. */
const LEAST_USUAL_MS = 20;

/**
 * Does a flow take next to no time, though it is asked as ever? That is no improvement: an empty page, or an error that
 * counts as a success, comes at once. Then hardly any attempt is under way either (rate times duration).
 *
 * @param answered attempts that did not fail
 * @param medianMs of these, milliseconds; NaN or `undefined` without any
 * @param expectedMs how long it usually takes; `undefined` while nothing is learned
 * @example isNextToNothing({ answered: 200, medianMs: 3 }, 620) // true
 */
export const isNextToNothing = (
  { answered, medianMs }: { answered: number; medianMs: number | undefined },
  expectedMs: number | undefined,
): boolean =>
  answered >= FEWEST_ANSWERS &&
  medianMs !== undefined &&
  expectedMs !== undefined &&
  expectedMs >= LEAST_USUAL_MS &&
  medianMs < expectedMs * NEXT_TO_NOTHING;
