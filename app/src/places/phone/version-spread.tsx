import { StackedColumns } from '@/charts/stacked-columns';
import type { Schemas } from '@/data/client';
import { count } from '@/look/format';
import { usePalette } from '@/look/look';
import { versionName } from './phone-words';

type Spread = Schemas['Phone']['applications'][number]['spread'];

/** More shades cannot be told from one another. */
const MOST = 4;

/** How versions spread: launches of the newest ones over time, of all older ones together. */
export function VersionSpread({ spread: { startMs, stepMs, versions } }: { spread: Spread }) {
  const palette = usePalette();
  const shades = [palette.action, palette.muted, palette.hairline, palette.band];
  const told = oldestTogether(versions);
  const sum = (values: readonly number[]) => values.reduce((all, one) => all + one, 0);
  return (
    <StackedColumns
      name="Launches by version"
      startMs={startMs}
      stepMs={stepMs}
      format={count}
      label={`Launches over time: ${told.map(({ name, launches }) => `${name} ${count(sum(launches))}`).join(', ')}`}
      series={told.map(({ name, launches }, i) => ({
        key: name,
        words: `${name} ${count(sum(launches))}`,
        wordsAt: (step) => `${name} ${count(launches[step] ?? 0)}`,
        values: launches,
        fill: shades[i] as string,
        isOutlined: true,
      }))}
    />
  );
}

/** The newest by name; where there are more than can be told apart, the others as one. */
export function oldestTogether(versions: Spread['versions']): { name: string; launches: number[] }[] {
  const named = versions.map(({ version, launches }) => ({ name: versionName(version), launches }));
  if (named.length <= MOST) return named;
  const others = named.slice(MOST - 1);
  const steps = others[0]?.launches.length ?? 0;
  const together = Array.from({ length: steps }, (_, i) =>
    others.reduce((all, { launches }) => all + (launches[i] ?? 0), 0),
  );
  return [...named.slice(0, MOST - 1), { name: 'older', launches: together }];
}
