import type { Region } from '@/data/flows';

/** A region of a flow's attempts as it stands in the address: begin, end, shortest, longest (empty: however long). */
export const regionText = ({ fromMs, toMs, fromDurationMs, toDurationMs }: Region): string =>
  [fromMs, toMs, fromDurationMs, toDurationMs].map((part) => (part === null ? '' : Math.round(part))).join('_');

/** @returns `undefined` where the text is no region */
export function parseRegion(text: string | undefined): Region | undefined {
  const parts = text?.split('_') ?? [];
  if (parts.length !== 4) return undefined;
  const [fromMs, toMs, fromDurationMs] = parts.slice(0, 3).map(Number) as [number, number, number];
  const toDurationMs = parts[3] === '' ? null : Number(parts[3]);
  const isWhole = [fromMs, toMs, fromDurationMs, toDurationMs ?? 0].every((part) => Number.isFinite(part));
  return isWhole && toMs > fromMs && fromDurationMs >= 0 ? { fromMs, toMs, fromDurationMs, toDurationMs } : undefined;
}
