import type { FlowNormal } from '../../normal';
import type { AttemptColumns } from '../../telemetry';
import type { Window } from '../../time';
import type { HarmRates } from './rates';
import type { PromiseAtStake } from './promise-at-stake';
import type { UsualPeople } from './usual';

/** What the bill needs to know about the world around the attempts. */
export interface BillContext {
  /**
   * attempts of the flows of all parts and of those that usually follow them, from three hours before the trouble to
   * half an hour after the window, as far as known
   */
  rows: AttemptColumns;
  /** up to when data is complete */
  knownUntilMs: number;
  normalAt: (flow: number, timeMs: number) => FlowNormal;
  importanceOf: (flow: number) => number;
  rates: HarmRates;
  isKeyTier: (tier: number) => boolean;
  /** expected value of one completion in units of currency; 0 for flows without value */
  expectedValue: (flow: number, tier: number) => number;
  /** standard deviation of the value of a single completion, units of currency */
  valueSpread: (flow: number, tier: number) => number;
  /** share of a flow's attempts by tier, usually */
  tierShares: (flow: number) => Map<number, number>;
  /** share of a flow's attempts that belong to the slice looked at, usually; 1 for everything */
  shareOfFlow: (flow: number) => number;
  /** flows to which people usually go on from this one */
  followersOf: (flow: number) => ReadonlySet<number>;
  /** people who usually make an attempt of any of these flows in a stretch as long as this one */
  usualPeople: (flows: number[], window: Window) => UsualPeople;
  /** by how much today's volume was above (1.1) or below (0.9) its expectation before the trouble */
  todaysLevel: (flow: number, beforeMs: number) => number;
  /** what was promised of any flow */
  promises: readonly PromiseAtStake[];
}
