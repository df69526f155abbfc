import {
  activityOf,
  addSums,
  countsOf,
  noSums,
  suddenChanges,
  type ChangedMeasure,
  type RecentCounts,
  type RecentSums,
  type SuddenChange,
} from '../normal';
import type { Activity, Part, PartActivity } from './part';

/** Words of the levels as everywhere; silent: it usually does something, or did just before, and now does nothing. */
export const PART_LEVELS = ['calm', 'strained', 'hurting', 'broken', 'silent'] as const;
export type PartLevel = (typeof PART_LEVELS)[number];

export interface PartChange {
  measure: ChangedMeasure;
  /** of which the change is told; '' for the part as a whole */
  operation: string;
  against: 'usual' | 'before';
  /** the last stretch against it; Infinity where there was nothing then */
  ratio: number;
}

export interface JudgedPart extends Part {
  /**
   * mean duration of the last stretch against what is usual, or against the time just before where nothing usual is
   * known (geometric means), of the part or of the operation that changed most; NaN when either is not known
   */
  slowness: number;
  /** what is usual is known, so it is what judges */
  isUsualKnown: boolean;
  attemptsPerMinute: number;
  beforePerMinute: number;
  /** NaN where no earlier day is known */
  usualPerMinute: number;
  /** share that failed in the last stretch; NaN when nothing came */
  failing: number;
  /** what is not as usual, and what changed against the time just before; beyond chance */
  changes: PartChange[];
  /** something changed against the time just before */
  isSudden: boolean;
  level: PartLevel;
}

/** Lengths of the stretches, minutes; `day`: of the time that is compared of each earlier day. */
export interface StretchMinutes {
  last: number;
  before: number;
  day: number;
}

/** A part this many times slower than usual hurts those who need it. */
const HURTING = 3;
/** More than half failing is broken, as for flows. */
const BROKEN = 0.5;
const FEWEST_CALLS = 20;
/** With so many earlier days one of them may have been as bad: trouble of one day makes nothing usual. */
const DAYS_THAT_FORGIVE = 4;

/**
 * The last stretch of everything that runs against what is usual, the same time of earlier days, and against the
 * longer time just before. Only what differs beyond chance (`suddenChanges`, false discoveries controlled over all
 * parts) counts; against the usual it must also lie beyond the earlier days one by one, since days differ. Where the
 * usual is known it makes the level, so that a trouble of hours stays one; else the time just before does. Less of a
 * bad thing, or more traffic, is a change but no trouble.
 */
export function judgeParts(parts: readonly PartActivity[], minutes: StretchMinutes): JudgedPart[] {
  const subjects = parts.flatMap(subjectsOf);
  const changes = [...againstUsual(subjects, minutes), ...againstBefore(subjects, minutes)];
  return parts.map(({ kind, component, host, ...activity }, i) => {
    const all = changes.filter(({ part }) => part === i).map(({ part: _part, ...change }) => change);
    const own = told(all);
    const [last, before, usual] = [activity.last, activity.before, sumOf(activity.days)].map(countsOf) as [
      RecentCounts,
      RecentCounts,
      RecentCounts,
    ];
    const isUsualKnown = usual.attempts >= FEWEST_CALLS;
    const judging = own.filter(({ against }) => against === (isUsualKnown ? 'usual' : 'before'));
    const slowest = Math.max(
      ...judging.filter(({ measure }) => measure === 'duration').map(({ ratio }) => ratio),
      -Infinity,
    );
    const failing = last.attempts > 0 ? last.failed / last.attempts : NaN;
    return {
      kind,
      component,
      host,
      slowness: slowest > 1 ? slowest : Math.exp(last.logMean - (isUsualKnown ? usual : before).logMean),
      isUsualKnown,
      attemptsPerMinute: last.attempts / minutes.last,
      beforePerMinute: before.attempts / minutes.before,
      usualPerMinute: activity.days.length > 0 ? usual.attempts / (minutes.day * activity.days.length) : NaN,
      failing,
      changes: own,
      isSudden: all.some(({ against }) => against === 'before'),
      level: levelOf(judging, failing, last.attempts),
    };
  });
}

interface Subject {
  part: number;
  operation: string;
  activity: Activity;
}

/** A part as a whole, and each of its operations where there are several with enough calls. */
function subjectsOf({ operations, ...whole }: PartActivity, part: number): Subject[] {
  const enough = [...operations].filter(
    ([, { last, before, days }]) => last.attempts + before.attempts + sumOf(days).attempts >= FEWEST_CALLS,
  );
  const subjects = operations.size > 1 ? [['', whole] as const, ...enough] : [['', whole] as const];
  return subjects.map(([operation, activity]) => ({ part, operation, activity }));
}

type Change = PartChange & { part: number };

const changeOf =
  (against: PartChange['against']) =>
  ({ subject: { part, operation }, measure, ratio }: SuddenChange<Subject>): Change => ({
    part,
    operation,
    measure,
    ratio,
    against,
  });

const againstBefore = (subjects: readonly Subject[], { last, before }: StretchMinutes): Change[] =>
  suddenChanges(
    subjects.map((subject) => activityOf(subject, subject.activity)),
    last,
    before,
  ).map(changeOf('before'));

/** Parts of which equally many days are known are tried together. */
function againstUsual(subjects: readonly Subject[], minutes: StretchMinutes): Change[] {
  const byDays = new Map<number, Subject[]>();
  for (const subject of subjects) {
    const { length } = subject.activity.days;
    if (length > 0) byDays.set(length, [...(byDays.get(length) ?? []), subject]);
  }
  return [...byDays].flatMap(([days, own]) => againstDays(own, days, minutes));
}

function againstDays(subjects: readonly Subject[], days: number, { last, day }: StretchMinutes): Change[] {
  return suddenChanges(
    subjects.map((subject) =>
      activityOf(subject, { last: subject.activity.last, before: sumOf(subject.activity.days) }),
    ),
    last,
    day * days,
  )
    .filter(({ subject: { activity }, measure, ratio }) =>
      isBeyondDays(activity, measure, { isMore: ratio > 1, last, day }),
    )
    .map(changeOf('usual'));
}

/** More (or less) than on each of the earlier days, but for one where there are many. */
function isBeyondDays(
  activity: Activity,
  measure: ChangedMeasure,
  { isMore, last, day }: { isMore: boolean; last: number; day: number },
): boolean {
  const valueOf = (sums: RecentSums, minutes: number) => {
    const { attempts, failed, logMean } = countsOf(sums);
    return measure === 'attempts' ? attempts / minutes : measure === 'duration' ? logMean : failed / attempts;
  };
  const now = valueOf(activity.last, last);
  const then = activity.days.map((sums) => valueOf(sums, day)).filter((value) => !Number.isNaN(value));
  const asBad = then.filter((value) => (isMore ? value >= now : value <= now)).length;
  return asBad <= (then.length >= DAYS_THAT_FORGIVE ? 1 : 0);
}

const sumOf = (days: readonly RecentSums[]): RecentSums => days.reduce(addSums, noSums());

/** What is told against the usual is not told again against the time before, nor of operations what the whole tells. */
const told = (changes: readonly PartChange[]): PartChange[] =>
  changes.filter(
    ({ operation, measure, against }) =>
      !changes.some(
        (other) =>
          other.measure === measure &&
          ((against === 'before' && other.against === 'usual' && other.operation === operation) ||
            (operation !== '' && other.operation === '' && other.against === against)),
      ),
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
