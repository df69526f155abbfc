import type { StoredIncident } from '@toplens/core/incidents';
import { HOUR_MS, type Window } from '@toplens/core/time';
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

/** Where and when to look for lines of logs; null when there is no such incident. */
export async function logScope(state: EngineState, { id }: { id: number }): Promise<LogScope | null> {
  const incident = state.register.get(id);
  if (!incident || incident.withdrawn) return null;
  const { components, now, before } = await scopeOf(state, incident);
  return { components, now, before, version: state.version };
}
