import type { Succession } from '../../flows';
import type { History } from '../../normal';
import type { AttemptColumns } from '../../telemetry';
import type { Window } from '../../time';
import type { BillContext } from './bill-context';
import type { HarmRates } from './rates';
import type { Register } from '../register';
import type { PromiseAtStake } from './promise-at-stake';
import { learnUsualMix, todaysLevel, usualPeople, type UsualMix } from './usual';

/** What people decided that a bill depends on, as it was set at the time looked at. */
export interface BillSettings {
  rates: HarmRates;
  importanceOf: (flow: number) => number;
  isKeyTier: (tier: number) => boolean;
  promises: readonly PromiseAtStake[];
}

/** What is usual around an incident: learned once, used for every window. */
export interface Surroundings {
  onsetMs: number;
  mix: UsualMix;
  /** attempts of the incident's flows in the hours before it */
  before: AttemptColumns;
  succession: Succession;
}

export function surroundingsOf(
  onsetMs: number,
  rows: { dayBefore: AttemptColumns; hoursBefore: AttemptColumns },
  succession: Succession,
  holds?: (row: number) => boolean,
): Surroundings {
  return { onsetMs, mix: learnUsualMix(rows.dayBefore, holds), before: rows.hoursBefore, succession };
}

export interface BillSources {
  knownUntilMs: number;
  surroundings: Surroundings;
  judge: { history: History; register: Register };
  settings: BillSettings;
}

/** Puts together what `harmBill` needs to know. */
export function billContext(
  rows: AttemptColumns,
  { knownUntilMs, surroundings, judge, settings }: BillSources,
): BillContext {
  const { history, register } = judge;
  const { mix } = surroundings;
  const levels = new Map<number, number>();
  const isInTrouble = (flow: number, window: Window) => register.touches(flow, window);
  return {
    ...settings,
    rows,
    knownUntilMs,
    normalAt: (flow, timeMs) => history.normalAt(flow, timeMs),
    expectedValue: mix.expectedValue,
    valueSpread: mix.valueSpread,
    tierShares: mix.tierShares,
    shareOfFlow: mix.shareWhere,
    followersOf: (flow) => surroundings.succession.followersOf(flow),
    usualPeople: (flows, window) => usualPeople(surroundings.before, surroundings.onsetMs, new Set(flows), window),
    todaysLevel: (flow, beforeMs) => {
      let level = levels.get(flow);
      if (level === undefined) levels.set(flow, (level = todaysLevel(history, isInTrouble, flow, beforeMs)));
      return level;
    },
  };
}
