import { outcomeOf } from '@toplens/core/flows';
import { maskText } from '@toplens/core/masking';
import { limitsAt } from '@toplens/core/normal';
import { sessionId } from '@toplens/core/phones';
import { DIMENSIONS, FAILED, SpanKind, type Dimension } from '@toplens/core/telemetry';
import { HOUR_MS, MINUTE_MS, type Window } from '@toplens/core/time';
import { beginOf, layOut, type Waterfall } from '@toplens/core/traces';
import type { AttemptPageShape, AttemptRowShape } from '../../contract/attempts';
import type { HostsShape } from '../../contract/infrastructure';
import type { LogLineShape } from '../../contract/logs';
import { attemptsAt } from '../../store/attempts';
import { linesOfTrace, lineShape } from '../../store/logs';
import { ranOnPhone } from '../../store/on-phone';
import { loadTrace, tracesWithSpans, type StoredAttempt, type StoredTrace } from '../../store/traces';
import { eachAttempt } from '../reading/each-attempt';
import { lookAt, USUAL_FROM_MS } from '../reading/hosts';
import type { AttemptQuestion } from '../state/questions';
import { keptShare } from '../reading/kept-share';
import type { EngineState } from '../state/engine-state';

/** How far back a usual attempt is looked for, and how many whose traces are kept may lack their inner spans. */
const USUAL_LOOK_MS = 6 * HOUR_MS;
const USUAL_TRIES = 16;
const MOST_TRIES = 200;

/** One attempt from its first span to the deepest store; null when it is not stored (any more). */
export async function attemptPage(
  state: EngineState,
  { traceId, spanId, isUnmasked = false }: AttemptQuestion,
): Promise<AttemptPageShape | null> {
  const trace = await loadTrace(state.database, traceId);
  const attempt = trace.attempts.find((one) => one.spanId === spanId);
  if (!attempt) return null;
  const beganIn = beginOf(trace.spans, spanId);
  const waterfall = layOut(withFlowNames(state, trace), beganIn);
  const flow = state.names.flow(attempt.flow);
  const startMs = attempt.startUs / 1000;
  const durationMs = attempt.durationUs / 1000;
  const normal = state.history.normalAt(attempt.flow, startMs);
  const { limitMs } = limitsAt(normal, attempt.site);
  const [usual, lines] = await Promise.all([usualAttempt(state, attempt), linesIn(state, traceId, trace, isUnmasked)]);
  const usualShares = new Map(usual?.waterfall.components.map(({ component, shareUs }) => [component, shareUs]));
  const masked = (words: string) => (isUnmasked ? words : maskText(words, [attempt.person], state.pseudonyms.of));
  const text = (dimension: Dimension) => state.names.text(attempt[dimension]);
  return {
    traceId,
    spanId,
    flow: {
      id: flow.id,
      name: flow.name,
      technicalName: flow.technicalName,
      application: flow.application,
      kind: flow.kind,
    },
    atMs: startMs,
    durationMs,
    wholeMs: waterfall.root.durationUs / 1000,
    ranOn: trace.spans.find(({ ranOn }) => ranOn !== '')?.ranOn ?? '',
    outcome: outcomeOf(durationMs, (attempt.flags & FAILED) !== 0, limitMs),
    limitMs: limitMs ?? null,
    limitBy: normal.limitBy,
    expectedMs: normal.expectedMs ?? null,
    failure: attempt.failure,
    person: isUnmasked ? attempt.person : state.pseudonyms.of(attempt.person),
    phoneSession: phoneSessionOf(trace.attempts),
    isUnmasked,
    values: DIMENSIONS.map((dimension) => ({ dimension, value: text(dimension) })).filter(({ value }) => value !== ''),
    value: attempt.valueMinor === null ? null : attempt.valueMinor / 100,
    currency: state.settings.at().currency,
    failures: waterfall.rows
      .filter(({ span }) => span.failed)
      .map(({ span, depth }) => ({ depth, detail: trace.details.get(span.spanId), span }))
      // The deepest tells most: what is above it only passes it on.
      .sort((a, b) => Number(b.detail !== undefined) - Number(a.detail !== undefined) || b.depth - a.depth)
      .map(({ span, detail }) => ({
        spanId: span.spanId,
        component: span.component,
        type: span.failure,
        message: masked(detail?.message ?? ''),
        className: detail?.className ?? '',
        method: detail?.method ?? '',
        file: detail?.file ?? '',
        line: detail?.line ?? 0,
        stack: masked(detail?.stack ?? ''),
      })),
    components: waterfall.components.map(({ component, shareUs, share, spans, failed }) => ({
      component,
      shareUs,
      share,
      spans,
      failed,
      usualUs: usual ? (usualShares.get(component) ?? 0) : null,
    })),
    rows: rowShapes(waterfall),
    clocks: waterfall.clocks,
    missing: waterfall.missing,
    usual: usual && { traceId: usual.traceId, spanId: usual.spanId, atMs: usual.startMs, durationMs: usual.durationMs },
    lines,
    others: trace.attempts
      .filter((one) => one !== attempt)
      .map((one) => ({ spanId: one.spanId, name: state.names.flow(one.flow).name, durationMs: one.durationUs / 1000 })),
  };
}

/** The session of the attempt, or of the screen that asked a server for it. */
function phoneSessionOf(attempts: readonly StoredAttempt[]): string | null {
  const onPhone = attempts.find(({ session, flags }) => session !== 0 && ranOnPhone(flags));
  return onPhone ? sessionId(onPhone.session) : null;
}

/** Lines that a little wrong clock put before or behind the trace belong to it as well. */
const CLOCKS_MS = 2 * MINUTE_MS;
const MOST_LINES = 200;

/** From when to when a trace's spans say that they ran, milliseconds. */
const stretchOf = ({ spans }: StoredTrace): Window => ({
  fromMs: spans.reduce((from, { startUs }) => Math.min(from, startUs), Infinity) / 1000,
  toMs: spans.reduce((to, { startUs, durationUs }) => Math.max(to, startUs + durationUs), 0) / 1000,
});

async function linesIn(
  state: EngineState,
  traceId: string,
  trace: StoredTrace,
  isUnmasked: boolean,
): Promise<LogLineShape[]> {
  const { fromMs, toMs } = stretchOf(trace);
  const components = [...new Set(trace.spans.map(({ component }) => component))];
  const lines = await linesOfTrace(state.database, traceId, {
    components,
    window: { fromMs: fromMs - CLOCKS_MS, toMs: toMs + CLOCKS_MS },
    most: MOST_LINES,
  });
  const people = trace.attempts.map(({ person }) => person);
  const masked = (body: string) => (isUnmasked ? body : maskText(body, people, state.pseudonyms.of));
  // They are on their attempt's page already.
  return lines.map((line) => lineShape(line, masked, null));
}

/** Minutes around an attempt in which its hosts are looked at: most figures come once a minute. */
const AROUND_MS = MINUTE_MS;

/** What the hosts of an attempt did in its minutes; null when it is not stored. */
export async function attemptHosts(
  state: EngineState,
  { traceId, spanId }: AttemptQuestion,
): Promise<HostsShape | null> {
  const trace = await loadTrace(state.database, traceId);
  if (!trace.attempts.some((one) => one.spanId === spanId)) return null;
  const { fromMs, toMs } = stretchOf(trace);
  const now = { fromMs: fromMs - AROUND_MS, toMs: toMs + AROUND_MS };
  const own = trace.spans.filter(({ kind }) => kind !== SpanKind.CLIENT);
  return lookAt(state, {
    components: new Set(own.map(({ component }) => component)),
    hosts: new Set(own.map(({ host }) => host).filter(Boolean)),
    now,
    before: { fromMs: now.fromMs - USUAL_FROM_MS, toMs: now.fromMs },
  });
}

/** Entries are stored under their flow; on the screen they carry the name that people gave it. */
function withFlowNames(state: EngineState, { spans, attempts }: StoredTrace) {
  const flows = new Map(attempts.map((one) => [one.spanId, one.flow]));
  return spans.map((span) => {
    const flow = flows.get(span.spanId);
    return flow === undefined ? span : { ...span, name: state.names.flow(flow).name };
  });
}

function rowShapes({ rows, root }: Waterfall): AttemptRowShape[] {
  return rows.map(({ span, own, ...row }) => ({
    id: span.spanId,
    name: span.name,
    component: span.component,
    host: span.host,
    peer: span.peer,
    statement: span.statement,
    failure: span.failed ? span.failure || 'failed' : '',
    depth: row.depth,
    fromUs: span.startUs - root.startUs,
    durationUs: span.durationUs,
    own: own.flatMap(({ fromUs, toUs }) => [fromUs, toUs]),
    ownUs: row.ownUs,
    shareUs: row.shareUs,
    calls: row.calls,
    callsUs: row.callsUs,
    callsSumUs: row.callsSumUs,
    foldedInto: row.foldedInto,
    isMissing: row.isMissing,
    runsOn: row.runsOn,
  }));
}

/** Nearer to what is usual; of two that are as near the newer. */
const isNearer = (a: { startMs: number; off: number }, b: { startMs: number; off: number }): boolean =>
  a.off < b.off || (a.off === b.off && a.startMs > b.startMs);

/** An attempt of the same flow, on time and as long as usual, of which the inner spans are kept. */
async function usualAttempt(state: EngineState, attempt: StoredAttempt) {
  const startMs = attempt.startUs / 1000;
  const normal = state.history.normalAt(attempt.flow, startMs);
  const { expectedMs } = normal;
  if (expectedMs === undefined) return null;
  const window = { fromMs: startMs - USUAL_LOOK_MS, toMs: startMs };
  const share = keptShare(state, window);
  const most = Math.min(MOST_TRIES, Math.ceil(USUAL_TRIES / share));
  // The few nearest of tens of thousands: kept in order while going through, since sorting all would take longer than
  // the rest.
  const near: { startMs: number; off: number }[] = [];
  await eachAttempt(state, { flows: attempt.flow, window }, (rows, row) => {
    if ((rows.flags[row] as number) & FAILED) return;
    const one = {
      startMs: rows.startMs[row] as number,
      off: Math.abs(Math.log((rows.durationMs[row] as number) / expectedMs)),
    };
    if (near.length >= most && !isNearer(one, near[near.length - 1] as typeof one)) return;
    near.splice(near.findLastIndex((other) => !isNearer(one, other)) + 1, 0, one);
    if (near.length > most) near.pop();
  });
  const starts = near.map((one) => Math.round(one.startMs * 1000));
  const stored = await attemptsAt(state.database, attempt.flow, starts, share);
  const withSpans = await tracesWithSpans(
    state.database,
    stored.map(({ traceId }) => traceId),
  );
  const found = stored.find(({ traceId }) => withSpans.has(traceId));
  if (!found) return null;
  const trace = await loadTrace(state.database, found.traceId);
  return { ...found, waterfall: layOut(withFlowNames(state, trace), beginOf(trace.spans, found.spanId)) };
}
