import { times } from '../words';
import type { ChangedMeasure } from '../normal';

const OF_WHICH = { attempts: 'as many attempts', failures: 'as many failures', duration: 'as long' } as const;
const THAN = { usual: 'as usual', before: 'as just before' } as const;

/**
 * What changed, against the usual or against the time just before.
 *
 * @param ratio now against then; Infinity where there was nothing then
 * @example changeWords('duration', 3.14, 'usual') // '3.1× as long as usual'
 */
export function changeWords(measure: ChangedMeasure, ratio: number, against: 'usual' | 'before'): string {
  if (ratio === 0) return measure === 'attempts' ? 'no attempts at all' : 'no failures any more';
  if (!Number.isFinite(ratio))
    return against === 'usual' ? `${measure} where there usually are none` : `${measure} where there were none`;
  return `${times(ratio)} ${OF_WHICH[measure]} ${THAN[against]}`;
}
