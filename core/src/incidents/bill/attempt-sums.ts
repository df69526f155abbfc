import { hangLimitMs, outcomeOf, type Outcome } from '../../flows';
import { limitsAt, SLOT_MS, type Deviation, type FlowNormal } from '../../normal';
import { BACKGROUND, eachRow, FAILED } from '../../telemetry';
import { floorTo, MINUTE_MS, overlap, type Window } from '../../time';
import type { BillContext } from './bill-context';
import { pairOf } from '../rows/pair-of';
import { outcomeOfRow } from '../rows/row-outcome';

/** A second try that works within this time makes a failure good: only the time between is charged. */
export const MADE_GOOD_MS = 30 * MINUTE_MS;
/**
 * How far the learned median lies from the true one, as a share of it: half a histogram bucket, and the drift within
 * half an hour. Measured on worlds whose truth is known (docs/truth.md).
 */
const EXPECTED_ERROR = 0.03;
/** The same for the limit, and with it for the number of people found late. */
const LIMIT_ERROR = 0.04;
/**
 * What the sums above leave out (who would have waited anyway, whose second try was whose): as a share of the waiting.
 * Measured likewise.
 */
const WAITING_ERROR = 0.015;
/**
 * Begin and end of a trouble are known to about so many minutes: what falls there may be missed, or counted too much.
 */
const EDGE_MINUTES = 0.8;

/** What attempts of the troubled flows did to people, over all of them or those of key tiers. */
export interface Sums {
  attempts: number;
  excessMs: number;
  usualExcessMs: number;
  usualVariance: number;
  /** excess of the late ones alone: what an error of the expectation moves */
  lateCount: number;
  expectedMs: number;
  /** counted for hung attempts, which are charged up to the hang limit */
  hungMs: number;
  /** from failures to the second tries that made them good, and the squares of that */
  retryMs: number;
  retrySquares: number;
  unrecovered: number;
  /** failed or hung, and tried again, with success or not */
  triedAgain: number;
  /** failed or hung */
  bad: number;
  usualBad: number;
  /** late, hung or failed */
  notOnTime: number;
  usualNotOnTime: number;
  /**
   * value of what failed for good, units of currency, and the variance of that: single values differ from their mean
   */
  lost: number;
  lostVariance: number;
}

const noSums = (): Sums => ({
  attempts: 0,
  excessMs: 0,
  usualExcessMs: 0,
  usualVariance: 0,
  lateCount: 0,
  expectedMs: 0,
  hungMs: 0,
  retryMs: 0,
  retrySquares: 0,
  unrecovered: 0,
  triedAgain: 0,
  bad: 0,
  usualBad: 0,
  notOnTime: 0,
  usualNotOnTime: 0,
  lost: 0,
  lostVariance: 0,
});

export interface FlowSums {
  flow: number;
  importance: number;
  /** share of the stretch that lies at its edges */
  edge: number;
  all: Sums;
  key: Sums;
}

export interface AttemptSums {
  flows: FlowSums[];
  outcomes: Record<Outcome, number>;
  people: { mean: number; sd: number };
  keyPeople: number;
  hurtPersons: Set<number>;
  unnamedHurt: number;
}

/** When each troubled flow was in trouble, within the window. */
export function troubledStretches(parts: readonly Deviation[], window: Window): Map<number, Window> {
  const spans = new Map<number, Window>();
  for (const part of parts) {
    const span = overlap({ fromMs: part.onsetMs, toMs: part.endMs }, window);
    if (!span) continue;
    const known = spans.get(part.flow);
    spans.set(
      part.flow,
      known ? { fromMs: Math.min(known.fromMs, span.fromMs), toMs: Math.max(known.toMs, span.toMs) } : span,
    );
  }
  return spans;
}

/** Walks the attempts of the troubled flows: waiting, failures, and the people who met them. */
export function sumAttempts(parts: readonly Deviation[], window: Window, context: BillContext): AttemptSums {
  const spans = troubledStretches(parts, window);
  const outcomes: Record<Outcome, number> = { onTime: 0, late: 0, hung: 0, failed: 0 };
  const flows: FlowSums[] = [];
  const people = new PeopleCount();
  const tries = new Tries(context, spans);
  const { rows } = context;
  for (const [flow, span] of spans) {
    const all = noSums();
    const key = noSums();
    flows.push({
      flow,
      importance: context.importanceOf(flow),
      edge: Math.min(0.5, (EDGE_MINUTES * MINUTE_MS) / (span.toMs - span.fromMs)),
      all,
      key,
    });
    let normal: FlowNormal | undefined;
    let slot = NaN;
    eachRow(rows, { flows: flow, window: span }, (i) => {
      const startMs = rows.startMs[i] as number;
      const flags = rows.flags[i] as number;
      if (!normal || floorTo(startMs, SLOT_MS) !== slot) {
        normal = context.normalAt(flow, startMs);
        slot = floorTo(startMs, SLOT_MS);
      }
      const durationMs = rows.durationMs[i] as number;
      const isFailed = (flags & FAILED) !== 0;
      const limits = limitsAt(normal, rows.site[i] as number);
      const outcome = outcomeOf(durationMs, isFailed, limits.limitMs);
      outcomes[outcome]++;
      const tier = rows.tier[i] as number;
      const person = rows.person[i] as number;
      const isKey = context.isKeyTier(tier);
      const usualBad = normal.failedShare + (1 - normal.failedShare) * limits.hungShare;
      const usualWrong = 1 - (1 - normal.failedShare) * (1 - limits.lateShare);
      for (const target of isKey ? [all, key] : [all]) {
        target.attempts++;
        target.usualBad += usualBad;
        target.usualNotOnTime += usualWrong;
        if (outcome !== 'onTime') target.notOnTime++;
        if (isFailed || normal.expectedMs === undefined) continue;
        target.excessMs += Math.max(
          0,
          Math.min(durationMs, hangLimitMs(limits.limitMs ?? normal.expectedMs)) - normal.expectedMs,
        );
        target.usualExcessMs += normal.usualWaitMs;
        target.usualVariance += normal.usualWaitSdMs ** 2;
        target.expectedMs = normal.expectedMs;
        if (outcome === 'hung') target.hungMs += hangLimitMs(limits.limitMs ?? 0);
        if (durationMs > normal.expectedMs) target.lateCount++;
      }
      if (flags & BACKGROUND) return;
      people.add(flow, person, { isHurt: outcome !== 'onTime', isKey, usualWrong });
      if (outcome !== 'failed' && outcome !== 'hung') return;
      const again = person === 0 ? undefined : tries.firstSuccess(flow, person, startMs + durationMs);
      // A person's value is lost once, with the last try.
      const isLastTry = person === 0 || !tries.triesAgain(flow, person, startMs + durationMs);
      for (const target of isKey ? [all, key] : [all]) {
        target.bad++;
        if (!isLastTry) target.triedAgain++;
        if (again === undefined) {
          target.unrecovered++;
          if (!isLastTry) continue;
          target.lost += context.expectedValue(flow, tier);
          target.lostVariance += context.valueSpread(flow, tier) ** 2;
        } else {
          target.retryMs += again - startMs;
          target.retrySquares += (again - startMs) ** 2;
        }
      }
    });
  }
  return {
    flows,
    outcomes,
    people: people.beyondUsual(Math.max(0, ...flows.map((one) => one.edge))),
    keyPeople: people.keyHurt.size,
    hurtPersons: people.hurt,
    unnamedHurt: people.unnamedHurt,
  };
}

/** Minutes waited beyond the usual, with the standard error of that. */
export function waitingOf(s: Sums, edge = 0): { quantity: number; sd: number } {
  // An expectation that lies off moves the excess of all that are above it, less what it moves the usual excess by.
  const shifted = Math.max(0, s.lateCount - s.attempts / 2) * s.expectedMs * EXPECTED_ERROR;
  const usual = s.usualExcessMs * 0.08;
  const hung = s.hungMs * LIMIT_ERROR;
  const excess = s.excessMs - s.usualExcessMs + s.retryMs * (1 - usualRetries(s));
  return {
    quantity: excess / MINUTE_MS,
    sd:
      Math.hypot(
        Math.sqrt(s.usualVariance),
        shifted,
        usual,
        hung,
        retriesSd(s),
        excess * edge,
        excess * WAITING_ERROR,
      ) / MINUTE_MS,
  };
}

/**
 * Of the second tries that made a failure good, the share that is usual: usual failures are tried again as others are,
 * but then it works.
 */
function usualRetries(s: Sums): number {
  const recovered = s.bad - s.unrecovered;
  return recovered > 0 ? Math.min(1, (s.usualBad * s.triedAgain) / s.bad / recovered) : 0;
}

/** Which of them those are is not known; one may be a visit much later that was no second try. */
function retriesSd(s: Sums): number {
  const usual = Math.min(0.5, usualRetries(s));
  return Math.sqrt(usual * (1 - usual) * s.retrySquares);
}

/** Share of the failed and hung ones that are more than usual. */
export const notUsual = (s: Sums): number => (s.bad > 0 ? Math.max(0, s.bad - s.usualBad) / s.bad : 0);

/** Failed and hung attempts, beyond the usual, that no second try made good. */
export function failedOf(s: Sums, edge = 0): { quantity: number; sd: number } {
  const usualForGood = s.bad > 0 ? (s.usualBad * s.unrecovered) / s.bad : 0;
  const quantity = s.unrecovered * notUsual(s);
  return { quantity, sd: Math.hypot(Math.sqrt(usualForGood + 0.25 * Number(s.unrecovered > 0)), quantity * edge) };
}

/** Distinct people who met a late, hung or failed attempt, and how many of them the usual would have hurt as well. */
class PeopleCount {
  readonly hurt = new Set<number>();
  readonly keyHurt = new Set<number>();
  /** attempts that went wrong and do not say whose they are: each counts as a person */
  unnamedHurt = 0;
  readonly #everybody = new Set<number>();
  readonly #stillRight = new Map<number, number>();
  #unknown = 0;
  #expected = 0;

  add(
    flow: number,
    person: number,
    { isHurt, isKey, usualWrong }: { isHurt: boolean; isKey: boolean; usualWrong: number },
  ): void {
    if (person === 0) {
      this.#unknown++;
      this.#expected += usualWrong;
      if (isHurt) this.unnamedHurt++;
      return;
    }
    // Chance that this person's attempts so far were all right, and this one is the first that is not.
    const counted = pairOf(flow, person);
    const right = this.#stillRight.get(counted) ?? 1;
    this.#expected += right * usualWrong;
    this.#stillRight.set(counted, right * (1 - usualWrong));
    this.#everybody.add(person);
    if (!isHurt) return;
    this.hurt.add(person);
    if (isKey) this.keyHurt.add(person);
  }

  /** Of those whom the usual would have hurt anyway, the trouble hurts its share too: H = N(1 − (1 − f)(1 − E/N)). */
  beyondUsual(edge: number): { mean: number; sd: number } {
    const active = this.#everybody.size + this.#unknown;
    const hurt = this.hurt.size + this.unnamedHurt;
    const spared = active > 0 ? 1 - Math.min(0.99, this.#expected / active) : 1;
    const mean = Math.min(active, Math.max(0, (hurt - this.#expected) / spared));
    return {
      mean,
      sd:
        Math.hypot(Math.sqrt(this.#expected), LIMIT_ERROR * mean * (1 - mean / Math.max(1, active)) * 2, mean * edge) /
        spared,
    };
  }
}

/** When people tried a flow, and when they succeeded. */
class Tries {
  readonly #starts = new Map<number, { all: number[]; successes: number[] }>();

  constructor({ rows, normalAt }: Pick<BillContext, 'rows' | 'normalAt'>, stretches: ReadonlyMap<number, Window>) {
    for (let i = 0; i < rows.n; i++) {
      const flow = rows.flow[i] as number;
      const person = rows.person[i] as number;
      const stretch = stretches.get(flow);
      const startMs = rows.startMs[i] as number;
      // Only what comes after a failure can make it good.
      if (person === 0 || !stretch || startMs < stretch.fromMs) continue;
      const durationMs = rows.durationMs[i] as number;
      const key = pairOf(flow, person);
      let starts = this.#starts.get(key);
      if (!starts) this.#starts.set(key, (starts = { all: [], successes: [] }));
      starts.all.push(startMs);
      const isHung = durationMs >= 30_000 && outcomeOfRow(rows, i, normalAt(flow, startMs)) === 'hung';
      if (!isHung && !((rows.flags[i] as number) & FAILED)) starts.successes.push(startMs);
    }
    for (const starts of this.#starts.values()) {
      starts.all.sort((a, b) => a - b);
      starts.successes.sort((a, b) => a - b);
    }
  }

  #firstWithin(starts: readonly number[] | undefined, afterMs: number): number | undefined {
    const again = starts?.find((startMs) => startMs >= afterMs);
    return again !== undefined && again <= afterMs + MADE_GOOD_MS ? again : undefined;
  }

  firstSuccess(flow: number, person: number, afterMs: number): number | undefined {
    return this.#firstWithin(this.#starts.get(pairOf(flow, person))?.successes, afterMs);
  }

  triesAgain(flow: number, person: number, afterMs: number): boolean {
    return this.#firstWithin(this.#starts.get(pairOf(flow, person))?.all, afterMs) !== undefined;
  }
}
