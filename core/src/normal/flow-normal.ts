import { BUCKET_MS } from '../flows';
import { floorTo } from '../time';
import { SLOT_MS, type Basis } from './learning-days';
import { type NormalRange } from './range';

/** What judges an attempt, and how often it is outside that as usual. */
export interface Limits {
  /** milliseconds; `undefined` when nothing is known */
  limitMs: number | undefined;
  /** usual share of late and hung among the attempts that did not fail */
  lateShare: number;
  /** usual share of hung ones among the attempts that did not fail */
  hungShare: number;
}

/** Who set the limit that judges; 'published' is what is known of people's patience. */
export const LIMIT_SETTERS = ['owner', 'learned', 'published', 'none'] as const;
export type LimitBy = (typeof LIMIT_SETTERS)[number];

/** The limit that judges and who set it: the owner's, else the learned one, else what is published. */
export function judgingLimit(limits: {
  owner: number | undefined;
  learned: number | undefined;
  published?: number | undefined;
}): {
  limitMs: number | undefined;
  limitBy: LimitBy;
} {
  for (const limitBy of ['owner', 'learned', 'published'] as const)
    if (limits[limitBy] !== undefined) return { limitMs: limits[limitBy], limitBy };
  return { limitMs: undefined, limitBy: 'none' };
}

/** What is usual for a flow in one half hour. */
export interface FlowNormal extends Limits {
  basis: Basis;
  /** attempts that it was learned from */
  samples: number;
  /** days that it was learned from */
  days: number;
  limitBy: LimitBy;
  /** sites with a limit of their own, set by the owner */
  sites: ReadonlyMap<number, Limits>;
  /** upper normal bound of a single attempt, milliseconds; also when the owner's limit judges */
  learnedLimitMs: number | undefined;
  /** usual duration of an attempt, milliseconds */
  expectedMs: number | undefined;
  /**
   * what an attempt usually takes longer than expected, milliseconds a piece, and its standard deviation from one
   * attempt to the next
   */
  usualWaitMs: number;
  usualWaitSdMs: number;
  /** usual range of the median of five minutes, milliseconds */
  medianRange: NormalRange | undefined;
  lateSpread: number;
  /** natural error level */
  failedShare: number;
  failedSpread: number;
  /** expected attempts in each five minutes of the slot; NaN where not known */
  volume: Float64Array;
  /** standard deviation of the expectation as a share of it */
  volumeSpread: number;
  /** variance of five-minute counts around their expectation, as a multiple of it; at least 1 */
  volumeDispersion: number;
  /** usual range of the value completed in half an hour, minor units; `undefined` for flows without value */
  money: NormalRange | undefined;
}

/** What judges an attempt of a site: its own limit, or the flow's. */
export const limitsAt = (normal: FlowNormal, site: number): Limits =>
  normal.sites.size === 0 ? normal : (normal.sites.get(site) ?? normal);

const FIRST: readonly Basis[] = ['firstMinutes', 'ownersLimit', 'published', 'none'];

/** False while a flow is judged by its first minutes, its owner's limit or a prior: it is not known yet what is usual. */
export const isLearned = ({ basis }: Pick<FlowNormal, 'basis'>): boolean => !FIRST.includes(basis);

/** False where nothing is known at all. */
export const isJudged = ({ basis }: Pick<FlowNormal, 'basis'>): boolean => basis !== 'none';

/** Expected attempts in the five minutes that a moment of the normal's own slot lies in; NaN where not known. */
export const volumeAt = ({ volume }: Pick<FlowNormal, 'volume'>, timeMs: number): number =>
  volume[Math.floor((timeMs - floorTo(timeMs, SLOT_MS)) / BUCKET_MS)] as number;
