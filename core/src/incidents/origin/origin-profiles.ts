import { layOut, type TraceSpan, type WaterfallRow } from '../../traces';

/** An attempt with its spans, as evidence for where trouble comes from. */
export interface ObservedAttempt {
  atMs: number;
  rootId: string;
  spans: readonly TraceSpan[];
  /** late, hung or failed, inside the trouble; else a usual one */
  isBad: boolean;
}

/** Whoever was called last before a failure may be behind it, although nothing marked that call as failed. */
export const CALLED_LAST = 0.3;

/**
 * If that call took so many times its usual, and so much of the span that failed, it was waited for in vain: the
 * failure is its.
 */
const IN_VAIN_TIMES = 4;

const IN_VAIN_SHARE = 0.5;

export interface Part {
  us: number;
  depth: number;
  /** it is the deepest that fails: 1; it was called last by the one that is: a part of that */
  fails: number;
  isSilent: boolean;
}

export interface Profile {
  atMs: number;
  isBad: boolean;
  parts: Map<string, Part>;
}

/** @param usualUs mean time of each component as usual, as far as known */
export function profileOf(
  { atMs, isBad, rootId, spans }: ObservedAttempt,
  usualUs: ReadonlyMap<string, number>,
): Profile {
  const { rows } = layOut(spans, rootId);
  const parts = new Map<string, Part>();
  for (const row of rows) {
    if (row.isMissing) continue;
    const component = row.holder;
    const part = parts.get(component) ?? { us: 0, depth: 0, fails: 0, isSilent: true };
    part.us += row.shareUs;
    part.depth = Math.max(part.depth, row.depth);
    part.isSilent &&= component !== row.span.component;
    parts.set(component, part);
  }
  const deepest = rows.reduce(
    (at, row, i) => (row.span.failed && (at < 0 || row.depth > (rows[at] as WaterfallRow).depth) ? i : at),
    -1,
  );
  if (deepest >= 0) blame(rows, deepest, parts, usualUs);
  return { atMs, isBad, parts };
}

/** Who is answerable for a failure: the deepest that fails, or whom it waited for in vain just before. */
function blame(
  rows: readonly WaterfallRow[],
  deepest: number,
  parts: ReadonlyMap<string, Part>,
  usualUs: ReadonlyMap<string, number>,
): void {
  const failing = rows[deepest] as WaterfallRow;
  const endOf = ({ span }: WaterfallRow) => span.startUs + span.durationUs;
  let last: WaterfallRow | undefined;
  for (let i = deepest + 1; (rows[i]?.depth ?? 0) > failing.depth; i++) {
    const row = rows[i] as WaterfallRow;
    if (row.depth === failing.depth + 1 && (!last || endOf(row) > endOf(last))) last = row;
  }
  const [own, called] = [parts.get(failing.holder), last && parts.get(last.holder)];
  const usual = last && usualUs.get(last.holder);
  const inVain =
    last &&
    usual !== undefined &&
    last.span.durationUs > Math.max(IN_VAIN_TIMES * usual, IN_VAIN_SHARE * failing.span.durationUs);
  if (own) own.fails = inVain ? CALLED_LAST : 1;
  if (called && called !== own) called.fails = inVain ? 1 : CALLED_LAST;
}

export const timesOf = (component: string, profiles: readonly Profile[]) =>
  profiles.map(({ parts }) => parts.get(component)?.us ?? 0);
