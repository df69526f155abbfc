import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import type { Schemas } from '@/data/client';
import { usePromiseAttempts } from '@/data/promises';
import { Chip } from '@/frame/chip';
import { useView } from '@/frame/view';
import { count } from '@/look/format';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import type { Cell } from './cells';
import { SampleList } from '../incident/sample-list';

const FIRST = 6;

/** The attempts that broke it, the newest first; those of one flow at one site where such a cell was chosen. */
export function Outside({
  page: { level, nowMs },
  cell,
  onClear,
}: {
  page: Schemas['PromisePage'];
  cell: Cell | undefined;
  onClear: () => void;
}) {
  const { view } = useView();
  const [isWhole, setWhole] = useState(false);
  const { data } = usePromiseAttempts(level.name, view, cell && { flow: cell.rowId, site: cell.column });
  if (!data || data.all === 0) return null;
  const shown = isWhole ? data.attempts : data.attempts.slice(0, FIRST);
  const hasSeveral = level.flows > 1;
  return (
    <View style={styles.box} testID="outside">
      <Words kind="section" level={2}>
        Attempts outside it
      </Words>
      {cell && <Chip words={`${cell.row}, ${cell.column}`} onPress={onClear} removes />}
      <Words kind="small">{outsideWords(data, { isPart: cell !== undefined, indicator: level.indicator })}</Words>
      {shown.map(({ flow, sample }) => (
        <View key={`${sample.traceId}-${sample.spanId}`}>
          {hasSeveral && <Words kind="small">{flow}</Words>}
          <SampleList samples={[sample]} nowMs={nowMs} />
        </View>
      ))}
      {data.attempts.length > FIRST && (
        <Button mode="text" onPress={() => setWhole(!isWhole)} style={styles.more}>
          {isWhole ? `The newest ${FIRST} alone` : `Show ${data.attempts.length}`}
        </Button>
      )}
    </View>
  );
}

/** How the attempts listed are bad, where they do not show it themselves. */
const WHAT_IS_LISTED: Partial<Record<Schemas['ServiceLevel']['indicator'], string>> = {
  crashFree: 'Launches that failed, or ended in a crash later',
  views: 'Loads of which a vital was not good',
};

/** "Newest first, 40 of 1,284 bad ones of the period." */
export function outsideWords(
  { all, attempts }: Schemas['PromiseAttempts'],
  { isPart, indicator }: { isPart: boolean; indicator: Schemas['ServiceLevel']['indicator'] },
): string {
  if (attempts.length === 0) return isPart ? 'None here.' : 'Single attempts of that time are no longer kept.';
  if (indicator === 'people')
    return 'Those not in time, newest first. A person-hour is bad when too many of somebody’s attempts in it were not.';
  const what = WHAT_IS_LISTED[indicator];
  if (isPart) return what ? `${what}, newest first.` : 'Newest first.';
  const some = `${count(attempts.length)} of ${count(all)} bad ones of the period.`;
  return what ? `${what}, newest first: ${some}` : `Newest first, ${some}`;
}

const styles = StyleSheet.create({
  box: { gap: SPACE.xs },
  more: { alignSelf: 'flex-start' },
});
