import { PARTS } from '@toplens/core/pages';
import { useId } from 'react';
import { View } from 'react-native';
import { fillOfPart, PartTones } from '@/charts/parts-bar';
import { StackedColumns } from '@/charts/stacked-columns';
import { durationWords } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { PART_GROUPS, PART_WORDS, partsWords, type PageLoads } from './page-words';

/** Mean load over time in all its parts; those that stand together in a bar share its tone. */
export function PartColumns({ pages: { all, trend } }: { pages: PageLoads }) {
  const palette = usePalette();
  const id = useId();
  if (!all || all.loads === 0) return null;
  const defs = <PartTones id={id} palette={palette} />;
  const series = PARTS.map((part, i) => {
    const { fill } = fillOfPart(
      PART_GROUPS.findIndex(({ parts }) => parts.includes(part)),
      palette,
      id,
    );
    const values = trend.parts[i] ?? [];
    const words = PART_WORDS[part];
    return {
      key: words,
      words: `${words} ${durationWords(all.parts[i] ?? 0)}`,
      wordsAt: (step: number) => `${words} ${durationWords(values[step] ?? 0)}`,
      values,
      fill,
      isOutlined: true,
      swatch: { fill, defs },
    };
  });
  return (
    <View testID="part-columns">
      <Words kind="section" level={2}>
        A load in its parts
      </Words>
      <StackedColumns
        name="A load in its parts"
        startMs={trend.startMs}
        stepMs={trend.stepMs}
        series={series}
        format={durationWords}
        label={`Mean load over time. All together: ${partsWords(all.parts)}`}
        defs={defs}
      />
      <Words kind="small">Means of the loads of each step, one part behind the other.</Words>
    </View>
  );
}
