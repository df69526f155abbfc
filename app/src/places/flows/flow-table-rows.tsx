import { Pressable, StyleSheet, View } from 'react-native';
import { Sparkline } from '@/charts/sparkline';
import type { FlowRow } from '@/data/client';
import { Door } from '@/frame/door';
import { count, durationWords, percent } from '@/look/format';
import { Icon } from '@/look/icon';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import type { Table } from '@/frame/table/use-table';
import { COLUMNS } from './columns';

/** The table on a wide screen; every head sorts, every row is a door. */
export function FlowTableRows({ table }: { table: Table<FlowRow> }) {
  const { rows, column, isDescending, few, sortBy } = table;
  const palette = usePalette();
  return (
    <View role="table" aria-label="Flows">
      <View role="row" style={[styles.row, { borderBottomColor: palette.muted }]}>
        {COLUMNS.map(({ key, words, label }) => (
          <View
            key={key}
            role="columnheader"
            aria-sort={key === column.key ? (isDescending ? 'descending' : 'ascending') : 'none'}
            style={key === 'name' ? styles.name : [styles.cell, WIDER[key]]}
          >
            <Pressable
              role="button"
              aria-label={`${words}: sort by ${label.toLowerCase()}`}
              onPress={() => sortBy(key)}
              style={[styles.head, key === 'name' && styles.headLeft]}
            >
              <Words
                kind="small"
                style={{
                  color: key === column.key ? palette.action : palette.muted,
                  fontWeight: key === column.key ? '600' : '400',
                }}
              >
                {words}
              </Words>
              {key === column.key && (
                <Icon name={isDescending ? 'arrow-down' : 'arrow-up'} size={14} color={palette.action} />
              )}
            </Pressable>
          </View>
        ))}
        <View role="columnheader" style={styles.spark}>
          <Words kind="small">3 h</Words>
        </View>
      </View>
      {rows.map((row) => (
        <View role="row" key={row.id} style={[styles.row, { borderBottomColor: palette.hairline }]}>
          {COLUMNS.map((one) =>
            one.key === 'name' ? (
              <View role="cell" key={one.key} style={styles.name}>
                <Door path={`/flow/${row.id}`} style={styles.door} testID={`flow-${row.id}`}>
                  <Words kind="strong" numberOfLines={2} style={{ color: palette.action }}>
                    {row.name}
                  </Words>
                  <Words kind="small" numberOfLines={1}>
                    {row.application}
                  </Words>
                </Door>
              </View>
            ) : (
              <View role="cell" key={one.key} style={[styles.cell, WIDER[one.key]]}>
                <Words style={styles.figure}>{one.show(row)}</Words>
                {few.has(row) && one.key === column.key && <Words kind="small">too few to rank</Words>}
                <Words kind="small">{beforeWords(row, one.key)}</Words>
              </View>
            ),
          )}
          <View role="cell" style={styles.spark}>
            <Sparkline series={row.spark} marks={row.marks} />
          </View>
        </View>
      ))}
    </View>
  );
}

/** Columns whose words are longer than a figure. */
const WIDER: Readonly<Record<string, { flex: number }>> = {
  hurt: { flex: 1.45 },
  team: { flex: 1.35 },
  apdex: { flex: 1.2 },
};

/** The same figure in the window that is compared with. */
export function beforeWords({ before }: Pick<FlowRow, 'before'>, key: string): string {
  if (!before) return '';
  if (key === 'attempts') return count(before.attempts);
  if (key === 'medianMs') return before.medianMs === null ? '–' : durationWords(before.medianMs);
  if (key === 'failedShare') return percent(before.failedShare);
  return '';
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', borderBottomWidth: 1, minHeight: 52 },
  name: { flex: 2, minWidth: 130 },
  cell: { flex: 1, minWidth: 58, alignItems: 'flex-end', paddingLeft: SPACE.xs },
  figure: { textAlign: 'right' },
  spark: { width: 86, alignItems: 'flex-end' },
  head: { minHeight: 32, flexDirection: 'row', alignItems: 'center', justifyContent: 'flex-end', gap: 2 },
  headLeft: { justifyContent: 'flex-start' },
  door: { minHeight: 44, justifyContent: 'center', paddingRight: SPACE.s },
});
