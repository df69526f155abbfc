import type { HostsShape } from '../../contract/infrastructure';
import { originsOfOthers, scopeOf } from './incident-scope';
import { PerVersion } from '../state/per-version';
import type { EngineState } from '../state/engine-state';
import { lookAt } from '../reading/hosts';

const made = new PerVersion<HostsShape>(30);

/** What hosts, processes and runtimes did while an incident went on; null when there is no such incident. */
export async function incidentHosts(state: EngineState, { id }: { id: number }): Promise<HostsShape | null> {
  const incident = state.register.get(id);
  if (!incident || incident.withdrawn) return null;
  return made.get(state, String(id), async () => {
    const { components, hosts, now, before } = await scopeOf(state, incident);
    const elsewhere = originsOfOthers(state, incident, components);
    const others = new Set(elsewhere.map(({ component }) => component));
    const own = components.filter((component) => !others.has(component));
    const looked = new Set(own.flatMap((component) => hosts.get(component) ?? []));
    const found = await lookAt(state, { components: new Set(own), hosts: looked, now, before });
    return {
      ...found,
      leftOut: elsewhere.map(
        ({ component, flow }) => `What ${component} runs on is left to the incident of ${flow}, which begins there.`,
      ),
    };
  });
}
