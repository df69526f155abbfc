import type { RequestParts } from './run';

/** Where the time of a step went. device: the runner and its browser; line: all between it and the server. */
export const STEP_LAYERS = ['device', 'line', 'server', 'store'] as const;
export type StepLayer = (typeof STEP_LAYERS)[number];

/**
 * Splits the time of a step. The server's time is what its span took less its calls to stores; the line has the name's
 * address, the connection, the transfer, and what of the wait no server took; the rest is the runner's own.
 *
 * @param serverMs longest span that a server began for this step; 0 when none is known
 * @param storeMs of it, calls to stores
 * @returns milliseconds by layer, which add up to the step; `undefined` when the step tells no parts
 */
export function layersOf(
  durationMs: number,
  parts: RequestParts | undefined,
  { serverMs, storeMs }: { serverMs: number; storeMs: number },
): Record<StepLayer, number> | undefined {
  if (!parts) return undefined;
  const asked = Math.min(durationMs, parts.nameMs + parts.connectMs + parts.waitMs + parts.transferMs);
  const server = Math.min(serverMs, parts.waitMs);
  const store = Math.min(storeMs, server);
  return { device: durationMs - asked, line: asked - server, server: server - store, store };
}
