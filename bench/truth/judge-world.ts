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

/** Judges the attempts of a world as the engine does: hours go into the history, then a stretch is judged. */
export class WorldJudge {
  readonly register = new Register();
  readonly history = new History({
    isMasked: (flow, startMs) => this.register.touches(flow, { fromMs: startMs, toMs: startMs + 300_000 }),
    isWaitedFor: (flow) => flow <= this.plan.flows.length,
  });
  readonly #hours = new Map<number, AttemptColumns>();
  readonly #counted = new Map<number, Map<number, HourOfFlow>>();

  constructor(
    readonly plan: WorldPlan,
    private readonly suspectsIn?: SuspectsInWorld,
  ) {}

  readonly #normalAt = (flow: number, timeMs: number) => this.history.normalAt(flow, timeMs);

  /** Attempts that began in an hour; `isKept` where the hour will be judged and billed. */
  put(hourMs: number, rows: AttemptColumns, isKept = true): void {
    this.history.putHour(hourMs, rollUp(rows));
    this.#counted.delete(hourMs);
    if (isKept) this.#hours.set(hourMs, rows);
  }

  /** Judges a stretch that begins with an hour. */
  judge(window: Window): void {
    const { history, register, plan } = this;
    for (let hourMs = window.fromMs - SLICE_PAST_MS; hourMs < window.toMs; hourMs += HOUR_MS) {
      const known = this.#counted.get(hourMs);
      if (!known || isOutdated(known, hourMs, this.#normalAt))
        this.#counted.set(hourMs, countMinutes(this.#hours.get(hourMs) ?? emptyColumns(0), hourMs, this.#normalAt));
    }
    const applicationOf = (flow: number) => plan.flows[flow - 1]?.app ?? 0;
    const deviations = deviationsIn(window, (flow, hourMs) => this.#counted.get(hourMs)?.get(flow), {
      history,
      applicationOf,
    });
    const rows = deviations.length > 0 ? this.#rowsIn(window) : emptyColumns(0);
    const { suspectsIn } = this;
    judgeStretch(deviations, {
      rows,
      succession: learnSuccession(rows),
      window,
      judge: {
        history,
        register,
        applicationOf,
        ...(suspectsIn && { suspectsOf: (deviation) => suspectsIn(deviation, rows, this.#normalAt) }),
      },
    });
  }

  /** An incident with its bill in a window, when so much is known. */
  billed(incident: StoredIncident, window: Window, knownUntilMs = this.plan.toMs): Found {
    const { onsetMs } = incident;
    const succession = learnSuccession(this.#rowsIn({ fromMs: onsetMs - LOOK_BACK_MS, toMs: onsetMs }));
    const flows = new Set(incident.parts.flatMap((part) => [part.flow, ...succession.followersOf(part.flow)]));
    const own = new Set(incident.parts.map((part) => part.flow));
    const rows = this.#rowsIn(
      {
        fromMs: Math.max(window.fromMs, onsetMs) - LEFT_LOOK_BACK_MS,
        toMs: Math.min(window.toMs, incident.endMs) + MADE_GOOD_MS,
      },
      flows,
    );
    const around = surroundingsOf(
      onsetMs,
      {
        dayBefore: this.#rowsIn({ fromMs: onsetMs - DAY_MS, toMs: onsetMs }, own),
        hoursBefore: this.#rowsIn({ fromMs: onsetMs - LOOK_BACK_MS, toMs: onsetMs }, own),
      },
      succession,
    );
    const context = billContext(rows, {
      knownUntilMs,
      surroundings: around,
      judge: this,
      settings: {
        rates: { ...DEFAULT_RATES },
        importanceOf: () => 1,
        isKeyTier: (tier) => tier === KEY_TIER,
        promises: [],
      },
    });
    return { incident, bill: harmBill(incident.parts, window, context) };
  }

  /** Incidents of a window that hurt somebody. */
  hurting(window: Window, knownUntilMs?: number): Found[] {
    return this.register
      .within(window)
      .map((incident) => this.billed(incident, window, knownUntilMs))
      .filter(({ bill }) => bill.people.estimate >= 1);
  }

  #rowsIn(window: Window, flows?: ReadonlySet<number>): AttemptColumns {
    const parts: AttemptColumns[] = [];
    for (let hourMs = floorTo(window.fromMs, HOUR_MS); hourMs < window.toMs; hourMs += HOUR_MS)
      parts.push(this.#hours.get(hourMs) ?? emptyColumns(0));
    const rows = emptyColumns(parts.reduce((n, part) => n + part.n, 0));
    for (const part of parts)
      for (let i = 0; i < part.n; i++) {
        const startMs = part.startMs[i] as number;
        if (startMs >= window.fromMs && startMs < window.toMs && (!flows || flows.has(part.flow[i] as number)))
          appendRowInPlace(rows, part, i);
      }
    return rows;
  }
}

/** Plays a world and judges it: hour by hour into the history, then day by day. */
export function judgeWorld(
  plan: WorldPlan,
  player: Pick<WorldPlayer, 'hour' | 'truth' | 'finish'> = new WorldPlayer(plan),
  suspectsIn?: SuspectsInWorld,
): JudgedWorld {
  const judge = new WorldJudge(plan, suspectsIn);
  const judgedFrom = plan.dayMs - QUIET_DAYS * DAY_MS;
  let attempts = 0;
  for (let hourMs = plan.firstMs; hourMs < plan.toMs; hourMs += HOUR_MS) {
    const rows = player.hour(hourMs);
    attempts += rows.n;
    judge.put(hourMs, rows, hourMs >= judgedFrom - 2 * DAY_MS);
    const endMs = hourMs + HOUR_MS;
    if (endMs > judgedFrom && endMs % DAY_MS === 0)
      // With the evening before.
      judge.judge({ fromMs: endMs - DAY_MS - LOOK_BACK_MS, toMs: endMs });
  }
  player.finish();
  const found = judge.hurting({ fromMs: plan.dayMs, toMs: plan.toMs });
  const onQuietDays = judge
    .hurting({ fromMs: judgedFrom, toMs: plan.dayMs })
    .filter(({ incident }) => !found.some((one) => one.incident.id === incident.id));
  return { plan, truth: [...player.truth.values()], found, onQuietDays, attempts };
}
