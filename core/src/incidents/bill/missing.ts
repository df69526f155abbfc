import { BUCKET_MS } from '../../flows';
import { volumeAt, type Deviation } from '../../normal';
import { sum } from '../../stats';
import { eachRow } from '../../telemetry';
import { floorTo, overlap, type Window } from '../../time';
import type { BillContext } from './bill-context';
import { outageStretch } from '../finding/group';

export interface MissingStretch {
  flow: number;
  fromMs: number;
  toMs: number;
}

export interface Missing extends MissingStretch {
  quantity: number;
  sd: number;
  harm: number;
  harmSd: number;
  keyHarm: number;
  money: number;
  moneySd: number;
  keyMoney: number;
}

/**
 * Where attempts are counted as missing. Behind a troubled flow they are missing as long as that trouble lasts, also in
 * minutes that alone would not stand out; in an outage each part counts as it was found.
 */
export function missingStretches(bad: readonly Deviation[], missing: readonly Deviation[]): MissingStretch[] {
  if (bad.length === 0) {
    const flows = [...new Set(missing.map((part) => part.flow))];
    // One flow alone tells its own stretch; of several each tells it roughly, and their middle is closer.
    if (flows.length > 1) return flows.map((flow) => ({ flow, ...outageStretch(missing) }));
    return missing.map(({ flow, onsetMs, endMs }) => ({ flow, fromMs: onsetMs, toMs: endMs }));
  }
  const fromMs = Math.min(...bad.map((part) => part.onsetMs));
  const toMs = Math.max(...bad.map((part) => part.endMs));
  const missed = new Set(missing.map((part) => part.flow));
  return Array.from(missed, (flow) => ({ flow, fromMs, toMs }));
}

/** Attempts that a flow misses in the window, against what today would have brought. */
export function countMissing(part: MissingStretch, window: Window, context: BillContext): Missing {
  const none = { quantity: 0, sd: 0, harm: 0, harmSd: 0, keyHarm: 0, money: 0, moneySd: 0, keyMoney: 0 };
  const span = overlap(part, window);
  if (!span) return { ...part, ...none };
  let came = 0;
  eachRow(context.rows, { flows: part.flow, window: span }, () => came++);
  const { mean, spread, dispersion } = expectedAttempts(part.flow, span, context);
  const expected = mean * context.todaysLevel(part.flow, part.fromMs);
  const quantity = Math.max(0, expected - came);
  const sd = Math.sqrt(expected * dispersion + (expected * spread) ** 2);
  const rate = context.rates.missing * context.importanceOf(part.flow);
  let [value, squares, keyValue, keyShare] = [0, 0, 0, 0];
  for (const [tier, share] of context.tierShares(part.flow)) {
    const each = context.expectedValue(part.flow, tier);
    value += share * each;
    squares += share * (each ** 2 + context.valueSpread(part.flow, tier) ** 2);
    if (!context.isKeyTier(tier)) continue;
    keyShare += share;
    keyValue += share * each;
  }
  return {
    ...part,
    quantity,
    sd,
    harm: quantity * rate,
    harmSd: sd * rate,
    keyHarm: quantity * rate * keyShare,
    money: quantity * value,
    // Values differ from one another, within a tier and between tiers.
    moneySd: Math.hypot(sd * value, Math.sqrt(quantity * Math.max(0, squares - value ** 2))),
    keyMoney: quantity * keyValue,
  };
}

/** Sum of the expectation over a window; minutes of which nothing is known count 0. */
export function expectedAttempts(
  flow: number,
  window: Window,
  { normalAt, shareOfFlow }: Pick<BillContext, 'normalAt' | 'shareOfFlow'>,
) {
  let mean = 0;
  let spread = 0;
  let dispersion = 1;
  for (let at = window.fromMs; at < window.toMs;) {
    const next = Math.min(window.toMs, floorTo(at, BUCKET_MS) + BUCKET_MS);
    const normal = normalAt(flow, at);
    const bucket = volumeAt(normal, at);
    if (!Number.isNaN(bucket)) mean += (bucket * (next - at)) / BUCKET_MS;
    spread = Math.max(spread, normal.volumeSpread);
    dispersion = Math.max(dispersion, normal.volumeDispersion);
    at = next;
  }
  return { mean: mean * shareOfFlow(flow), spread, dispersion };
}

/** Of those who usually come in such a stretch, whoever misses at least one of the attempts usually made. */
export function missingPeople(
  parts: readonly Deviation[],
  absent: readonly MissingStretch[],
  window: Window,
  context: BillContext,
) {
  const none = { mean: 0, sd: 0 };
  const stretch = parts.length > 0 ? overlap(outageStretch(parts), window) : undefined;
  if (!stretch) return none;
  const flows = [...new Set(absent.map((entry) => entry.flow))];
  const counts = flows.map((flow) => countMissing({ flow, ...stretch }, window, context).quantity);
  const expected = sum(
    flows.map((flow) => expectedAttempts(flow, stretch, context).mean * context.todaysLevel(flow, stretch.fromMs)),
  );
  const share = expected > 0 ? Math.min(1, sum(counts) / expected) : 0;
  const usual = context.usualPeople(flows, stretch);
  if (!(usual.mean > 0) || !(usual.attempts > 0)) return none;
  // The day goes on rising or falling: as many more people as attempts are expected.
  const now = Math.min(2, Math.max(0.5, expected / usual.attempts));
  const hit = 1 - (1 - share) ** Math.max(1, usual.attempts / usual.mean);
  return { mean: usual.mean * now * hit, sd: Math.hypot(usual.sd * now, usual.mean * now * 0.08) * hit };
}
