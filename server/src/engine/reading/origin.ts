import type { Outcome } from '@toplens/core/flows';
import { LRUCache } from 'lru-cache';
import {
  outcomeOfRow,
  rankOrigins,
  type ComponentChange,
  type ObservedAttempt,
  type Origin,
} from '@toplens/core/incidents';
import type { Deviation } from '@toplens/core/normal';
import { SpanKind, type AttemptColumns } from '@toplens/core/telemetry';
import { answerSpanOf, spansOfLoad } from '@toplens/core/pages';
import type { TraceSpan } from '@toplens/core/traces';
import { HOUR_MS, MINUTE_MS, type Window } from '@toplens/core/time';
import { changesOf, type StoredChange } from '../../store/changes';
import type { StoredSample } from '../../store/attempts';
import { loadsOf } from '../../store/pages';
import { loadPaths, releasesOf } from '../../store/traces';
import { fairSample, sampleOfBad, type RowTest, type SampleOf } from './fair-sample';
import type { EngineState } from '../state/engine-state';

const BAD = 60;
const USUAL = 60;
/** Of a long incident the first hour is looked at: later, symptoms of other kinds mix in. */
const LOOK_MS = 60 * MINUTE_MS;
/** Usual attempts are taken from so long before the onset. */
const BEFORE_MS = 3 * HOUR_MS;
const CHANGES_MS = HOUR_MS;
/** A release that is told of, seen in spans or in people's attempts so near each other is one. */
export const SAME_RELEASE_MS = 30 * MINUTE_MS;
/** While it goes on an origin is looked for anew so often; spans of the newest attempts may still be on their way. */
const AGAIN_MS = 10 * MINUTE_MS;
const MOST_KEPT = 2_000;

/** An origin, and where the components on its paths ran. */
export interface FoundOrigin extends Origin {
  hosts: ReadonlyMap<string, readonly string[]>;
}

/** By the register: the state of a past moment is another object with the same incidents. */
const kept = new WeakMap<EngineState['register'], LRUCache<string, Promise<FoundOrigin | null>>>();

/**
 * Where the trouble of a deviation comes from, from its attempts' traces; null where no attempt came that could tell.
 */
export function originOf(
  state: EngineState,
  root: Deviation,
  /** usual attempts are taken from before this moment: the onset, but for what goes on after a fix */
  usualBeforeMs: number = root.onsetMs,
): Promise<FoundOrigin | null> {
  if (root.signal === 'missing') return Promise.resolve(null);
  let known = kept.get(state.register);
  if (!known) kept.set(state.register, (known = new LRUCache({ max: MOST_KEPT })));
  const toMs = Math.min(root.endMs, root.onsetMs + LOOK_MS);
  const key = `${root.flow}:${root.signal}:${root.onsetMs}:${Math.floor(toMs / AGAIN_MS)}:${Math.floor(Math.min(state.watermarkMs, toMs + 2 * AGAIN_MS) / AGAIN_MS)}`;
  const before = known.get(key);
  if (before) return before;
  const found = findOrigin(state, root, { fromMs: root.onsetMs, toMs }, usualBeforeMs);
  known.set(key, found);
  found.catch(() => known.delete(key));
  return found;
}

async function findOrigin(
  state: EngineState,
  root: Deviation,
  trouble: Window,
  usualBeforeMs: number,
): Promise<FoundOrigin | null> {
  const signal = root.signal === 'failing' ? 'failing' : 'slow';
  const outcomeAt: (rows: AttemptColumns, row: number) => Outcome = (rows, row) =>
    outcomeOfRow(rows, row, state.history.normalAt(root.flow, rows.startMs[row] as number));
  const isBad = (outcome: Outcome) =>
    signal === 'failing' ? outcome === 'failed' : outcome === 'late' || outcome === 'hung';
  const before = { fromMs: usualBeforeMs - BEFORE_MS, toMs: usualBeforeMs };
  const bad = await observe(state, { flow: root.flow, window: trouble, most: BAD }, true, (rows, row) =>
    isBad(outcomeAt(rows, row)),
  );
  const usual = await observe(
    state,
    { flow: root.flow, window: before, most: USUAL },
    false,
    (rows, row) => outcomeAt(rows, row) === 'onTime',
  );
  if (bad.length === 0) return null;
  const components = [...new Set(bad.flatMap(({ spans }) => spans.map(({ component }) => component)))];
  const changes = await changesNear(state, components, { fromMs: root.onsetMs - CHANGES_MS, toMs: trouble.toMs });
  const origin = rankOrigins([...bad, ...usual], signal, root.onsetMs, changes);
  return { ...origin, hosts: hostsOf([...bad, ...usual].map(({ spans }) => spans)) };
}

/** Versions first seen in spans, and whatever senders told of. */
export async function changesNear(
  state: EngineState,
  components: readonly string[],
  window: Window,
): Promise<ComponentChange[]> {
  const seen = await releasesOf(state.database, components, window);
  const told = await changesOf(state.database, components, window);
  const isSeen = ({ kind, component, atMs }: StoredChange) =>
    kind === 'release' &&
    seen.some((one) => one.component === component && Math.abs(one.firstMs - atMs) < SAME_RELEASE_MS);
  return [
    ...seen.map(({ component, version, firstMs }) => ({
      component,
      atMs: firstMs,
      words: `${component} ${version} released`,
    })),
    ...told
      .filter((one) => !isSeen(one))
      .map((one) => ({
        component: one.component,
        atMs: one.atMs,
        words: `${changeTitle(one)}${one.by === '' ? '' : ','}`,
      })),
  ];
}

/** "setting of slots: search radius 5 → 50 km, by desk" */
export const changeTitle = ({ kind, component, title, by }: StoredChange): string =>
  `${kind} of ${component}: ${title}${by === '' ? '' : `, by ${by}`}`;

/** Where components ran, by component. */
export function hostsOf(traces: readonly (readonly TraceSpan[])[]): Map<string, string[]> {
  const hosts = new Map<string, Set<string>>();
  for (const spans of traces)
    for (const { component, host, kind } of spans) {
      // What calls a store tells its own host, not the store's.
      if (host === '' || kind === SpanKind.CLIENT) continue;
      const own = hosts.get(component);
      if (own) own.add(host);
      else hosts.set(component, new Set([host]));
    }
  return new Map([...hosts].map(([component, own]) => [component, [...own].sort()]));
}

/** Attempts of a fair sample with their inner spans. */
async function observe(
  state: EngineState,
  question: SampleOf,
  isBad: boolean,
  isWanted: RowTest,
): Promise<ObservedAttempt[]> {
  const stored = await (isBad ? sampleOfBad : fairSample)(state, question, isWanted);
  const spansOf = await (state.names.kindOf(question.flow) === 'page' ? spansOfLoads : spansOfTraces)(state, stored);
  return stored.flatMap(({ spanId, startMs }, i) => {
    const spans = spansOf[i] as readonly TraceSpan[];
    return spans.length > 1 && spans.some((span) => span.spanId === spanId)
      ? [{ atMs: startMs, rootId: spanId, spans, isBad }]
      : [];
  });
}

type Ids = Pick<StoredSample, 'traceId' | 'spanId'>;

/** Spans of the trace of each of these attempts, as far as they are kept. */
async function spansOfTraces({ database }: EngineState, stored: readonly Ids[]): Promise<TraceSpan[][]> {
  const paths = await loadPaths(
    database,
    stored.map(({ traceId }) => traceId),
  );
  return stored.map(({ traceId }) => paths.get(traceId) ?? []);
}

/** Traces of attempts that hold the attempt's own span: only those can be laid out. */
export async function wholeTracesOf(
  state: EngineState,
  stored: readonly Ids[],
): Promise<{ spanId: string; spans: TraceSpan[] }[]> {
  const spansOf = await spansOfTraces(state, stored);
  return stored.flatMap(({ spanId }, i) => {
    const spans = spansOf[i] as TraceSpan[];
    return spans.some((span) => span.spanId === spanId) ? [{ spanId, spans }] : [];
  });
}

/**
 * Of a page: the browser's own time and what it fetched, and below the call for the page what a server did to answer
 * it.
 */
async function spansOfLoads({ database }: EngineState, stored: readonly Ids[]): Promise<TraceSpan[][]> {
  const loads = await loadsOf(
    database,
    stored.map(({ spanId }) => spanId),
  );
  const answers = await loadPaths(
    database,
    stored.map(({ traceId }) => traceId),
  );
  return stored.map(({ traceId, spanId }) => {
    const load = loads.get(spanId);
    if (!load) return [];
    const answer = (answers.get(traceId) ?? []).filter((span) => span.spanId !== spanId);
    const known = new Set(answer.map((span) => span.spanId));
    const below = (span: TraceSpan) =>
      known.has(span.parentSpanId) ? span : { ...span, parentSpanId: answerSpanOf(spanId) };
    return [...spansOfLoad(load), ...answer.map(below)];
  });
}
