import { times } from '../words';
import type { ChangedMeasure } from '../normal';

/** "3.1× as long", "no attempts at all" */
export function changeWords(measure: ChangedMeasure, ratio: number): string {
  const what = measure === 'attempts' ? 'as many attempts' : measure === 'failures' ? 'as many failures' : 'as long';
  if (ratio === 0) return measure === 'attempts' ? 'no attempts at all' : 'no failures any more';
  if (!Number.isFinite(ratio)) return `${measure} where there were none`;
  return `${times(ratio)} ${what}`;
}
