import { useEffect, useState } from 'react';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import type { FlowRow } from '@/data/client';
import { useFlows } from '@/data/flows';
import { Choice } from '@/frame/choice';
import { saveFile } from '@/frame/save-file';
import { Sheet } from '@/frame/sheet';
import { useShortcuts } from '@/frame/shortcuts';
import { TimeBar } from '@/frame/time-bar';
import { Trouble } from '@/frame/trouble';
import { useView } from '@/frame/view';
import { count, percent } from '@/look/format';
import { useIsWide, usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { JourneyList } from '../journey/journey-list';
import { MoneyList } from '../money/money-list';
import { COLUMNS, CUT_OFF, DEFAULT_SORT, isByAverage, parseSort, sortRows, toCsv } from './columns';
import { FlowLine } from './flow-line';
import { FlowTableRows } from './flow-table-rows';

/** All flows with what their attempts came to; sortable by everything. */
export function FlowsPlace() {
  const isWide = useIsWide();
  const palette = usePalette();
  const { view, setView, go } = useView();
  const { data, error, refetch } = useFlows(view);
  const [withSmall, setWithSmall] = useState(false);
  const [isSorting, setSorting] = useState(false);
  const [at, setAt] = useState(-1);
  const { column, isDescending } = parseSort(view.sort);
  const { rows, leftOut } = sortRows(data?.rows ?? [], view.sort, data?.attempts ?? 0, withSmall);
  const sortBy = (key: string) => {
    const next = column.key === key && isDescending ? key : `-${key}`;
    const { sort: _sort, ...rest } = view;
    setView(next === DEFAULT_SORT ? rest : { ...rest, sort: next });
  };
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
          <JourneyList />
          <MoneyList />
          {data.comparedWith !== null && <Words kind="muted">{`Small figures: ${data.comparedWith}.`}</Words>}
          <View style={styles.tools}>
            {!isWide && (
              <Button mode="outlined" icon="swap-horizontal" onPress={() => setSorting(true)}>
                {`By ${column.label.toLowerCase()}, ${isDescending ? 'largest first' : 'smallest first'}`}
              </Button>
            )}
            <Button icon="server-network-outline" onPress={() => go('/estate')}>
              Everything that runs
            </Button>
            <Button icon="download" onPress={() => saveFile(toCsv(rows), 'flows.csv', 'text/csv;charset=utf-8')}>
              Save as CSV
            </Button>
          </View>
          {isByAverage(column) && (
            <Pressable
              role="switch"
              aria-checked={withSmall}
              onPress={() => setWithSmall(!withSmall)}
              style={styles.cut}
            >
              <Words kind="muted">{cutOffWords(leftOut, withSmall)}</Words>
            </Pressable>
          )}
          {isWide ? (
            <FlowTableRows rows={rows} column={column} isDescending={isDescending} onSort={sortBy} />
          ) : (
            <View role="list" aria-label="Flows" style={{ borderTopWidth: 1, borderTopColor: palette.hairline }}>
              {rows.map((row) => (
                <FlowLine key={row.id} row={row} column={column} />
              ))}
            </View>
          )}
          {rows.length === 0 && (
            <Words kind="muted">
              {data.rows.length === 0 ? 'They appear with the first attempts.' : 'No flow has enough attempts.'}
            </Words>
          )}
        </View>
      )}
      {isSorting && (
        <Sheet title="Sort by" onClose={() => setSorting(false)}>
          <Choice
            label="Sort by"
            options={COLUMNS.map(({ key, label }) => ({
              value: key,
              words: label,
              ...(key === column.key && { detail: 'again: the other way round' }),
            }))}
            chosen={column.key}
            onChoose={(key) => {
              sortBy(key);
              setSorting(false);
            }}
          />
        </Sheet>
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
  if (n('noData') > 0) parts.push(`${n('noData')} without data`);
  return `${count(rows.length)} ${rows.length === 1 ? 'flow' : 'flows'}${parts.length > 0 ? `: ${parts.join(', ')}.` : ', all calm.'}`;
}

const cutOffWords = (leftOut: number, withSmall: boolean): string =>
  withSmall
    ? `Flows with less than ${percent(CUT_OFF)} of the attempts are in the list. Leave them out`
    : `${count(leftOut)} with less than ${percent(CUT_OFF)} of the attempts ${leftOut === 1 ? 'is' : 'are'} left out. Show ${leftOut === 1 ? 'it' : 'them'}`;

const styles = StyleSheet.create({
  fill: { flex: 1 },
  content: { paddingBottom: SPACE.xl },
  page: { padding: SPACE.l, gap: SPACE.s },
  tools: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s, alignItems: 'center' },
  cut: { minHeight: 44, justifyContent: 'center' },
});
