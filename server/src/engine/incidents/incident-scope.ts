import type { StoredIncident } from '@toplens/core/incidents';
import { HOUR_MS, MINUTE_MS, type Window } from '@toplens/core/time';
import { rootOf } from '../harm/describe';
import type { Deviation } from '@toplens/core/normal';
import { originOf } from '../reading/origin';
import { outageOf } from '../reading/outage';
import type { LogScope } from '../state/questions';
import type { EngineState } from '../state/engine-state';
import { USUAL_FROM_MS } from '../reading/hosts';

/** Of a long incident the first hour is looked at, as the search for its origin does. */
const LOOK_MS = HOUR_MS;

/**
 * Where and when to look for what else happened: the components of an incident, their hosts, its minutes, and the hours
 * before.
 */
export interface IncidentScope {
  components: string[];
  /** hosts on which these components ran, by component */
  hosts: ReadonlyMap<string, readonly string[]>;
  now: Window;
  before: Window;
}

export async function scopeOf(state: EngineState, incident: StoredIncident): Promise<IncidentScope> {
  const root = rootOf(incident);
  const { onsetMs } = incident;
  const { components, hosts } = root.signal === 'missing' ? await servingOf(state, root) : await passedBy(state, root);
  return {
    components,
    hosts,
    now: { fromMs: onsetMs, toMs: Math.min(incident.endMs, onsetMs + LOOK_MS) },
    before: { fromMs: onsetMs - USUAL_FROM_MS, toMs: onsetMs },
  };
}

type Where = Pick<IncidentScope, 'components' | 'hosts'>;

/** The components that attempts gone wrong passed. */
async function passedBy(state: EngineState, root: Deviation): Promise<Where> {
  const origin = await originOf(state, root);
  return { components: origin?.rungs.map(({ component }) => component) ?? [], hosts: origin?.hosts ?? new Map() };
}

/** The components that usually serve what no longer comes. */
async function servingOf(state: EngineState, root: Deviation): Promise<Where> {
  const { path, hosts } = await outageOf(state, root);
  return { components: path.map(({ component }) => component), hosts };
}

/** Incidents that begin so near to each other may have one cause. */
const SAME_CAUSE_MS = 10 * MINUTE_MS;

/**
 * Components on the way in which another incident begins, at another time: what is odd there belongs to that one.
 */
export function originsOfOthers(
  { register, names }: EngineState,
  incident: StoredIncident,
  components: readonly string[],
): { component: string; flow: string }[] {
  const others = register
    .within({ fromMs: incident.onsetMs - USUAL_FROM_MS, toMs: incident.endMs })
    .filter((other) => other.id !== incident.id && Math.abs(other.onsetMs - incident.onsetMs) > SAME_CAUSE_MS);
  return components.flatMap((component) => {
    const other = others.find((one) => one.component?.name === component);
    return other && incident.component?.name !== component
      ? [{ component, flow: names.flow(rootOf(other).flow).name }]
      : [];
  });
}

/** Where and when to look for lines of logs; null when there is no such incident. */
export function applicationsOf(state: EngineState, { id }: { id: number }): string[] {
  const { register, names } = state;
  const applications = (register.get(id)?.parts ?? []).map(({ flow }) => names.flow(flow).application);
  return [...new Set(applications)];
}

export async function logScope(state: EngineState, { id }: { id: number }): Promise<LogScope | null> {
  const incident = state.register.get(id);
  if (!incident || incident.withdrawn) return null;
  const { components, now, before } = await scopeOf(state, incident);
  const root = rootOf(incident);
  const elsewhere = originsOfOthers(state, incident, components);
  return {
    components,
    now,
    before,
    // What no longer comes has no traces: whoever usually serves it may have said why in the traces of others.
    flows: root.signal === 'missing' ? null : [...new Set(incident.parts.map(({ flow }) => flow))],
    withTraceOnly: elsewhere.map(({ component }) => component),
    leftOut: elsewhere.map(
      ({ component, flow }) =>
        `Lines of ${component} without a trace are left to the incident of ${flow}, which begins there.`,
    ),
    version: state.version,
  };
}
