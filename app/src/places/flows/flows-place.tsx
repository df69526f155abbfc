import { useEffect, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import type { FlowRow } from '@/data/client';
import { useFlows } from '@/data/flows';
import { TableTools } from '@/frame/table/table-tools';
import { useTable } from '@/frame/table/use-table';
import { useShortcuts } from '@/frame/shortcuts';
import { TimeBar } from '@/frame/time-bar';
import { Trouble } from '@/frame/trouble';
import { useView } from '@/frame/view';
import { counted } from '@/look/format';
import { useIsWide, usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { JourneyList } from '../journey/journey-list';
import { MoneyList } from '../money/money-list';
import { nothingToCompare } from '../worst-first/compared-words';
import { COLUMNS, DEFAULT_SORT } from './columns';
import { FlowLine } from './flow-line';
import { FlowTableRows } from './flow-table-rows';
import { SlowestPart } from './slowest-part';

/** All flows with what their attempts came to; sortable by everything. */
export function FlowsPlace() {
  const isWide = useIsWide();
  const palette = usePalette();
  const { view, go } = useView();
  const { data, error, refetch, isPlaceholderData } = useFlows(view);
  const [at, setAt] = useState(-1);
  const table = useTable(data?.rows ?? [], {
    name: 'flows',
    columns: COLUMNS,
    byDefault: DEFAULT_SORT,
    countOf: ({ attempts }) => attempts,
  });
  const { rows } = table;
  const step = (by: number) => {
    const next = Math.min(rows.length - 1, Math.max(0, at + by));
    setAt(next);
    document.querySelector<HTMLElement>(`[data-testid="flow-${rows[next]?.id}"]`)?.focus();
  };
  useShortcuts({ j: () => step(1), k: () => step(-1), Enter: () => rows[at] && go(`/flow/${rows[at].id}`) });
  useEffect(() => {
    document.title = 'Flows · Top Lens';
  }, []);
  return (
    <ScrollView style={styles.fill} contentContainerStyle={styles.content}>
      <TimeBar />
      {error && (
        <Trouble error={error} still={data ? 'What you see is from before.' : ''} onRetry={() => void refetch()} />
      )}
      {data && (
        <View style={styles.page}>
          <Words kind="title" level={1} testID="flows-headline">
            {flowsSentence(data.rows)}
          </Words>
          {view.against !== undefined && data.comparedWith === null && !isPlaceholderData && (
            <Words kind="muted">{nothingToCompare(view.against)}</Words>
          )}
          {data.comparedWith !== null && <Words kind="muted">{`Small figures: ${data.comparedWith}.`}</Words>}
          <View style={styles.tools}>
            <Button icon="server-network-outline" onPress={() => go('/estate')}>
              Everything that runs
            </Button>
            <Button icon="account-group-outline" onPress={() => go('/standing')}>
              Applications and activities
            </Button>
            {isWide && <TableTools table={table} hasHeads />}
          </View>
          {!isWide && <TableTools table={table} />}
          {isWide ? (
            <FlowTableRows table={table} />
          ) : (
            <View role="list" aria-label="Flows" style={{ borderTopWidth: 1, borderTopColor: palette.hairline }}>
              {rows.map((row) => (
                <FlowLine key={row.id} row={row} column={table.column} isFew={table.few.has(row)} />
              ))}
            </View>
          )}
          {rows.length === 0 && <Words kind="muted">They appear with the first attempts.</Words>}
          <View style={isWide ? styles.beside : styles.stacked}>
            <View style={isWide && styles.half}>
              <JourneyList />
            </View>
            <View style={isWide && styles.half}>
              <MoneyList />
            </View>
          </View>
          <SlowestPart />
        </View>
      )}
    </ScrollView>
  );
}

/** "12 flows; two are hurting, one has no data." */
export function flowsSentence(rows: readonly Pick<FlowRow, 'level'>[]): string {
  if (rows.length === 0) return 'No flow is known yet.';
  const n = (level: FlowRow['level']) => rows.filter((row) => row.level === level).length;
  const parts = (['broken', 'hurting', 'strained'] as const).flatMap((level) =>
    n(level) > 0 ? [`${n(level)} ${level}`] : [],
  );
  if (n('learning') > 0) parts.push(`${n('learning')} still being learned`);
  if (n('noData') > 0) parts.push(`${n('noData')} without data`);
  return `${counted(rows.length, 'flow')}${parts.length > 0 ? `: ${parts.join(', ')}.` : ', all calm.'}`;
}

const styles = StyleSheet.create({
  fill: { flex: 1 },
  content: { paddingBottom: SPACE.xl },
  page: { padding: SPACE.l, gap: SPACE.s },
  beside: { flexDirection: 'row', gap: SPACE.xl, marginTop: SPACE.l },
  stacked: { gap: SPACE.l, marginTop: SPACE.l },
  half: { flex: 1, minWidth: 0 },
  tools: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s, alignItems: 'center' },
});
