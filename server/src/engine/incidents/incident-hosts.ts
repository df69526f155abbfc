import type { HostsShape } from '../../contract/infrastructure';
import { scopeOf } from './incident-scope';
import { PerVersion } from '../state/per-version';
import type { World } from '../state/world';
import { lookAt } from '../reading/hosts';

const made = new PerVersion<HostsShape>(30);

/** What hosts, processes and runtimes did while an incident went on; null when there is no such incident. */
export async function incidentHosts(world: World, { id }: { id: number }): Promise<HostsShape | null> {
  const incident = world.register.get(id);
  if (!incident || incident.withdrawn) return null;
  return made.get(world, String(id), async () => {
    const { components, hosts, now, before } = await scopeOf(world, incident);
    const looked = new Set([...hosts.values()].flat());
    return lookAt(world, new Set(components), looked, now, before);
  });
}
