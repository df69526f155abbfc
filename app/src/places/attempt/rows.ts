import type { Schemas } from '@/data/client';

export type AttemptRow = Schemas['AttemptRow'];

/** Microseconds as people read them: "4.8 s", "380 ms", "0.6 ms". */
export function spanWords(us: number): string {
  if (us < 10_000) return `${Number((us / 1000).toFixed(us < 1000 ? 2 : 1))} ms`;
  if (us < 1_000_000) return `${Math.round(us / 1000)} ms`;
  return us < 60_000_000
    ? `${(us / 1_000_000).toFixed(us < 10_000_000 ? 2 : 1)} s`
    : `${(us / 60_000_000).toFixed(1)} min`;
}

/** Rows in view: calls that are folded away are left out, with all below them, until their row is opened. */
export function shownRows(rows: readonly AttemptRow[], opened: ReadonlySet<string>): AttemptRow[] {
  return rows.filter(({ foldedInto }) => foldedInto === '' || opened.has(foldedInto));
}

/** What a row is called: what it did, and for whom. */
export function rowWords({ name, component, isMissing, calls }: AttemptRow): { what: string; where: string } {
  if (isMissing) return { what: 'A span that never came', where: 'what is known below it' };
  return { what: calls > 1 ? `${name} ×${calls}` : name, where: component };
}

/** The rows that are worth a first look: what failed, and what holds most of the time; scrolled to at the beginning. */
export function heaviestRow(rows: readonly AttemptRow[]): AttemptRow | undefined {
  return rows.reduce<AttemptRow | undefined>(
    (most, row) => (most && most.shareUs >= row.shareUs ? most : row),
    undefined,
  );
}
