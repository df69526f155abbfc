import { FIGURES } from '@toplens/core/hosts';
import { proposeTeam } from '@toplens/core/handoffs';
import type { StoredIncident } from '@toplens/core/incidents';
import { hopsOf } from '@toplens/core/traces';
import { DAY_MS, HOUR_MS, type Window } from '@toplens/core/time';
import type { ComponentShape } from '../../contract/infrastructure';
import { partsBefore } from '../../store/activity';
import { changesOf } from '../../store/changes';
import { flowsThrough, loadPaths, releasesOf, tracesThrough } from '../../store/traces';
import { describe } from '../harm/describe';
import { billOf } from '../harm/bills';
import type { ComponentQuestion } from '../state/questions';
import { levelsIn } from '../harm/levels';
import { figureShape, judgeHosts, USUAL_FROM_MS } from '../reading/hosts';
import { changeTitle, hostsOf } from '../reading/origin';
import { PerVersion } from '../state/per-version';
import { keptShare } from '../reading/kept-share';
import { resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';
import { hopShape, TRACES_LOOKED_AT } from '../reading/hops';
import { calmOf } from '../reading/learning';

/** Of a long window the last hour is looked at. */
const LOOK_MS = HOUR_MS;

const made = new PerVersion<ComponentShape | null>(30);

/**
 * A component: who calls it and whom it calls, its hosts, who needs it, what went wrong in it, what was changed; null
 * when none is known.
 */
export function componentPage(
  state: EngineState,
  { name, window: asked }: ComponentQuestion,
): Promise<ComponentShape | null> {
  const whole = resolveWindow(state, asked);
  return made.get(state, `${name}|${whole.fromMs}|${whole.toMs}`, () => lookAtComponent(state, name, whole));
}

async function lookAtComponent(state: EngineState, name: string, whole: Window): Promise<ComponentShape | null> {
  const window: Window = { fromMs: Math.max(whole.fromMs, whole.toMs - LOOK_MS), toMs: whole.toMs };
  const share = keptShare(state, window);
  const found = await tracesThrough(state.database, name, { window, most: TRACES_LOOKED_AT, share });
  if (!found) return null;
  const traces = [...(await loadPaths(state.database, found.traceIds)).values()];
  const hops = hopsOf(traces);
  const hosts = hostsOf(traces).get(name) ?? [];
  const flows = (await flowsThrough(state.database, name, window)).filter((id) => state.names.has(id));
  const calmUntilMs = Math.min(window.fromMs, ...troublesAt(state, name, flows, window).map(({ onsetMs }) => onsetMs));
  const before = { fromMs: calmUntilMs - USUAL_FROM_MS, toMs: calmUntilMs };
  const { judged } = await judgeHosts(state, {
    components: new Set([name]),
    hosts: new Set(hosts),
    now: window,
    before,
  });
  const levels = levelsIn(state, whole);
  const changed = { fromMs: whole.toMs - DAY_MS, toMs: whole.toMs };
  const told = await changesOf(state.database, [name], changed);
  const seen = await releasesOf(state.database, [name], changed);
  return {
    name,
    window,
    before,
    team: proposeTeam(state.settings.at().ownership, { application: '', component: name })?.team ?? null,
    traces: traces.length,
    attempts: Math.round(found.traces / share),
    callers: hops.filter(({ to }) => to === name).map((hop) => hopShape(hop, traces.length)),
    callees: hops.filter(({ from }) => from === name).map((hop) => hopShape(hop, traces.length)),
    hosts,
    neighbours: await neighboursOf(state, { name, hosts, atMs: window.toMs }),
    figures: FIGURES.map((figure) => ({
      figure,
      hosts: judged.filter((one) => one.figure === figure).map(figureShape),
    })).filter((one) => one.hosts.length > 0),
    flows: flows.map((id) => ({
      id,
      name: state.names.flow(id).name,
      application: state.names.flow(id).application,
      level: levels.get(id) ?? calmOf(state, id, window),
    })),
    incidents: await Promise.all(
      state.register
        .within(whole)
        .filter((incident) => incident.component?.name === name)
        .map(async (incident) => ({
          id: incident.id,
          title: await titleOf(state, incident, whole),
          onsetMs: incident.onsetMs,
          inTroubleNow: incident.active,
        })),
    ),
    changes: [
      ...seen.map(({ version, firstMs }) => ({ atMs: firstMs, words: `${version} first seen in its spans` })),
      ...told.map((one) => ({ atMs: one.atMs, words: changeTitle(one) })),
    ].sort((a, b) => b.atMs - a.atMs),
  };
}

/** What else runs on its hosts: whoever shares a machine shares its trouble. */
async function neighboursOf(
  state: EngineState,
  { name, hosts, atMs }: { name: string; hosts: readonly string[]; atMs: number },
): Promise<ComponentShape['neighbours']> {
  const shared = new Map<string, ComponentShape['neighbours'][number]>();
  for (const { component, host, application } of await partsBefore(state.database, atMs)) {
    if (component === name || host === '' || !hosts.includes(host)) continue;
    const known = shared.get(component);
    if (known) known.hosts.push(host);
    else shared.set(component, { component, application, hosts: [host] });
  }
  return [...shared.values()];
}

/** Incidents of the component, or of flows through it: what its hosts did meanwhile is not what they do as usual. */
const troublesAt = (state: EngineState, name: string, flows: readonly number[], window: Window): StoredIncident[] =>
  state.register
    .within(window)
    .filter(({ component, parts }) => component?.name === name || parts.some((part) => flows.includes(part.flow)));

async function titleOf(state: EngineState, incident: StoredIncident, window: Window): Promise<string> {
  const bill = await billOf(state, incident, { window, focus: { values: {} }, ratesAtMs: Infinity, withLeft: false });
  return (await describe(state, { incident, bill }, window)).title;
}
