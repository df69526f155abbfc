import { BUCKET_MS } from '@toplens/core/flows';
import {
  alertingPace,
  budgetOf,
  BURN_WINDOWS_MS,
  burnRate,
  forecast,
  forecastPeriod,
  priceOfBadAttempt,
  roughPrice,
  keptShare,
  periodAt,
  periodBack,
  periodWords,
  ruleWords,
  spentBy,
  unitOf,
  unitsOf,
  usualBadShare,
  type Budget,
  type Forecast,
  type ForecastQuestion,
  type ServicePromise,
  type StepTable,
  type Spender,
  type Tally,
} from '@toplens/core/promises';
import { sum } from '@toplens/core/stats';
import { ceilTo, DAY_MS, dayKinds, floorTo, HOUR_MS, MINUTE_MS, type Window } from '@toplens/core/time';
import { LRUCache } from 'lru-cache';
import type { ServiceLevelShape } from '../../contract/promises';
import type { EngineState } from '../state/engine-state';
import { countedIn, countPromise, tallyByHour, tallyIn, type PromiseCounts } from './promise-counts';

/** What is usual is told by so many days before now. */
const LEARNT_FROM_MS = 28 * DAY_MS;
/** "At this pace" is that of the last hours. */
const PACE_MS = 6 * HOUR_MS;
const ONGOING_MS = 30 * MINUTE_MS;
const MOST_STEPS = 120;
/** Likelier than not. */
const AT_RISK = 0.5;

/** Forecasts are made anew every few minutes, however many people look. */
const FORECAST_EVERY_MS = 5 * MINUTE_MS;
const forecasts = new LRUCache<string, Expected>({ max: 500 });

interface Expected {
  forecast: Forecast | undefined;
  /** what a bad attempt of trouble adds to the penalty, units of currency */
  price: number;
}

/** A promise with what was counted for it. */
export interface Counted {
  promise: ServicePromise;
  period: Window;
  /** up to when attempts are counted: the end of the steps that are whole, or of a period that is over */
  nowMs: number;
  /** a period before the one that goes on: nothing is forecast of it */
  isOver: boolean;
  counts: PromiseCounts;
  /** those of its period, and their sum */
  steps: StepTable;
  tally: Tally;
}

/**
 * @param atMs the moment for which it stands
 * @param periodsBack of the period so many before, as a whole
 */
export async function countedAt(
  state: EngineState,
  promise: ServicePromise,
  atMs: number,
  periodsBack = 0,
): Promise<Counted> {
  const period = periodBack(promise.period, floorTo(atMs, BUCKET_MS), periodsBack);
  const isOver = periodsBack > 0;
  const nowMs = isOver ? period.toMs : floorTo(atMs, BUCKET_MS);
  const window = countedWindow(state, promise, nowMs);
  const counts = await countPromise(state, promise, { ...window, fromMs: Math.min(window.fromMs, period.fromMs) });
  const steps = counts.steps.since(period.fromMs);
  return { promise, period, nowMs, isOver, counts, steps, tally: tallyIn(steps, period) };
}

/** Its period up to a moment, and the days before from which is learned, as far as anything is known. */
export function countedWindow(state: EngineState, { period }: ServicePromise, nowMs: number): Window {
  const knownMs = firstKnownMs(state);
  const earliestMs = Number.isFinite(knownMs) ? floorTo(knownMs, HOUR_MS) : 0;
  const fromMs = Math.max(earliestMs, Math.min(periodAt(period, nowMs).fromMs, nowMs - LEARNT_FROM_MS));
  return { fromMs, toMs: Math.max(fromMs, nowMs) };
}

/** From when anything is known; Infinity while nothing is. */
export const firstKnownMs = ({ names, history }: EngineState): number =>
  Math.min(...names.flows.map(({ id }) => history.firstMsOf(id)));

/** Incidents of its flows, as they were known by then. */
export const spendersOf = (state: EngineState, { counts, nowMs }: Counted, window: Window): Spender[] =>
  state.register.within({ fromMs: window.fromMs, toMs: Math.min(window.toMs, nowMs) }).flatMap((incident) => {
    const flows = new Set(incident.parts.map(({ flow }) => flow).filter((flow) => counts.flows.includes(flow)));
    return flows.size === 0 || incident.onsetMs >= nowMs
      ? []
      : [{ id: incident.id, fromMs: floorTo(incident.onsetMs, BUCKET_MS), toMs: incident.endMs, flows }];
  });

/** Who spent the budget of the period, and what no incident explains. */
export function spentIn(state: EngineState, counted: Counted) {
  const spenders = spendersOf(state, counted, counted.period);
  return { spenders, ...spentBy(counted.steps, spenders, usualBadShare(counted.steps, spenders)) };
}

export function levelOf(state: EngineState, counted: Counted): ServiceLevelShape {
  const { promise, period, nowMs, isOver, counts, tally } = counted;
  const { target } = promise;
  const upTo = (lengthMs: number) => tallyIn(counts.steps, { fromMs: nowMs - lengthMs, toMs: nowMs });
  const predicted = forecastOf(state, counted);
  const budget = budgetIn(counted, predicted);
  const kept = keptShare(tally);
  const chance = predicted?.chanceOfBreaking;
  return {
    name: promise.name,
    to: promise.to,
    rule: ruleWords(promise),
    indicator: promise.indicator,
    unit: unitOf(promise.indicator),
    units: unitsOf(promise.indicator),
    limitMs: promise.limitMs ?? null,
    target,
    period,
    periodWords: periodWords(promise.period),
    flows: counts.flows.length,
    state:
      tally.valid === 0
        ? 'noData'
        : isBroken(counted, budget.left, chance)
          ? 'broken'
          : !isOver && (budget.left < 0 || (chance ?? 0) >= AT_RISK)
            ? 'atRisk'
            : 'kept',
    valid: tally.valid,
    good: tally.good,
    kept: kept ? { share: kept.estimate, low: kept.low, high: kept.high } : null,
    budget: { ...budget, leftShare: budget.leftShare ?? null },
    burn: BURN_WINDOWS_MS.map((windowMs) => ({ windowMs, rate: burnRate(upTo(windowMs), target) ?? null })),
    pace: alertingPace(upTo, target) ?? null,
    endsMs: endsAt(counted, budget.left),
    line: lineOf(counted, budget.allowed),
    forecast: predicted
      ? {
          endMs: forecastPeriod(promise.period, nowMs).toMs,
          share: [...predicted.share],
          chanceOfBreaking: predicted.chanceOfBreaking,
          expectedPenalty: predicted.expectedPenalty,
          // Day by day a rolling period loses old days as well: of it the end alone is told.
          fan: (promise.period.kind === 'rolling' ? predicted.left.slice(-1) : predicted.left).map(({ atMs, fan }) => ({
            atMs,
            left: [...fan],
          })),
        }
      : null,
    penalties: promise.penalties.map(({ below, amount }, i) => ({
      below,
      amount,
      chance: predicted?.chances[i] ?? null,
    })),
    isRough: counts.isRough,
  };
}

/** What may be bad: of a calendar's period by what is expected of the whole of it, of a rolling one by what came. */
export function budgetIn({ promise, tally }: Counted, predicted: Forecast | undefined): Budget {
  const expectedValid = promise.period.kind === 'rolling' ? tally.valid : (predicted?.expectedValid ?? tally.valid);
  return budgetOf(tally, expectedValid, promise.target);
}

/** A rolling one when it is below its target; a calendar's once its budget is gone and nothing to come can mend it. */
const isBroken = ({ promise, tally, isOver }: Counted, left: number, chance: number | undefined): boolean =>
  isOver || promise.period.kind === 'rolling' ? tally.good / tally.valid < promise.target : left < 0 && chance === 1;

/** When nothing is left at the pace of the last hours; null when that is after the period, or nothing is spent. */
function endsAt({ period, nowMs, counts, promise, isOver }: Counted, left: number): number | null {
  const { valid, good } = tallyIn(counts.steps, { fromMs: nowMs - PACE_MS, toMs: nowMs });
  const endMs = promise.period.kind === 'rolling' ? forecastPeriod(promise.period, nowMs).toMs : period.toMs;
  if (isOver || left <= 0 || valid === good) return null;
  const atMs = nowMs + (left / (valid - good)) * PACE_MS;
  return atMs < endMs ? atMs : null;
}

/** What was left of the budget, step by step up to now. */
function lineOf({ nowMs, steps }: Counted, allowed: number): ServiceLevelShape['line'] {
  // Before anything came nothing is known, and that is not a whole budget.
  let startMs = nowMs;
  for (let at = 0; at < steps.n; at++) startMs = Math.min(startMs, steps.startMs[at] as number);
  const stepMs = Math.max(BUCKET_MS, ceilTo((nowMs - startMs) / MOST_STEPS, BUCKET_MS));
  const n = Math.max(0, Math.ceil((nowMs - startMs) / stepMs));
  const bad = new Float64Array(n);
  for (let at = 0; at < steps.n; at++) {
    const step = Math.min(n - 1, Math.floor(((steps.startMs[at] as number) - startMs) / stepMs));
    bad[step] = (bad[step] as number) + (steps.valid[at] as number) - (steps.good[at] as number);
  }
  let spent = 0;
  const left = Array.from(bad, (one) => {
    spent += one;
    return allowed > 0 ? 1 - spent / allowed : 1;
  });
  return { startMs, stepMs, left };
}

const forecastOf = (state: EngineState, counted: Counted): Forecast | undefined =>
  counted.isOver ? undefined : expectedOf(state, counted).forecast;

/** What the period may come to, and what a bad attempt of trouble adds to the penalty. */
export function expectedOf(state: EngineState, counted: Counted): Expected {
  const { promise, period, nowMs, counts, tally } = counted;
  const all = tallyIn(counts.steps, { fromMs: -Infinity, toMs: nowMs });
  const spent = sum([...spentIn(state, counted).byIncident.values()]);
  const ongoing = ongoingIn(state, counted);
  // All that it follows from: what was counted, what trouble did, and the calendar to come.
  const askedAt = [floorTo(nowMs, FORECAST_EVERY_MS), state.settings.number];
  const key = JSON.stringify([promise, askedAt, all, tally, spent, ongoing]);
  const known = forecasts.get(key);
  if (known) return known;
  const question = { ...questionOf(state, counted), ongoing };
  const made = forecast(question);
  const elapsedShare = Math.min(1, (nowMs - period.fromMs) / (period.toMs - period.fromMs));
  const expected = {
    forecast: made,
    price: made
      ? priceOfBadAttempt(question, made, spent)
      : roughPrice(promise, tally, { spent, elapsedShare: promise.period.kind === 'rolling' ? 1 : elapsedShare }),
  };
  forecasts.set(key, expected);
  return expected;
}

function questionOf(state: EngineState, counted: Counted): Omit<ForecastQuestion, 'ongoing'> {
  const { promise, nowMs, counts } = counted;
  const horizon = forecastPeriod(promise.period, nowMs);
  const { isOff } = dayKinds(state.settings.calendarAt(nowMs));
  return {
    target: promise.target,
    penalties: promise.penalties,
    endMs: horizon.toMs,
    nowMs,
    soFar: tallyIn(counts.steps, { fromMs: horizon.fromMs, toMs: nowMs }),
    past: tallyByHour(counts.steps),
    isCounted: countedIn(state, promise, { fromMs: nowMs - HOUR_MS, toMs: horizon.toMs }),
    isOff,
  };
}

/** Trouble of its flows that goes on now, and how long such took before. */
function ongoingIn(state: EngineState, counted: Counted): Parameters<typeof forecast>[0]['ongoing'] {
  const { nowMs, counts } = counted;
  const before = { fromMs: nowMs - LEARNT_FROM_MS, toMs: nowMs };
  const spenders = spendersOf(state, counted, before);
  const on = spenders.filter(({ toMs }) => toMs >= nowMs - BUCKET_MS);
  if (on.length === 0) return undefined;
  const { valid, good } = tallyIn(counts.steps, { fromMs: nowMs - ONGOING_MS, toMs: nowMs });
  const usual = usualBadShare(counts.steps, spenders);
  return {
    addedShare: valid === 0 ? 0 : Math.max(0, (valid - good) / valid - usual),
    sinceMs: Math.min(...on.map(({ fromMs }) => fromMs)),
    tookMs: spenders.filter((one) => !on.includes(one)).map(({ fromMs, toMs }) => toMs - fromMs),
  };
}
