import { learnSuccession, rollUp } from '@toplens/core/flows';
import {
  billContext,
  countMinutes,
  DEFAULT_RATES,
  deviationsIn,
  harmBill,
  isOutdated,
  judgeStretch,
  LEFT_LOOK_BACK_MS,
  MADE_GOOD_MS,
  Register,
  SLICE_PAST_MS,
  surroundingsOf,
  type HarmBill,
  type HourOfFlow,
  type StoredIncident,
  type Suspects,
} from '@toplens/core/incidents';
import { History, type Deviation, type FlowNormal } from '@toplens/core/normal';
import { appendRowInPlace, emptyColumns, type AttemptColumns } from '@toplens/core/telemetry';
import { DAY_MS, floorTo, HOUR_MS, type Window } from '@toplens/core/time';
import { KEY_TIER, type WorldPlan } from '../../scenario/src/random-worlds/plan';
import { WorldPlayer } from '../../scenario/src/random-worlds/play';
import type { TroubleTruth } from '../../scenario/src/random-worlds/truth';

const LOOK_BACK_MS = 6 * HOUR_MS;
/** Quiet days before the day of trouble that are judged too: false incidents are counted over all of them. */
export const QUIET_DAYS = 5;

export interface Found {
  incident: StoredIncident;
  bill: HarmBill;
}

export interface JudgedWorld {
  plan: WorldPlan;
  truth: TroubleTruth[];
  /** incidents of the day of trouble that hurt somebody, with the bill of the day */
  found: Found[];
  /** incidents of the quiet days that hurt somebody */
  onQuietDays: Found[];
  attempts: number;
}

/** Where a deviation comes from, as the traces of its attempts tell. */
export type SuspectsInWorld = (
  deviation: Deviation,
  rows: AttemptColumns,
  normalAt: (flow: number, timeMs: number) => FlowNormal,
) => Suspects;

/** Plays a world and judges it as the engine does: hour by hour into the history, then day by day. */
export function judgeWorld(
  plan: WorldPlan,
  player: Pick<WorldPlayer, 'hour' | 'truth' | 'finish'> = new WorldPlayer(plan),
  suspectsIn?: SuspectsInWorld,
): JudgedWorld {
  const register = new Register();
  const history = new History({
    isMasked: (flow, startMs) => register.touches(flow, { fromMs: startMs, toMs: startMs + 300_000 }),
  });
  const normalAt = (flow: number, timeMs: number) => history.normalAt(flow, timeMs);
  const hours = new Map<number, AttemptColumns>();
  const counted = new Map<number, Map<number, HourOfFlow>>();
  const judgedFrom = plan.dayMs - QUIET_DAYS * DAY_MS;
  let attempts = 0;
  const rowsIn = (window: Window, flows?: ReadonlySet<number>): AttemptColumns => {
    const parts: AttemptColumns[] = [];
    for (let hourMs = floorTo(window.fromMs, HOUR_MS); hourMs < window.toMs; hourMs += HOUR_MS)
      parts.push(hours.get(hourMs) ?? emptyColumns(0));
    const rows = emptyColumns(parts.reduce((n, part) => n + part.n, 0));
    for (const part of parts)
      for (let i = 0; i < part.n; i++) {
        const startMs = part.startMs[i] as number;
        if (startMs >= window.fromMs && startMs < window.toMs && (!flows || flows.has(part.flow[i] as number)))
          appendRowInPlace(rows, part, i);
      }
    return rows;
  };
  const judgeDay = (dayMs: number) => {
    const window = { fromMs: dayMs - LOOK_BACK_MS, toMs: dayMs + DAY_MS };
    for (let hourMs = window.fromMs - SLICE_PAST_MS; hourMs < window.toMs; hourMs += HOUR_MS) {
      const known = counted.get(hourMs);
      if (!known || isOutdated(known, hourMs, normalAt))
        counted.set(hourMs, countMinutes(hours.get(hourMs) ?? emptyColumns(0), hourMs, normalAt));
    }
    const applicationOf = (flow: number) => plan.flows[flow - 1]?.app ?? 0;
    const deviations = deviationsIn(window, (flow, hourMs) => counted.get(hourMs)?.get(flow), {
      history,
      applicationOf,
    });
    const rows = deviations.length > 0 ? rowsIn(window) : emptyColumns(0);
    judgeStretch(deviations, {
      rows,
      succession: learnSuccession(rows),
      window,
      judge: {
        history,
        register,
        applicationOf,
        ...(suspectsIn && { suspectsOf: (deviation) => suspectsIn(deviation, rows, normalAt) }),
      },
    });
  };
  for (let hourMs = plan.firstMs; hourMs < plan.toMs; hourMs += HOUR_MS) {
    const rows = player.hour(hourMs);
    attempts += rows.n;
    history.putHour(hourMs, rollUp(rows));
    if (hourMs >= judgedFrom - 2 * DAY_MS) hours.set(hourMs, rows);
    if (hourMs + HOUR_MS > judgedFrom && (hourMs + HOUR_MS) % DAY_MS === 0) judgeDay(hourMs + HOUR_MS - DAY_MS);
  }
  player.finish();
  const billed = (incident: StoredIncident, window: Window): Found => {
    const { onsetMs } = incident;
    const succession = learnSuccession(rowsIn({ fromMs: onsetMs - LOOK_BACK_MS, toMs: onsetMs }));
    const flows = new Set(incident.parts.flatMap((part) => [part.flow, ...succession.followersOf(part.flow)]));
    const own = new Set(incident.parts.map((part) => part.flow));
    const rows = rowsIn(
      {
        fromMs: Math.max(window.fromMs, onsetMs) - LEFT_LOOK_BACK_MS,
        toMs: Math.min(window.toMs, incident.endMs) + MADE_GOOD_MS,
      },
      flows,
    );
    const around = surroundingsOf(
      onsetMs,
      {
        dayBefore: rowsIn({ fromMs: onsetMs - DAY_MS, toMs: onsetMs }, own),
        hoursBefore: rowsIn({ fromMs: onsetMs - LOOK_BACK_MS, toMs: onsetMs }, own),
      },
      succession,
    );
    const context = billContext(rows, {
      knownUntilMs: plan.toMs,
      surroundings: around,
      judge: { history, register },
      settings: {
        rates: { ...DEFAULT_RATES },
        importanceOf: () => 1,
        isKeyTier: (tier) => tier === KEY_TIER,
        promises: [],
      },
    });
    return { incident, bill: harmBill(incident.parts, window, context) };
  };
  const hurting = (window: Window) =>
    register
      .within(window)
      .map((incident) => billed(incident, window))
      .filter(({ bill }) => bill.people.estimate >= 1);
  const day = { fromMs: plan.dayMs, toMs: plan.toMs };
  const found = hurting(day);
  const onQuietDays = hurting({ fromMs: judgedFrom, toMs: plan.dayMs }).filter(
    ({ incident }) => !found.some((one) => one.incident.id === incident.id),
  );
  return { plan, truth: [...player.truth.values()], found, onQuietDays, attempts };
}
