import { FIGURES } from '@toplens/core/hosts';
import { proposeTeam } from '@toplens/core/handoffs';
import type { StoredIncident } from '@toplens/core/incidents';
import { beginOf, hopsOf, LAYERS, layersOf, layOut, type Hop, type Layer } from '@toplens/core/traces';
import { DAY_MS, HOUR_MS, stepsOf, type Window } from '@toplens/core/time';
import type { ComponentShape, HopShape, PathShape } from '../api/shapes';
import { changesOf } from '../store/changes';
import { flowsThrough, loadPaths, releasesOf, tracesThrough } from '../store/traces';
import { describe } from './worst-first';
import { billOf } from './bills';
import { fairSample } from './fair-sample';
import type { FieldQuestion } from './flow-field';
import { levelsIn } from './flow-table';
import { sliceOf } from './focus';
import { figureShape, judgeHosts } from './incident-hosts';
import { USUAL_FROM_MS } from './incident-scope';
import { changeTitle, hostsOf } from './origin';
import { PerVersion } from './per-version';
import type { FlowsQuestion } from './protocol';
import { keptShare } from './thin-traces';
import { resolveWindow } from './windows';
import type { World } from './world';

export interface ComponentQuestion extends Pick<FlowsQuestion, 'window'> {
  name: string;
}

/** So many traces tell who calls whom. */
const SAMPLE = 200;
/** Of a long window the last hour is looked at. */
const LOOK_MS = HOUR_MS;

/** @param traces that were looked at */
const hopShape = ({ totalUs, longestUs, ...hop }: Hop, traces: number): HopShape => ({
  ...hop,
  meanMs: totalUs / hop.calls / 1000,
  longestMs: longestUs / 1000,
  shareOfTraces: traces > 0 ? hop.traces / traces : 0,
});

/** The components that a flow goes through, with volume, time and failures on each hop; null when there is no such flow. */
export async function flowPath(world: World, { id, window: asked, focus }: FieldQuestion): Promise<PathShape | null> {
  if (!world.names.has(id)) return null;
  const window = resolveWindow(world, asked);
  const holds = sliceOf(world, focus);
  const sample = await fairSample(world, id, window, SAMPLE, (rows, row) => !holds || holds(rows, row));
  const paths = await loadPaths(world.database, sample.map(({ traceId }) => traceId)); // prettier-ignore
  const traces = [...paths.values()].filter((spans) => spans.length > 1);
  const told = sample.flatMap(({ traceId, spanId, startMs }) => {
    const spans = paths.get(traceId) ?? [];
    return spans.length > 1 && spans.some((span) => span.spanId === spanId) ? [{ startMs, layers: layersOf(layOut(spans, beginOf(spans, spanId)).rows) }] : [];
  });
  return { window, traces: traces.length, hops: hopsOf(traces).map((hop) => hopShape(hop, traces.length)), layers: layersOverTime(window, told) };
}

const LAYER_STEPS = 16;

/** Mean time of an attempt in each layer, step by step. */
function layersOverTime(window: Window, told: readonly { startMs: number; layers: Record<Layer, number> }[]): PathShape['layers'] {
  const { startMs, stepMs, n } = stepsOf(window, LAYER_STEPS);
  const attempts = new Array<number>(n).fill(0);
  const sums = Object.fromEntries(LAYERS.map((layer) => [layer, new Array<number>(n).fill(0)])) as Record<Layer, number[]>;
  for (const { startMs: atMs, layers } of told) {
    const step = Math.floor((atMs - startMs) / stepMs);
    if (step < 0 || step >= n) continue;
    attempts[step] = (attempts[step] as number) + 1;
    for (const layer of LAYERS) sums[layer][step] = (sums[layer][step] as number) + layers[layer] / 1000;
  }
  const meansOf = (layer: Layer) => sums[layer].map((sum, step) => ((attempts[step] as number) > 0 ? sum / (attempts[step] as number) : 0));
  return { startMs, stepMs, attempts, means: LAYERS.map((layer) => ({ layer, ms: meansOf(layer) })) };
}

const made = new PerVersion<ComponentShape | null>(30);

/** A component: who calls it and whom it calls, its hosts, who needs it, what went wrong in it, what was changed; null when none is known. */
export function componentPage(world: World, { name, window: asked }: ComponentQuestion): Promise<ComponentShape | null> {
  const whole = resolveWindow(world, asked);
  return made.get(world, `${name}|${whole.fromMs}|${whole.toMs}`, () => lookAtComponent(world, name, whole));
}

async function lookAtComponent(world: World, name: string, whole: Window): Promise<ComponentShape | null> {
  const window: Window = { fromMs: Math.max(whole.fromMs, whole.toMs - LOOK_MS), toMs: whole.toMs };
  const share = keptShare(world, window);
  const found = await tracesThrough(world.database, name, window, SAMPLE, share);
  if (!found) return null;
  const traces = [...(await loadPaths(world.database, found.traceIds)).values()];
  const hops = hopsOf(traces);
  const hosts = hostsOf(traces).get(name) ?? [];
  const flows = (await flowsThrough(world.database, name, window)).filter((id) => world.names.has(id));
  const calmUntilMs = Math.min(window.fromMs, ...troublesAt(world, name, flows, window).map(({ onsetMs }) => onsetMs));
  const before = { fromMs: calmUntilMs - USUAL_FROM_MS, toMs: calmUntilMs };
  const { judged } = await judgeHosts(world, new Set([name]), new Set(hosts), window, before);
  const levels = levelsIn(world, whole);
  const changed = { fromMs: whole.toMs - DAY_MS, toMs: whole.toMs };
  const told = await changesOf(world.database, [name], changed);
  const seen = await releasesOf(world.database, [name], changed);
  return {
    name,
    window,
    before,
    team: proposeTeam(world.settings.file.ownership, { application: '', component: name })?.team ?? null,
    traces: traces.length,
    attempts: Math.round(found.traces / share),
    callers: hops.filter(({ to }) => to === name).map((hop) => hopShape(hop, traces.length)),
    callees: hops.filter(({ from }) => from === name).map((hop) => hopShape(hop, traces.length)),
    hosts,
    figures: FIGURES.map((figure) => ({ figure, hosts: judged.filter((one) => one.figure === figure).map(figureShape) })).filter((one) => one.hosts.length > 0),
    flows: flows.map((id) => ({ id, name: world.names.flow(id).name, application: world.names.flow(id).application, level: levels.get(id) ?? 'calm' })),
    incidents: await Promise.all(
      world.register
        .within(whole)
        .filter((incident) => incident.component?.name === name)
        .map(async (incident) => ({ id: incident.id, title: await titleOf(world, incident, whole), onsetMs: incident.onsetMs, inTroubleNow: incident.active })),
    ),
    changes: [
      ...seen.map(({ version, firstMs }) => ({ atMs: firstMs, words: `${version} first seen in its spans` })),
      ...told.map((one) => ({ atMs: one.atMs, words: changeTitle(one) })),
    ].sort((a, b) => b.atMs - a.atMs),
  };
}

/** Incidents of the component, or of flows through it: what its hosts did meanwhile is not what they do as usual. */
const troublesAt = (world: World, name: string, flows: readonly number[], window: Window): StoredIncident[] =>
  world.register.within(window).filter(({ component, parts }) => component?.name === name || parts.some((part) => flows.includes(part.flow)));

async function titleOf(world: World, incident: StoredIncident, window: Window): Promise<string> {
  const bill = await billOf(world, incident, window, { values: {} }, Infinity, false);
  return (await describe(world, { incident, bill }, window)).title;
}
