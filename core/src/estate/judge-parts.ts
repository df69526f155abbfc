import { activityOf, countsOf, suddenChanges, type ChangedMeasure, type RecentActivity } from '../normal';
import type { PartActivity, Part } from './part';

/** Words of the levels as everywhere; silent: it did something in the hour before and nothing in the last minutes. */
export const PART_LEVELS = ['calm', 'strained', 'hurting', 'broken', 'silent'] as const;
export type PartLevel = (typeof PART_LEVELS)[number];

export interface PartChange {
  measure: ChangedMeasure;
  /** of which the change is told; '' for the part as a whole */
  operation: string;
  /** last against before; Infinity where there was nothing before */
  ratio: number;
}

export interface JudgedPart extends Part {
  /**
   * mean duration of the last minutes against that of the hour before (geometric means), of the part or of the
   * operation that changed most; NaN when either is not known
   */
  slowness: number;
  /** in the last minutes, per minute */
  attemptsPerMinute: number;
  usualPerMinute: number;
  /** share that failed in the last minutes; NaN when nothing came */
  failing: number;
  /** what changed suddenly, beyond chance */
  changes: PartChange[];
  level: PartLevel;
}

/** A part this many times slower than in the hour before hurts those who need it. */
const HURTING = 3;
/** More than half failing is broken, as for flows. */
const BROKEN = 0.5;
const FEWEST_CALLS = 20;

/**
 * The last minutes of everything that runs against its own hour before. Only what changed beyond chance
 * (`suddenChanges`, false discoveries controlled over all parts) has a level; less of a bad thing, or more traffic, is
 * a change but no trouble.
 *
 * @param lastMinutes, beforeMinutes lengths of the two stretches
 */
export function judgeParts(parts: readonly PartActivity[], lastMinutes: number, beforeMinutes: number): JudgedPart[] {
  const changes = suddenChanges(parts.flatMap(subjectsOf), lastMinutes, beforeMinutes);
  return parts.map(({ kind, component, host, ...sums }, i) => {
    const [last, before] = [countsOf(sums.last), countsOf(sums.before)];
    const own = told(
      changes
        .filter(({ subject }) => subject.part === i)
        .map(({ measure, ratio, subject: { operation } }) => ({ measure, operation, ratio })),
    );
    const slowest = Math.max(
      ...own.filter(({ measure }) => measure === 'duration').map(({ ratio }) => ratio),
      -Infinity,
    );
    const failing = last.attempts > 0 ? last.failed / last.attempts : NaN;
    return {
      kind,
      component,
      host,
      slowness: slowest > 1 ? slowest : Math.exp(last.logMean - before.logMean),
      attemptsPerMinute: last.attempts / lastMinutes,
      usualPerMinute: before.attempts / beforeMinutes,
      failing,
      changes: own,
      level: levelOf(own, failing, last.attempts),
    };
  });
}

/** A part as a whole, and each of its operations where there are several with enough calls. */
function subjectsOf(
  { operations, ...whole }: PartActivity,
  part: number,
): RecentActivity<{ part: number; operation: string }>[] {
  const enough = [...operations].filter(([, { last, before }]) => last.attempts + before.attempts >= FEWEST_CALLS);
  const subjects = operations.size > 1 ? [['', whole] as const, ...enough] : [['', whole] as const];
  return subjects.map(([operation, sums]) => activityOf({ part, operation }, sums));
}

/** What the whole tells is not told again of its operations. */
const told = (changes: readonly PartChange[]): PartChange[] =>
  changes.filter(
    ({ operation, measure }) =>
      operation === '' || !changes.some((other) => other.operation === '' && other.measure === measure),
  );

function levelOf(changes: readonly PartChange[], failing: number, attempts: number): PartLevel {
  const ratiosOf = (measure: ChangedMeasure) =>
    changes.filter((change) => change.measure === measure).map(({ ratio }) => ratio);
  const ratioOf = (measure: ChangedMeasure) => Math.max(...ratiosOf(measure), -Infinity);
  if (attempts === 0) return ratiosOf('attempts').includes(0) ? 'silent' : 'calm';
  const [slower, failures] = [ratioOf('duration'), ratioOf('failures')];
  if (failures > 1 && failing > BROKEN) return 'broken';
  if (slower >= HURTING) return 'hurting';
  return slower > 1 || failures > 1 ? 'strained' : 'calm';
}
