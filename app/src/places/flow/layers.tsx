import { StackedColumns } from '@/charts/stacked-columns';
import type { Schemas } from '@/data/client';
import { durationWords } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';

type Layers = Schemas['Path']['layers'];
type Layer = Layers['means'][number]['layer'];

const LAYER_WORDS: Record<Layer, string> = {
  device: 'browser or phone',
  ownCode: 'own code',
  network: 'between',
  stores: 'stores',
  outside: 'outside services',
};

/** Mean time of an attempt by layer over time; layers can be hidden. */
export function LayerColumns({ layers }: { layers: Layers }) {
  const palette = usePalette();
  const fills: Record<Layer, string> = {
    device: palette.harm[1],
    ownCode: palette.action,
    network: palette.hairline,
    stores: palette.ink,
    outside: palette.muted,
  };
  const series = layers.means
    .filter(({ ms }) => ms.some((one) => one > 0))
    .map(({ layer, ms }) => ({
      key: layer,
      words: `${LAYER_WORDS[layer]} ${durationWords(meanOf(ms, layers.attempts))}`,
      wordsAt: (step: number) => `${LAYER_WORDS[layer]} ${durationWords(ms[step] ?? 0)}`,
      values: ms,
      fill: fills[layer],
    }));
  return (
    <>
      <StackedColumns
        name="Where its time goes"
        startMs={layers.startMs}
        stepMs={layers.stepMs}
        series={series}
        format={durationWords}
        label={`Mean time of an attempt: ${series.map(({ words }) => words).join(', ')}`}
      />
      <Words kind="small">
        Mean of the attempts that were looked at in each step; “between” is waiting that the other side does not account
        for.
      </Words>
    </>
  );
}

/** Mean over all attempts, from the means of steps. */
export function meanOf(ms: readonly number[], attempts: readonly number[]): number {
  const n = attempts.reduce((sum, one) => sum + one, 0);
  return n === 0 ? 0 : ms.reduce((sum, one, i) => sum + one * (attempts[i] ?? 0), 0) / n;
}
