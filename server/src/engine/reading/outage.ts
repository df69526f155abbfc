import { partsOf } from '@toplens/core/estate';
import { outageOrigin, outcomeOfRow, type OutageOrigin, type ServingComponent } from '@toplens/core/incidents';
import type { Deviation } from '@toplens/core/normal';
import { HOUR_MS, MINUTE_MS, type Window } from '@toplens/core/time';
import { layOut, type TraceSpan } from '@toplens/core/traces';
import { spanActivity } from '../../store/activity';
import { PerVersion } from '../state/per-version';
import type { EngineState } from '../state/engine-state';
import { fairSample } from './fair-sample';
import { keptShare } from './kept-share';
import { changesNear, hostsOf, wholeTracesOf } from './origin';

const USUAL = 60;
/** Usual attempts are taken from so long before the onset: a flow may have few. */
const USUAL_MS = 3 * HOUR_MS;
const LOOK_MS = HOUR_MS;

/** What usually serves a flow that no longer comes, and what was changed there. */
export interface FoundOutage extends OutageOrigin {
  hosts: ReadonlyMap<string, readonly string[]>;
  changes: { atMs: number; words: string; component: string }[];
}

const found = new PerVersion<FoundOutage>(30);

/** Where an outage may come from: the components that usually serve the flow, before and while it was missing. */
export const outageOf = (state: EngineState, root: Deviation): Promise<FoundOutage> =>
  found.get(state, `${root.flow}:${root.onsetMs}:${root.endMs}`, () => findOutage(state, root));

async function findOutage(state: EngineState, root: Deviation): Promise<FoundOutage> {
  const { flow, onsetMs, endMs } = root;
  const isUsual = (rows: Parameters<typeof outcomeOfRow>[0], row: number) =>
    outcomeOfRow(rows, row, state.history.normalAt(flow, rows.startMs[row] as number)) === 'onTime';
  const usual = await fairSample(
    state,
    { flow, window: { fromMs: onsetMs - USUAL_MS, toMs: onsetMs }, most: USUAL },
    isUsual,
  );
  const traces = await wholeTracesOf(state, usual);
  const depths = depthsOf(traces);
  const last = { fromMs: onsetMs, toMs: Math.max(onsetMs + MINUTE_MS, Math.min(endMs, onsetMs + LOOK_MS)) };
  const before = { fromMs: onsetMs - LOOK_MS, toMs: onsetMs };
  const changes = await changesNear(state, [...depths.keys()], { fromMs: before.fromMs, toMs: last.toMs });
  return {
    ...outageOrigin(await servingOf(state, depths, { before, last })),
    hosts: hostsOf(traces.map(({ spans }) => spans)),
    changes,
  };
}

/** Mean depth of each component on the ways. */
function depthsOf(traces: readonly { spanId: string; spans: readonly TraceSpan[] }[]): Map<string, number> {
  const depths = new Map<string, number[]>();
  for (const { spanId, spans } of traces) {
    const own = new Map<string, number>();
    for (const { holder, depth, isMissing } of layOut(spans, spanId).rows)
      if (!isMissing) own.set(holder, Math.min(depth, own.get(holder) ?? Infinity));
    for (const [component, depth] of own) depths.set(component, [...(depths.get(component) ?? []), depth]);
  }
  return new Map([...depths].map(([component, all]) => [component, all.reduce((a, b) => a + b, 0) / all.length]));
}

async function servingOf(
  state: EngineState,
  depths: ReadonlyMap<string, number>,
  { before, last }: { before: Window; last: Window },
): Promise<ServingComponent[]> {
  const share = keptShare(state, { fromMs: before.fromMs, toMs: last.toMs });
  const parts = partsOf(await spanActivity(state.database, before, last, share), 0);
  const perMinute = (attempts: number, { fromMs, toMs }: Window) => attempts / share / ((toMs - fromMs) / MINUTE_MS);
  return [...depths].map(([component, depth]) => {
    const hosts = parts
      .filter((part) => part.component === component)
      .map((part) => ({
        host: part.host,
        usualPerMinute: perMinute(part.before.attempts, before),
        nowPerMinute: perMinute(part.last.attempts, last),
      }));
    const sum = (of: 'usualPerMinute' | 'nowPerMinute') => hosts.reduce((total, host) => total + host[of], 0);
    return {
      component,
      depth,
      usualPerMinute: sum('usualPerMinute'),
      nowPerMinute: sum('nowPerMinute'),
      hosts: hosts.filter(({ host }) => host !== ''),
    };
  });
}
