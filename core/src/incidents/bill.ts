import { BUCKET_MS, hangLimitMs, outcomeOf, type Outcome } from '../flows';
import { SLOT_MS, type Deviation, type FlowNormal } from '../normal';
import { normalInterval, type Interval } from '../stats';
import { BACKGROUND, FAILED, PROBE, type AttemptColumns } from '../telemetry';
import { floorTo, MINUTE_MS, overlap, type Window } from '../time';
import { outageStretch } from './group';
import type { HarmRates } from './rates';

export const BILL_LINES = ['waiting', 'failed', 'missing', 'money', 'keyCustomers'] as const;
export type BillLineName = (typeof BILL_LINES)[number];

/** One line of the receipt: quantity × rate = harm. */
export interface BillLine {
  name: BillLineName;
  /** minutes, attempts, attempts, units of currency, minutes */
  quantity: Interval;
  rate: number;
  /** harm in minutes, importance of the flow included */
  harm: Interval;
}

export interface HarmBill {
  window: Window;
  lines: BillLine[];
  /** sum of the lines, minutes */
  harm: Interval;
  /** people hurt beyond the usual, each counted once */
  people: Interval;
  /** people hurt who belong to key tiers */
  keyPeople: number;
  /** attempts of the root flows in the window, by what became of them */
  outcomes: Record<Outcome, number>;
  /** attempts that never came, in the flow that misses most */
  missingAttempts: number;
  /** the people who met a late, hung or failed attempt, and those of unknown name; for exports and unions */
  hurtPersons: Set<number>;
}

/** What the bill needs to know about the world around the attempts. */
export interface BillContext {
  /** attempts of the flows of all parts, from before the window to half an hour after it, if so much is known */
  rows: AttemptColumns;
  normalAt: (flow: number, timeMs: number) => FlowNormal;
  importanceOf: (flow: number) => number;
  rates: HarmRates;
  isKeyTier: (tier: number) => boolean;
  /** expected value of one completion in units of currency; 0 for flows without value */
  expectedValue: (flow: number, tier: number) => number;
  /** share of a flow's attempts by tier, usually */
  tierShares: (flow: number) => Map<number, number>;
  /** people who usually make an attempt of any of these flows within this window, and its standard deviation */
  usualPeople: (flows: number[], window: Window) => { mean: number; sd: number };
  /** by how much today's volume was above (1.1) or below (0.9) its expectation before the trouble */
  todaysLevel: (flow: number, beforeMs: number) => number;
}

/** A second try that works within this time makes a failure good: only the time between is charged. */
export const MADE_GOOD_MS = 30 * MINUTE_MS;

/** Harm of the root's attempts, kept apart for key customers. */
interface Sums {
  attempts: number;
  excessMs: number;
  excessSquares: number;
  usualExcessMs: number;
  retryMs: number;
  unrecovered: number;
  bad: number;
  usualBad: number;
  lost: number;
}

const noSums = (): Sums => ({
  attempts: 0, excessMs: 0, excessSquares: 0, usualExcessMs: 0, retryMs: 0, unrecovered: 0, bad: 0, usualBad: 0, lost: 0,
}); // prettier-ignore

/**
 * The harm bill of an incident over a window: each line is what came beyond the usual. Pure in the set of rows: order
 * and batches make no difference.
 *
 * @param parts deviations of the incident; those that are not 'missing', or else all, are its root
 */
export function harmBill(parts: readonly Deviation[], window: Window, context: BillContext): HarmBill {
  const bad = parts.filter((part) => part.signal !== 'missing');
  const missing = parts.filter((part) => part.signal === 'missing');
  const root = walkAttempts(bad, window, context);
  const absent = missingStretches(bad, missing).map((stretch) => ({ ...stretch, ...countMissing(stretch, window, context) }));
  const worst = absent.reduce<(typeof absent)[number] | undefined>((a, b) => (a && a.harm >= b.harm ? a : b), undefined);
  // People who left upstream are missing in every flow behind: they are charged once, where most are missing.
  // An outage without a troubled flow in front has no such chain: each flow misses its own attempts.
  const charged = bad.length > 0 ? (worst ? [worst] : []) : absent;
  const dearest = absent.reduce((most, entry) => (entry.money > most.money ? entry : most), { money: 0, moneySd: 0, keyMoney: 0 });
  const missingMoney = bad.length > 0 ? dearest : sumMoney(absent);
  const rates = context.rates;

  const waiting = line('waiting', root.waiting.quantity, root.waiting.sd, rates.waiting, root.importance);
  const failed = line('failed', root.failed.quantity, root.failed.sd, rates.failed, root.importance);
  const missed = {
    name: 'missing' as const,
    quantity: normalInterval(sum(charged.map((entry) => entry.quantity)), Math.hypot(...charged.map((entry) => entry.sd))),
    rate: rates.missing,
    harm: scale(normalInterval(sum(charged.map((entry) => entry.harm)), Math.hypot(...charged.map((entry) => entry.harmSd))), 1),
  };
  const money = line('money', root.lostMoney + missingMoney.money, Math.hypot(root.lostMoneySd, missingMoney.moneySd), rates.money, 1);
  const keyMinutes = root.keyHarm + sum(charged.map((entry) => entry.keyHarm)) + rates.money * missingMoney.keyMoney;
  const totalBefore = waiting.harm.estimate + failed.harm.estimate + missed.harm.estimate + money.harm.estimate;
  const relative = totalBefore > 0 ? Math.hypot(...[waiting, failed, missed, money].map((l) => l.harm.high - l.harm.low)) / 4 / totalBefore : 0;
  const key = line('keyCustomers', keyMinutes, keyMinutes * relative, rates.keyMultiplier - 1, 1);

  const lines: BillLine[] = [waiting, failed, missed, money, key];
  const spread = Math.hypot(...lines.map((entry) => (entry.harm.high - entry.harm.low) / 2 / 1.96));
  const absentPeople = bad.length > 0 ? { mean: 0, sd: 0 } : missingPeople(missing, absent, window, context);
  return {
    window,
    lines,
    harm: normalInterval(sum(lines.map((entry) => entry.harm.estimate)), spread),
    people: normalInterval(root.people + absentPeople.mean, Math.hypot(root.peopleSd, absentPeople.sd)),
    keyPeople: root.keyPeople,
    outcomes: root.outcomes,
    missingAttempts: worst ? worst.quantity : 0,
    hurtPersons: root.hurtPersons,
  };
}

const sum = (values: number[]) => values.reduce((total, value) => total + value, 0);
const scale = (interval: Interval, by: number): Interval => ({
  estimate: interval.estimate * by,
  low: interval.low * by,
  high: interval.high * by,
});

function line(name: BillLineName, quantity: number, sd: number, rate: number, importance: number): BillLine {
  const interval = normalInterval(quantity, sd);
  return { name, quantity: interval, rate, harm: scale(interval, rate * importance) };
}

function sumMoney(absent: { money: number; moneySd: number; keyMoney: number }[]) {
  return {
    money: sum(absent.map((entry) => entry.money)),
    moneySd: Math.hypot(...absent.map((entry) => entry.moneySd)),
    keyMoney: sum(absent.map((entry) => entry.keyMoney)),
  };
}

/** Waiting, failures and people of the troubled flows, from their attempts. */
function walkAttempts(parts: readonly Deviation[], window: Window, context: BillContext) {
  const spans = new Map<number, Window>();
  for (const part of parts) {
    const span = overlap({ fromMs: part.onsetMs, toMs: part.endMs }, window);
    if (!span) continue;
    const known = spans.get(part.flow);
    spans.set(part.flow, known ? { fromMs: Math.min(known.fromMs, span.fromMs), toMs: Math.max(known.toMs, span.toMs) } : span);
  }
  const outcomes: Record<Outcome, number> = { onTime: 0, late: 0, hung: 0, failed: 0 };
  const all = noSums();
  const key = noSums();
  const stillRight = new Map<string, number>();
  const everybody = new Set<number>();
  let unknown = 0;
  const hurt = new Set<number>();
  const keyHurt = new Set<number>();
  let unknownHurt = 0;
  let expectedPeople = 0;
  let importance = 1;
  const successes = laterSuccesses(context, new Set(spans.keys()));
  const { rows } = context;

  for (const [flow, span] of spans) {
    importance = Math.max(importance, context.importanceOf(flow));
    let normal: FlowNormal | undefined;
    let slot = NaN;
    for (let i = 0; i < rows.n; i++) {
      if (rows.flow[i] !== flow) continue;
      const startMs = rows.startMs[i] as number;
      if (startMs < span.fromMs || startMs >= span.toMs) continue;
      const flags = rows.flags[i] as number;
      if (flags & PROBE) continue;
      if (!normal || floorTo(startMs, SLOT_MS) !== slot) {
        normal = context.normalAt(flow, startMs);
        slot = floorTo(startMs, SLOT_MS);
      }
      const durationMs = rows.durationMs[i] as number;
      const isFailed = (flags & FAILED) !== 0;
      const outcome = outcomeOf(durationMs, isFailed, normal.limitMs);
      outcomes[outcome]++;
      const tier = rows.tier[i] as number;
      const person = rows.person[i] as number;
      const sums = context.isKeyTier(tier) ? [all, key] : [all];
      const usualBad = normal.failedShare + (1 - normal.failedShare) * usualHungShare(normal);
      for (const target of sums) {
        target.attempts++;
        target.usualBad += usualBad;
        if (!isFailed && normal.expectedMs !== undefined) {
          const waited = Math.max(0, Math.min(durationMs, hangLimitMs(normal.limitMs ?? normal.expectedMs)) - normal.expectedMs);
          target.excessMs += waited;
          target.excessSquares += waited * waited;
          target.usualExcessMs += normal.usualWaitMs;
        }
      }
      if (flags & BACKGROUND) continue;
      const counted = `${flow}:${person}`;
      const usualWrong = 1 - (1 - normal.failedShare) * (1 - normal.lateShare);
      if (person === 0) {
        unknown++;
        expectedPeople += usualWrong;
      } else {
        // Chance that this person's attempts so far were all right, and this one is the first that is not.
        const right = stillRight.get(counted) ?? 1;
        expectedPeople += right * usualWrong;
        stillRight.set(counted, right * (1 - usualWrong));
        everybody.add(person);
      }
      if (outcome === 'onTime') continue;
      if (person === 0) unknownHurt++;
      else {
        hurt.add(person);
        if (context.isKeyTier(tier)) keyHurt.add(person);
      }
      if (outcome === 'late') continue;
      const endMs = startMs + durationMs;
      const again = person === 0 ? undefined : firstSuccess(successes, flow, person, endMs);
      for (const target of sums) {
        target.bad++;
        if (again === undefined) {
          target.unrecovered++;
          target.lost += context.expectedValue(flow, tier);
        } else target.retryMs += again - startMs;
      }
    }
  }
  const waitingOf = (s: Sums) => (s.excessMs - s.usualExcessMs + s.retryMs) / MINUTE_MS;
  const notUsual = (s: Sums) => (s.bad > 0 ? Math.max(0, s.bad - s.usualBad) / s.bad : 0);
  const failedOf = (s: Sums) => s.unrecovered * notUsual(s);
  const variance = all.attempts > 0 ? all.excessSquares - (all.excessMs * all.excessMs) / all.attempts : 0;
  // Of those whom the usual would have hurt anyway, the trouble hurts its share too: H = N(1 − (1 − f)(1 − E/N)).
  const active = everybody.size + unknown;
  const spared = active > 0 ? 1 - Math.min(0.99, expectedPeople / active) : 1;
  const people = Math.min(active, Math.max(0, (hurt.size + unknownHurt - expectedPeople) / spared));
  const keyLost = key.lost * notUsual(key);
  return {
    waiting: { quantity: waitingOf(all), sd: Math.sqrt(Math.max(0, variance)) / MINUTE_MS },
    failed: { quantity: failedOf(all), sd: Math.sqrt(all.unrecovered) },
    lostMoney: all.lost * notUsual(all),
    lostMoneySd: all.unrecovered > 0 ? (all.lost / all.unrecovered) * Math.sqrt(all.unrecovered) : 0,
    keyHarm: importance * (Math.max(0, waitingOf(key)) * context.rates.waiting + failedOf(key) * context.rates.failed) + keyLost * context.rates.money,
    people,
    peopleSd: Math.sqrt(expectedPeople + (hurt.size + unknownHurt) * 0.0004),
    keyPeople: keyHurt.size,
    outcomes,
    hurtPersons: hurt,
    importance,
  };
}

/** Few attempts hang usually; the share is bounded by that of the late ones, a tenth of which is assumed. */
const usualHungShare = (normal: FlowNormal) => normal.lateShare / 10;

type Successes = Map<string, number[]>;

function laterSuccesses({ rows, normalAt }: BillContext, flows: Set<number>): Successes {
  const successes: Successes = new Map();
  for (let i = 0; i < rows.n; i++) {
    const flow = rows.flow[i] as number;
    const person = rows.person[i] as number;
    if (person === 0 || !flows.has(flow) || (rows.flags[i] as number) & FAILED) continue;
    const startMs = rows.startMs[i] as number;
    const durationMs = rows.durationMs[i] as number;
    if (durationMs >= 30_000 && outcomeOf(durationMs, false, normalAt(flow, startMs).limitMs) === 'hung') continue;
    const key = `${flow}:${person}`;
    const starts = successes.get(key);
    if (starts) starts.push(startMs);
    else successes.set(key, [startMs]);
  }
  for (const starts of successes.values()) starts.sort((a, b) => a - b);
  return successes;
}

function firstSuccess(successes: Successes, flow: number, person: number, afterMs: number): number | undefined {
  const starts = successes.get(`${flow}:${person}`);
  const again = starts?.find((startMs) => startMs >= afterMs);
  return again !== undefined && again <= afterMs + MADE_GOOD_MS ? again : undefined;
}

interface MissingStretch {
  flow: number;
  fromMs: number;
  toMs: number;
}

/**
 * Where attempts are counted as missing. Behind a troubled flow they are missing as long as that trouble lasts, also in
 * minutes that alone would not stand out; in an outage each part counts as it was found.
 */
function missingStretches(bad: readonly Deviation[], missing: readonly Deviation[]): MissingStretch[] {
  if (bad.length === 0) return missing.map(({ flow, onsetMs, endMs }) => ({ flow, fromMs: onsetMs, toMs: endMs }));
  const fromMs = Math.min(...bad.map((part) => part.onsetMs));
  const toMs = Math.max(...bad.map((part) => part.endMs));
  return [...new Set(missing.map((part) => part.flow))].map((flow) => ({ flow, fromMs, toMs }));
}

/** Attempts that a flow misses in the window, against what today would have brought. */
function countMissing(part: MissingStretch, window: Window, context: BillContext) {
  const none = { quantity: 0, sd: 0, harm: 0, harmSd: 0, keyHarm: 0, money: 0, moneySd: 0, keyMoney: 0 };
  const span = overlap(part, window);
  if (!span) return none;
  const { rows } = context;
  let came = 0;
  for (let i = 0; i < rows.n; i++) {
    const startMs = rows.startMs[i] as number;
    if (rows.flow[i] === part.flow && startMs >= span.fromMs && startMs < span.toMs && !((rows.flags[i] as number) & PROBE)) came++;
  }
  const { mean, spread, dispersion } = expectedAttempts(part.flow, span, context);
  const expected = mean * context.todaysLevel(part.flow, part.fromMs);
  const quantity = Math.max(0, expected - came);
  const sd = Math.sqrt(expected * dispersion + (expected * spread) ** 2);
  const importance = context.importanceOf(part.flow);
  let value = 0;
  let keyValue = 0;
  let keyShare = 0;
  for (const [tier, share] of context.tierShares(part.flow)) {
    value += share * context.expectedValue(part.flow, tier);
    if (!context.isKeyTier(tier)) continue;
    keyShare += share;
    keyValue += share * context.expectedValue(part.flow, tier);
  }
  const harm = quantity * context.rates.missing * importance;
  return {
    quantity,
    sd,
    harm,
    harmSd: sd * context.rates.missing * importance,
    keyHarm: harm * keyShare,
    money: quantity * value,
    moneySd: sd * value,
    keyMoney: quantity * keyValue,
  };
}

/** Sum of the expectation over a window; minutes of which nothing is known count 0. */
function expectedAttempts(flow: number, window: Window, { normalAt }: BillContext) {
  let mean = 0;
  let spread = 0;
  let dispersion = 1;
  for (let at = window.fromMs; at < window.toMs;) {
    const next = Math.min(window.toMs, floorTo(at, BUCKET_MS) + BUCKET_MS);
    const normal = normalAt(flow, at);
    const bucket = normal.volume[Math.floor((at - floorTo(at, SLOT_MS)) / BUCKET_MS)] as number;
    if (!Number.isNaN(bucket)) mean += (bucket * (next - at)) / BUCKET_MS;
    spread = Math.max(spread, normal.volumeSpread);
    dispersion = Math.max(dispersion, normal.volumeDispersion);
    at = next;
  }
  return { mean, spread, dispersion };
}

/** Of those who usually come in such a stretch, as many are missing as attempts are. */
function missingPeople(parts: readonly Deviation[], absent: readonly MissingStretch[], window: Window, context: BillContext) {
  const none = { mean: 0, sd: 0 };
  const stretch = parts.length > 0 ? overlap(outageStretch(parts), window) : undefined;
  if (!stretch) return none;
  const flows = [...new Set(absent.map((entry) => entry.flow))];
  const counts = flows.map((flow) => countMissing({ flow, ...stretch }, window, context).quantity);
  const expected = sum(flows.map((flow) => expectedAttempts(flow, stretch, context).mean * context.todaysLevel(flow, stretch.fromMs)));
  const share = expected > 0 ? Math.min(1, sum(counts) / expected) : 0;
  const usual = context.usualPeople(flows, stretch);
  return { mean: usual.mean * share, sd: usual.sd * share };
}
