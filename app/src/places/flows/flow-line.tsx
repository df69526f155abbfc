import { StyleSheet, View } from 'react-native';
import { Sparkline } from '@/charts/sparkline';
import type { FlowRow } from '@/data/client';
import { Door } from '@/frame/door';
import { counted, durationWords, percent } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import type { FlowColumn } from './columns';

/** A flow on a phone: name, the figures that matter, and the one it is sorted by. */
export function FlowLine({ row, column, isFew }: { row: FlowRow; column: FlowColumn; isFew: boolean }) {
  const palette = usePalette();
  const figures = [
    counted(row.attempts, 'attempt'),
    row.medianMs !== null && `median ${durationWords(row.medianMs)}`,
    row.p95Ms !== null && `95th ${durationWords(row.p95Ms)}`,
    row.failedShare !== null && `${percent(row.failedShare)} failed`,
  ]
    .filter((text) => typeof text === 'string')
    // A figure and its unit stay on one line.
    .map((text) => text.replaceAll(' ', '\u00a0'));
  return (
    <View role="listitem" style={[styles.row, { borderBottomColor: palette.hairline }]}>
      <Door path={`/flow/${row.id}`} style={styles.door} testID={`flow-${row.id}`}>
        <View style={styles.words}>
          <Words kind="strong">{row.name}</Words>
          <Words kind="small">
            {[row.application, row.level === 'noData' ? 'no data' : row.level, row.team].filter(Boolean).join(' · ')}
          </Words>
          <Words kind="small">{figures.join(' · ')}</Words>
        </View>
        <View style={styles.side}>
          <Words kind="strong">{column.show(row)}</Words>
          {isFew && <Words kind="small">too few to rank</Words>}
          <Sparkline series={row.spark} marks={row.marks} />
        </View>
      </Door>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { borderBottomWidth: 1 },
  door: { flexDirection: 'row', gap: SPACE.s, minHeight: TOUCH, paddingVertical: SPACE.s },
  words: { flex: 1, minWidth: 0, gap: 2 },
  side: { alignItems: 'flex-end', gap: SPACE.xs },
});
