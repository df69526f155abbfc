import { stepName } from '@toplens/core/traces';
import { StyleSheet, View } from 'react-native';
import { ToneSquare } from '@/charts/tone-square';
import { useSteps } from '@/data/flows';
import { Trouble } from '@/frame/trouble';
import { figureColumn, textColumn, type Column } from '@/frame/table/columns';
import { TableTools } from '@/frame/table/table-tools';
import { useTable } from '@/frame/table/use-table';
import { useView } from '@/frame/view';
import { count, durationWords, percent } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { isNotable, overWords, sampleWords, timeWords, type Step } from './step-words';

const COLUMNS: readonly Column<Step>[] = [
  figureColumn('time', 'Time of all attempts, ms', ({ medianMs, attempts }) => medianMs * attempts, {
    show: durationWords,
  }),
  figureColumn('over', 'Share over the limit, 0 to 1', ({ overShare }) => overShare?.estimate ?? null, {
    show: percent,
    isAverage: true,
  }),
  textColumn('component', 'Component', ({ component }) => component),
  textColumn('operation', 'Operation', ({ operation }) => operation),
  figureColumn('median', 'Median, ms', ({ medianMs }) => medianMs, { show: durationWords, isAverage: true }),
  figureColumn('p95', '95th percentile, ms', ({ p95Ms }) => p95Ms, { show: durationWords, isAverage: true }),
  figureColumn('usual', 'Usual median, ms', ({ usualMs }) => usualMs, { show: durationWords }),
  figureColumn('learned', 'Learned limit, ms', ({ learnedLimitMs }) => learnedLimitMs, { show: durationWords }),
  figureColumn('owners', 'Owner’s limit, ms', ({ ownersLimitMs }) => ownersLimitMs, { show: durationWords }),
  figureColumn('attempts', 'Attempts with it', ({ attempts }) => attempts),
  figureColumn('failed', 'Attempts in which it failed', ({ failed }) => failed),
];

/** The steps inside a flow, each against a limit of its own. */
export function StepsPart({ flow }: { flow: number }) {
  const { view } = useView();
  const palette = usePalette();
  const { data, error, refetch } = useSteps(flow, view);
  const table = useTable(data?.steps ?? [], {
    name: 'inner-steps',
    columns: COLUMNS,
    byDefault: '-time',
    countOf: ({ attempts }) => attempts,
  });
  if (data?.steps.length === 0) return null;
  return (
    <View style={styles.box} testID="inner-steps">
      <Words kind="section" level={2}>
        Steps inside it
      </Words>
      {error && <Trouble error={error} onRetry={() => void refetch()} />}
      {!data && !error && <Words kind="muted">Looking at attempts of the window and of the day before …</Words>}
      {data && (
        <>
          <Words kind="muted">{sampleWords(data)}</Words>
          <TableTools table={table} />
          <View role="list" aria-label="Steps inside it">
            {table.rows.map((step) => (
              <View
                role="listitem"
                key={stepName(step)}
                style={[styles.step, { borderTopColor: palette.hairline }]}
                testID={`step-${stepName(step)}`}
              >
                <Words kind="strong">{stepName(step)}</Words>
                <Words>{timeWords(step)}</Words>
                <View style={styles.over}>
                  <ToneSquare tone={isNotable(step) ? 1 : undefined} />
                  <Words kind="small" style={styles.words}>
                    {`${overWords(step)}${step.failed > 0 ? ` It failed in ${count(step.failed)}.` : ''}`}
                  </Words>
                </View>
              </View>
            ))}
          </View>
        </>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: SPACE.xs },
  step: { borderTopWidth: 1, paddingVertical: SPACE.s, gap: 2 },
  over: { flexDirection: 'row', gap: SPACE.s, alignItems: 'center' },
  words: { flex: 1 },
});
