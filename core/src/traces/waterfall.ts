import { clockOffsets, onOneClock } from './clock-offsets';
import { unionUs, type Stretch } from './stretch';
import { timeShares } from './time-shares';
import { holderOf, type TraceSpan } from './trace-span';

/** Name of the row that stands for a span that others name as their parent but that never came. */
export const MISSING_SPAN = 'missing span';
/** So many calls alike below one span are folded into one row. */
const FOLD_FROM = 3;

export interface WaterfallRow {
  span: TraceSpan;
  /** who is answerable for its own time, see `holderOf` */
  holder: string;
  depth: number;
  /** the row's parts in which it waits for nobody below it, microseconds from the attempt's begin */
  own: Stretch[];
  ownUs: number;
  /** of the attempt's duration, microseconds; parallel work shared evenly, so that all rows add up to it */
  shareUs: number;
  /** calls alike that this row begins, itself included; 1 for a single call */
  calls: number;
  /** time during which at least one of them ran, and their sum, microseconds */
  callsUs: number;
  callsSumUs: number;
  /** this row is one of the calls that the row named stands for; '' for others */
  foldedInto: string;
  /** stands for a parent that never came: its times are those of what is known below it */
  isMissing: boolean;
  /** runs on after its parent ended */
  runsOn: boolean;
}

export interface ComponentTime {
  component: string;
  /** of the attempt's duration, microseconds; the components together add up to it */
  shareUs: number;
  share: number;
  spans: number;
  failed: number;
}

export interface Waterfall {
  root: TraceSpan;
  /** from top to bottom: each span is followed by what it caused, in order of time */
  rows: WaterfallRow[];
  components: ComponentTime[];
  /** clocks that were put right, microseconds that were added */
  clocks: { host: string; offsetUs: number }[];
  missing: number;
}

/**
 * The spans of a trace as a waterfall below one attempt: clocks put right, in order, own time of each, repeated calls
 * folded. Pure in the set of spans.
 *
 * @param rootId the span that began the attempt; spans of the trace outside it are left out
 * @throws RangeError when the attempt itself is not among the spans
 */
export function layOut(spans: readonly TraceSpan[], rootId: string): Waterfall {
  const offsets = clockOffsets(spans);
  const onClock = onOneClock(spans, offsets);
  const root = onClock.find((span) => span.spanId === rootId);
  if (!root) throw new RangeError(`the attempt ${rootId} is not among the ${spans.length} spans of its trace`);
  const { below, missing } = treeOf(onClock, root);
  const shares = timeShares([...below.spans.values()], root);
  const rows: WaterfallRow[] = [];
  const open: { span: TraceSpan; depth: number; foldedInto: string }[] = [{ span: root, depth: 0, foldedInto: '' }];
  const starters = new Map<string, { calls: TraceSpan[] }>();
  for (let next = open.pop(); next; next = open.pop()) {
    const { span, depth, foldedInto } = next;
    const children = below.children.get(span.spanId) ?? [];
    const own = partsOutside(span, children, root.startUs);
    const parent = below.spans.get(span.parentSpanId);
    const calls = starters.get(span.spanId)?.calls ?? [span];
    rows.push({
      span,
      holder: holderOf(span, children.length > 0),
      depth,
      own,
      ownUs: own.reduce((us, { fromUs, toUs }) => us + toUs - fromUs, 0),
      shareUs: shares.get(span.spanId) ?? 0,
      calls: calls.length,
      callsUs: unionUs(calls),
      callsSumUs: calls.reduce((us, call) => us + call.durationUs, 0),
      foldedInto,
      isMissing: missing.has(span.spanId),
      runsOn: parent !== undefined && span.startUs + span.durationUs > parent.startUs + parent.durationUs,
    });
    // The last pushed is taken first.
    const folds = foldsOf(children, below.children);
    for (const child of [...children].reverse()) {
      const alike = folds.get(child.spanId);
      const first = alike?.[0];
      if (alike && first === child) starters.set(child.spanId, { calls: alike });
      open.push({
        span: child,
        depth: depth + 1,
        foldedInto: foldedInto || (first && first !== child ? first.spanId : ''),
      });
    }
  }
  return {
    root,
    rows,
    components: componentsOf(rows, root),
    clocks: [...offsets].map(([host, offsetUs]) => ({ host, offsetUs })).sort((a, b) => a.host.localeCompare(b.host)),
    missing: missing.size,
  };
}

interface Tree {
  spans: Map<string, TraceSpan>;
  children: Map<string, TraceSpan[]>;
}

/**
 * Everything below the attempt. Parents that never came get a span of their own, below the attempt if their children
 * lie within it.
 */
function treeOf(spans: readonly TraceSpan[], root: TraceSpan): { below: Tree; missing: Set<string> } {
  const byId = new Map(spans.map((span) => [span.spanId, span]));
  const children = new Map<string, TraceSpan[]>();
  const orphans = new Map<string, TraceSpan[]>();
  const put = (into: Map<string, TraceSpan[]>, key: string, span: TraceSpan) => {
    const list = into.get(key);
    if (list) list.push(span);
    else into.set(key, [span]);
  };
  for (const span of spans) {
    if (span.spanId === root.spanId) continue;
    if (byId.has(span.parentSpanId)) put(children, span.parentSpanId, span);
    else if (span.parentSpanId !== '' && overlaps(span, root)) put(orphans, span.parentSpanId, span);
  }
  const missing = new Set<string>();
  for (const [spanId, found] of orphans) {
    if (spanId === root.parentSpanId) continue;
    const startUs = Math.min(...found.map((span) => span.startUs));
    const endUs = Math.max(...found.map((span) => span.startUs + span.durationUs));
    const stand: TraceSpan = {
      spanId,
      parentSpanId: root.spanId,
      name: MISSING_SPAN,
      component: MISSING_SPAN,
      kind: 1,
      host: '',
      peer: '',
      statement: '',
      failure: '',
      isUserSide: false,
      ranOn: '',
      failed: false,
      startUs,
      durationUs: endUs - startUs,
    };
    missing.add(spanId);
    byId.set(spanId, stand);
    put(children, root.spanId, stand);
    children.set(spanId, found);
  }
  for (const list of children.values())
    list.sort((a, b) => a.startUs - b.startUs || b.durationUs - a.durationUs || a.spanId.localeCompare(b.spanId));
  const below = new Map<string, TraceSpan>();
  const open = [root];
  for (let span = open.pop(); span; span = open.pop()) {
    if (below.has(span.spanId)) continue;
    below.set(span.spanId, span);
    open.push(...(children.get(span.spanId) ?? []));
  }
  return { below: { spans: below, children }, missing };
}

const overlaps = (span: TraceSpan, root: TraceSpan) =>
  span.startUs < root.startUs + root.durationUs && span.startUs + span.durationUs > root.startUs;

/** Parts of a span during which none of its children runs, microseconds from the attempt's begin. */
function partsOutside(span: TraceSpan, children: readonly TraceSpan[], zeroUs: number): Stretch[] {
  const parts: Stretch[] = [];
  const endUs = span.startUs + span.durationUs;
  let reached = span.startUs;
  for (const child of children) {
    const from = Math.min(endUs, child.startUs);
    if (from > reached) parts.push({ fromUs: reached - zeroUs, toUs: from - zeroUs });
    reached = Math.max(reached, Math.min(endUs, child.startUs + child.durationUs));
  }
  if (reached < endUs) parts.push({ fromUs: reached - zeroUs, toUs: endUs - zeroUs });
  return parts;
}

/** Calls alike below one span, by each of them: the same name, component, peer and statement, three times or more. */
function foldsOf(children: readonly TraceSpan[], below: ReadonlyMap<string, TraceSpan[]>): Map<string, TraceSpan[]> {
  const alike = new Map<string, TraceSpan[]>();
  for (const child of children) {
    // What went wrong is never folded away.
    if (child.failed) continue;
    const key = [
      child.component,
      child.name,
      child.peer,
      child.statement,
      child.kind,
      (below.get(child.spanId) ?? []).length > 0,
    ].join('\u001f');
    const list = alike.get(key);
    if (list) list.push(child);
    else alike.set(key, [child]);
  }
  const folds = new Map<string, TraceSpan[]>();
  for (const list of alike.values())
    if (list.length >= FOLD_FROM) for (const child of list) folds.set(child.spanId, list);
  return folds;
}

function componentsOf(rows: readonly WaterfallRow[], root: TraceSpan): ComponentTime[] {
  const times = new Map<string, ComponentTime>();
  for (const { span, holder: component, shareUs, isMissing } of rows) {
    const time = times.get(component) ?? { component, shareUs: 0, share: 0, spans: 0, failed: 0 };
    time.shareUs += shareUs;
    if (!isMissing) time.spans++;
    if (span.failed) time.failed++;
    times.set(component, time);
  }
  for (const time of times.values()) time.share = root.durationUs > 0 ? time.shareUs / root.durationUs : 0;
  return [...times.values()].sort((a, b) => b.shareUs - a.shareUs || a.component.localeCompare(b.component));
}
