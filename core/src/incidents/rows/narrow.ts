import { outcomeOf } from '../../flows';
import { limitsAt, type Deviation } from '../../normal';
import { binomialZ } from '../../stats';
import { MINUTE_MS, type Window } from '../../time';
import { eachRow, FAILED, type AttemptColumns, type Dimension } from '../../telemetry';
import { countsBy, shareOf, type NormalAt } from './counts-by';
import { whereItGoesWrong, type Segment } from '../most-hit/went-wrong';

/** Holds nearly all that went wrong, and much less of everything. */
export const isAlone = (segment: { shareOfBad: number; shareOfAll: number }): boolean =>
  segment.shareOfBad >= 0.9 && segment.shareOfAll <= 0.5;
/** Dimensions by which trouble is told apart; unlike flows have versions by the same names. */
const TELLING = new Set<Dimension>(['site', 'region', 'tier', 'promotion', 'host']);
export const PLACES = ['site', 'region', 'host'] as const satisfies readonly Dimension[];

/** A place or a machine is one for all applications; a promotion or a tier is told of one. */
export const isPlace = ({ dimension }: Pick<Segment, 'dimension'>): boolean =>
  PLACES.some((place) => place === dimension);

const FEWEST_BAD = 6;
/**
 * So much likelier to go wrong inside the value than outside, it is the value's trouble, whatever else goes wrong as
 * usual.
 */
const LEAST_RISK = 2.5;

/**
 * A deviation is looked at as a whole, and its first stretch by itself: later another trouble may mix in; but an onset
 * that is dated too early leaves little in the first stretch.
 */
const LOOK_MS = 45 * MINUTE_MS;
function stretchesOf({ onsetMs, endMs }: Deviation): Window[] {
  const whole = { fromMs: onsetMs, toMs: endMs };
  return endMs - onsetMs > LOOK_MS ? [{ fromMs: onsetMs, toMs: onsetMs + LOOK_MS }, whole] : [whole];
}

/** What is found in the first of the stretches in which anything is. */
function inFirst<T>(part: Deviation, find: (stretch: Window) => T | undefined): T | undefined {
  for (const stretch of stretchesOf(part)) {
    const found = find(stretch);
    if (found !== undefined) return found;
  }
  return undefined;
}

/** The value that a deviation is about, if it is about one: some people, a place, a machine. */
export const narrowSegment = (rows: AttemptColumns, part: Deviation, normalAt: NormalAt): Segment | undefined =>
  part.excess < FEWEST_BAD ? undefined : inFirst(part, (window) => narrowIn(rows, part, { window, normalAt }));

function narrowIn(
  rows: AttemptColumns,
  part: Deviation,
  { window, normalAt }: { window: Window; normalAt: NormalAt },
): Segment | undefined {
  const wrong = whereItGoesWrong({
    rows,
    flows: new Set([part.flow]),
    window,
    normalAt,
    onlyFailed: part.signal === 'failing',
  });
  const [worst] = wrong.segments;
  return worst &&
    TELLING.has(worst.dimension) &&
    (isAlone(worst) || (worst.low >= LEAST_RISK && worst.shareOfAll <= 0.5))
    ? worst
    : undefined;
}

/** Some people, a place, a machine. */
export type Telling = Pick<Segment, 'dimension' | 'value'>;

/**
 * The share of what went wrong in a deviation that these people met, when they met most of it and more than others did;
 * whether or not that shows by itself.
 */
export const shareAbout = (
  rows: AttemptColumns,
  part: Deviation,
  { dimension, value }: Telling,
  normalAt: NormalAt,
): number | undefined =>
  inFirst(part, (window) => {
    const [counts] = countsBy(rows, part, { dimensions: [dimension], window, normalAt });
    return counts && shareOf(value, counts, LEAST_Z_ABOUT);
  });

/** Less than would raise a deviation: that the same people were in trouble at the same time is known already. */
const LEAST_Z = 2.5;
/** Less still: that the flow itself was in trouble is known as well. */
const LEAST_Z_ABOUT = 2;
const FEWEST_EXCESS = 2;

/**
 * Other flows in which the same people (one site, one promotion) were in trouble at the same time: each alone may have
 * too few attempts to show it.
 *
 * @param flows where to look
 */
export function spreadOver(
  rows: AttemptColumns,
  part: Deviation,
  { segment, flows, normalAt }: { segment: Segment; flows: ReadonlySet<number>; normalAt: NormalAt },
): Deviation[] {
  const sums = new Map<number, { n: number; bad: number; usual: number }>();
  const conditions = [[segment.dimension, segment.value]] as const;
  eachRow(rows, { flows, conditions, window: { fromMs: part.onsetMs, toMs: part.endMs } }, (i) => {
    const flow = rows.flow[i] as number;
    const normal = normalAt(flow, rows.startMs[i] as number);
    const isFailed = ((rows.flags[i] as number) & FAILED) !== 0;
    if (part.signal === 'slow' && isFailed) return;
    const sum = sums.get(flow) ?? { n: 0, bad: 0, usual: 0 };
    sum.n++;
    const limits = limitsAt(normal, rows.site[i] as number);
    sum.usual += part.signal === 'slow' ? limits.lateShare : normal.failedShare;
    if (
      part.signal === 'failing' ? isFailed : outcomeOf(rows.durationMs[i] as number, false, limits.limitMs) !== 'onTime'
    )
      sum.bad++;
    sums.set(flow, sum);
  });
  return [...sums]
    .filter(
      ([, { n, bad, usual }]) =>
        bad - usual >= FEWEST_EXCESS && usual > 0 && usual < n && binomialZ(bad, n, usual / n) >= LEAST_Z,
    )
    .sort(([a], [b]) => a - b)
    .map(([flow, { n, bad, usual }]) => ({ ...part, flow, excess: bad - usual, z: binomialZ(bad, n, usual / n) }));
}
