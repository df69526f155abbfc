import { layersOf, limitOf } from '@toplens/core/probes';
import { sum } from '@toplens/core/stats';
import { SpanKind } from '@toplens/core/telemetry';
import type { ProbeRunPageShape } from '../../contract/probes';
import { loadRun } from '../../store/probes';
import { loadTrace, type StoredTrace } from '../../store/traces';
import { judged, maintenanceAt, probeIn } from '../reading/probe-runs';
import type { EngineState } from '../state/engine-state';
import { runWords } from './line';

/** One run, step by step, with where the time of each went; null when it is not kept. */
export async function probeRunPage(state: EngineState, { id }: { id: string }): Promise<ProbeRunPageShape | null> {
  const stored = await loadRun(state.database, id);
  if (!stored) return null;
  const run = judged(state, stored);
  const trace = await loadTrace(state.database, run.traceId);
  const limits = probeIn(state, run.probe, run.atMs)?.limits ?? [];
  return {
    id,
    traceId: run.traceId,
    probe: run.probe,
    application: run.application,
    site: run.site,
    host: run.host,
    atMs: run.atMs,
    durationMs: run.durationMs,
    verdict: run.judgement.verdict,
    words: runWords(run),
    fault: run.fault,
    maintenance: maintenanceAt(state, run.atMs) ?? '',
    steps: run.steps.map((step) => {
      const limit = limitOf(limits, step.name, run.site);
      const behind = behindOf(trace, step.id);
      return {
        name: step.name,
        startMs: step.startMs - run.atMs,
        durationMs: step.durationMs,
        failed: step.failed,
        message: step.message,
        slowMs: limit?.slowMs ?? null,
        brokenMs: limit?.brokenMs ?? null,
        parts: step.parts ?? null,
        layers: layersOf(step.durationMs, step.parts, behind) ?? null,
        services: behind.services,
      };
    }),
    hasTrace: trace.spans.length > 0,
  };
}

/** What services did for a step: how long the longest took, and of it calls to stores. */
function behindOf({ spans }: StoredTrace, stepId: string): { serverMs: number; storeMs: number; services: string[] } {
  const childrenOf = (id: string) => spans.filter(({ parentSpanId }) => parentSpanId === id);
  const below = new Set<StoredTrace['spans'][number]>();
  // A span that claims to be its own ancestor ends the walk.
  for (let next = childrenOf(stepId); next.length > 0;)
    next = next.filter((span) => !below.has(span)).flatMap((span) => (below.add(span), childrenOf(span.spanId)));
  const servers = [...below].filter(({ kind }) => kind === SpanKind.SERVER);
  const longest = [...servers].sort((a, b) => b.durationUs - a.durationUs)[0];
  const stores = [...below].filter(({ kind, statement }) => kind === SpanKind.CLIENT && statement !== '');
  return {
    serverMs: (longest?.durationUs ?? 0) / 1000,
    storeMs: sum(stores.map(({ durationUs }) => durationUs)) / 1000,
    services: [...new Set(servers.map(({ component }) => component))],
  };
}
