import { normalRange } from '../normal';
import { quantileSorted, sortedCopy, sum, wilson, type Interval } from '../stats';

/** A span below the entry of an attempt, as far as steps are told by it. */
export interface StepSpan {
  traceId: string;
  spanId: string;
  parentSpanId: string;
  component: string;
  /** name of the span */
  operation: string;
  durationMs: number;
  failed: boolean;
}

/** What all attempts that were looked at spent in one operation of one component. */
export interface InnerStep {
  component: string;
  operation: string;
  /** attempts that went through it */
  attempts: number;
  /** calls in each of these, mean */
  callsAnAttempt: number;
  /** of the time of all its calls in an attempt together, milliseconds */
  medianMs: number;
  p95Ms: number;
  /** attempts in which a call of it failed */
  failed: number;
  /** median of the attempts to compare with; `undefined` with too few */
  usualMs: number | undefined;
  /** upper bound of what is usual, as for flows; `undefined` with too few */
  learnedLimitMs: number | undefined;
  ownersLimitMs: number | undefined;
  /** attempts that spent more in it than its limit, the owner's before the learned one */
  over: number;
  /** their share, Wilson; `undefined` without a limit */
  overShare: Interval | undefined;
}

/** How a step is called where its limit is set: "payments POST /authorise". */
export const stepName = ({ component, operation }: { component: string; operation: string }): string =>
  `${component} ${operation}`;

/** Fewer attempts do not tell what is usual. Common practice, no source. */
const FEWEST_USUAL = 20;

/**
 * Steps inside a flow: by component and operation, the longest first. What lies below another attempt of the same trace
 * is not counted: only what hangs on the entry by its parents.
 *
 * @param entries span of each attempt by its trace
 * @param limitsMs the owner's limits by `stepName`
 */
export function innerSteps(
  now: { entries: ReadonlyMap<string, string>; spans: readonly StepSpan[] },
  usual: { entries: ReadonlyMap<string, string>; spans: readonly StepSpan[] },
  limitsMs: Readonly<Record<string, number>>,
): InnerStep[] {
  const before = timesByStep(usual.entries, usual.spans);
  return [...timesByStep(now.entries, now.spans)]
    .map(([name, { component, operation, calls, failed, timesMs }]): InnerStep => {
      const sorted = sortedCopy(timesMs);
      const usualMs = before.get(name)?.timesMs ?? [];
      const isKnown = usualMs.length >= FEWEST_USUAL;
      const learnedLimitMs = isKnown ? normalRange(usualMs, 'log')?.high : undefined;
      const ownersLimitMs = limitsMs[name];
      const limitMs = ownersLimitMs ?? learnedLimitMs;
      const over = limitMs === undefined ? 0 : timesMs.filter((ms) => ms > limitMs).length;
      return {
        component,
        operation,
        attempts: timesMs.length,
        callsAnAttempt: calls / timesMs.length,
        medianMs: quantileSorted(sorted, 0.5) as number,
        p95Ms: quantileSorted(sorted, 0.95) as number,
        failed,
        usualMs: isKnown ? quantileSorted(sortedCopy(usualMs), 0.5) : undefined,
        learnedLimitMs,
        ownersLimitMs,
        over,
        overShare: limitMs === undefined ? undefined : wilson(over, timesMs.length),
      };
    })
    .sort((a, b) => b.medianMs * b.attempts - a.medianMs * a.attempts || (stepName(a) < stepName(b) ? -1 : 1));
}

interface StepTimes {
  component: string;
  operation: string;
  calls: number;
  /** attempts in which a call of it failed */
  failed: number;
  /** an attempt each: its calls together */
  timesMs: number[];
}

function timesByStep(entries: ReadonlyMap<string, string>, spans: readonly StepSpan[]): Map<string, StepTimes> {
  const byTrace = grouped(spans, ({ traceId }) => traceId);
  const steps = new Map<string, StepTimes>();
  for (const [traceId, entry] of entries)
    for (const [name, calls] of stepsBelow(entry, byTrace.get(traceId) ?? [])) {
      const [{ component, operation }] = calls as [StepSpan];
      let step = steps.get(name);
      if (!step) steps.set(name, (step = { component, operation, calls: 0, failed: 0, timesMs: [] }));
      step.calls += calls.length;
      step.failed += calls.some((call) => call.failed) ? 1 : 0;
      step.timesMs.push(sum(calls.map(({ durationMs }) => durationMs)));
    }
  return steps;
}

/** Spans that hang on an entry by their parents, by step; a circle of parents is walked once. */
function stepsBelow(entry: string, spans: readonly StepSpan[]): Map<string, StepSpan[]> {
  const children = grouped(spans, ({ parentSpanId }) => parentSpanId);
  const below: StepSpan[] = [];
  const seen = new Set([entry]);
  const open = [entry];
  for (let at = open.pop(); at !== undefined; at = open.pop())
    for (const span of children.get(at) ?? []) {
      if (seen.has(span.spanId)) continue;
      seen.add(span.spanId);
      open.push(span.spanId);
      below.push(span);
    }
  return grouped(below, stepName);
}

/** Spans by a text of theirs, in their order: a trace may have ten thousand. */
function grouped(spans: readonly StepSpan[], by: (span: StepSpan) => string): Map<string, StepSpan[]> {
  const groups = new Map<string, StepSpan[]>();
  for (const span of spans) {
    const group = groups.get(by(span));
    if (group) group.push(span);
    else groups.set(by(span), [span]);
  }
  return groups;
}
