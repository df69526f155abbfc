import { totalmem } from 'node:os';

/** Bytes of memory that this process may use: of the container where there is one, else of the machine. */
export function availableBytes(): number {
  // Node's types for 20 do not list it yet; 0 and absurd values stand for "no limit".
  const constrained = (process as unknown as { constrainedMemory?: () => number }).constrainedMemory?.() ?? 0;
  return constrained > 0 && constrained < totalmem() ? constrained : totalmem();
}

/** Largest heap of a worker, as a share of the memory there is, within bounds. */
export function heapLimit(share: number, leastMb: number, mostMb: number): { maxOldGenerationSizeMb: number } {
  return {
    maxOldGenerationSizeMb: Math.round(Math.min(mostMb, Math.max(leastMb, (share * availableBytes()) / 1024 / 1024))),
  };
}
