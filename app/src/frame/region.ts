import type { Region } from '@/data/flows';

const KINDS: readonly Region['only'][] = ['failed', 'bad', 'succeeded'];

/**
 * A region of a flow's attempts as it stands in the address: begin, end, shortest, longest (empty: however long), and
 * which of them alone.
 */
export const regionText = ({ fromMs, toMs, fromDurationMs, toDurationMs, only }: Region): string =>
  [
    ...[fromMs, toMs, fromDurationMs, toDurationMs].map((part) => (part === null ? '' : Math.round(part))),
    ...(only === undefined ? [] : [only]),
  ].join('_');

/** @returns `undefined` where the text is no region */
export function parseRegion(text: string | undefined): Region | undefined {
  const parts = text?.split('_') ?? [];
  const only = KINDS.find((kind) => kind === parts[4]);
  if (parts.length !== (only === undefined ? 4 : 5)) return undefined;
  const [fromMs, toMs, fromDurationMs] = parts.slice(0, 3).map(Number) as [number, number, number];
  const toDurationMs = parts[3] === '' ? null : Number(parts[3]);
  const isWhole = [fromMs, toMs, fromDurationMs, toDurationMs ?? 0].every((part) => Number.isFinite(part));
  return isWhole && toMs > fromMs && fromDurationMs >= 0
    ? { fromMs, toMs, fromDurationMs, toDurationMs, ...(only && { only }) }
    : undefined;
}
