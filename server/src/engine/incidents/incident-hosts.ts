import type { HostsShape } from '../../contract/infrastructure';
import { scopeOf } from './incident-scope';
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
    const looked = new Set([...hosts.values()].flat());
    return lookAt(state, { components: new Set(components), hosts: looked, now, before });
  });
}
