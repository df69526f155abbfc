import { HOUR_MS, MINUTE_MS } from '../time';

/** A component on a host, and when its newest span came. */
export interface SeenPart {
  component: string;
  host: string;
  lastMs: number;
}

/** One of several hosts of a component that fell silent while others of it still work. */
export interface DeadReplica extends SeenPart {
  /** hosts of it that still work */
  alive: number;
}

/** A host that does little may be still for minutes. */
const SILENT_MS = 15 * MINUTE_MS;
/** A host that has been away for a day was taken away. */
const GONE_MS = 24 * HOUR_MS;

/**
 * Hosts that fell silent while other hosts of the same component still work: what was redundant is so no more.
 *
 * @param knownUntilMs end of the newest complete data
 * @returns the newest first
 */
export function deadReplicas(parts: readonly SeenPart[], knownUntilMs: number): DeadReplica[] {
  const isAlive = ({ lastMs }: SeenPart) => knownUntilMs - lastMs < SILENT_MS;
  return parts
    .filter(({ host, lastMs }) => host !== '' && knownUntilMs - lastMs >= SILENT_MS && knownUntilMs - lastMs < GONE_MS)
    .map((part) => ({
      ...part,
      alive: parts.filter((other) => other.component === part.component && isAlive(other)).length,
    }))
    .filter(({ alive }) => alive > 0)
    .sort((a, b) => b.lastMs - a.lastMs || a.component.localeCompare(b.component) || a.host.localeCompare(b.host));
}
