import { counted, durationWords, percent } from '../words';

export interface ReproduceFacts {
  /** method and route, screen, or name of the span */
  technicalName: string;
  application: string;
  /** other flows that the counts below are of as well */
  otherFlows: number;
  signal: 'slow' | 'failing' | 'missing';
  /** an attempt that takes longer is late, ms; null where nothing is known */
  limitMs: number | null;
  /** attempts of the incident in the window, and those that were late, hung or failed */
  all: number;
  bad: number;
  /** the value whose people are hit most; undefined when none stands out by what went wrong */
  where: { dimension: string; value: string; all: number; bad: number } | undefined;
}

/**
 * What to repeat in order to see the trouble, from what was counted.
 *
 * @example
 * // 'Repeat POST /labels of Sender Portal with promotion SPRING10: 70 of 80 attempts went wrong (88 %), 2 of 400
 * // elsewhere (0.5 %).'
 */
export function reproduceWords({
  technicalName,
  application,
  otherFlows,
  signal,
  limitMs,
  all,
  bad,
  where,
}: ReproduceFacts): string {
  const others =
    otherFlows > 0
      ? ` (or ${otherFlows === 1 ? 'the other flow' : `one of ${counted(otherFlows, 'other flow')}`})`
      : '';
  const call = `${technicalName} of ${application}${others}`;
  if (signal === 'missing')
    return `Nothing to repeat from the traces: the attempts never came. Try ${call} from outside, as a person would.`;
  const wrong =
    signal === 'slow' && limitMs !== null ? `wrong is longer than ${durationWords(limitMs)}, or failed` : '';
  const because = wrong && ` (${wrong})`;
  if (all === 0) return `Repeat ${call}${because}: no attempt came in this window.`;
  if (!where) return `Repeat ${call}: ${outOf(bad, all)} went wrong${because}, whoever made them.`;
  const here = `${outOf(where.bad, where.all)} went wrong${because}`;
  const rest = all - where.all;
  const elsewhere = rest > 0 ? `, ${outOf(bad - where.bad, rest)} elsewhere` : '';
  return `Repeat ${call} with ${where.dimension} ${where.value}: ${here}${elsewhere}.`;
}

const outOf = (bad: number, all: number) =>
  `${bad.toLocaleString('en-GB')} of ${counted(all, 'attempt')} (${percent(bad / all)})`;
