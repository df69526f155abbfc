import { isCountedRow } from '../../flows';
import type { FlowNormal } from '../../normal';
import type { ServicePromise } from '../../promises';
import { eachRow, type AttemptColumns, type RowQuestion } from '../../telemetry';
import { floorTo, HOUR_MS } from '../../time';
import { isGoodRow } from './good-row';

/** What is promised of single attempts. */
export type PromisedOfAttempts = Pick<ServicePromise, 'indicator' | 'limitMs' | 'personShare'>;

interface PersonsHour {
  valid: number;
  good: number;
  /** the earliest attempt, and the earliest bad one */
  first: number;
  firstBad: number;
}

/**
 * Walks what counts of one flow: attempts, runs of probes, or people by the hour.
 *
 * Somebody is told by their earliest attempt of the hour, or the earliest bad one when too few were good. Attempts of
 * nobody in particular count for no person.
 *
 * @param isCounted does an attempt that begins then count?
 * @param see is told a row's index, and whether what it stands for is good
 */
export function eachPromised(
  promise: PromisedOfAttempts,
  rows: AttemptColumns,
  question: RowQuestion & {
    flows: number;
    isCounted: (timeMs: number) => boolean;
    normalAt: (flow: number, timeMs: number) => FlowNormal;
  },
  see: (row: number, isGood: boolean) => void,
): void {
  const people = new Map<string, PersonsHour>();
  const { startMs, flags, person } = rows;
  // Which rows are probes' is told by the indicator.
  eachRow(rows, { without: 0, ...question }, (row) => {
    const atMs = startMs[row] as number;
    if (!isCountedRow(promise.indicator, flags[row] as number) || !question.isCounted(atMs)) return;
    if (promise.indicator !== 'people') return see(row, isGoodRow(promise, rows, row, question.normalAt));
    if (person[row] === 0) return;
    const isGood = isGoodRow(promise, rows, row, question.normalAt);
    const key = `${floorTo(atMs, HOUR_MS)}:${person[row]}`;
    const own = people.get(key);
    if (!own) {
      people.set(key, { valid: 1, good: Number(isGood), first: row, firstBad: isGood ? -1 : row });
      return;
    }
    own.valid++;
    own.good += Number(isGood);
    if (atMs < (startMs[own.first] as number)) own.first = row;
    if (!isGood && (own.firstBad < 0 || atMs < (startMs[own.firstBad] as number))) own.firstBad = row;
  });
  const least = promise.personShare ?? 1;
  for (const { valid, good, first, firstBad } of people.values()) {
    const isGood = good >= least * valid - 1e-9;
    see(isGood ? first : firstBad, isGood);
  }
}
