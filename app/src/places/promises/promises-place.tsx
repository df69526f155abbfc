import { useEffect } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { SmallBudget, type Budget } from '@/charts/budget-fan';
import { ToneSquare } from '@/charts/tone-square';
import { usePromises } from '@/data/promises';
import { Door } from '@/frame/door';
import { figureColumn, textColumn, type Column } from '@/frame/table/columns';
import { TableTools } from '@/frame/table/table-tools';
import { useTable } from '@/frame/table/use-table';
import { TimeBar } from '@/frame/time-bar';
import { Trouble } from '@/frame/trouble';
import { NARROWING, useView } from '@/frame/view';
import { clock, count, formatMoney, percent } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import {
  belowHeadline,
  chanceWords,
  headline,
  keptWords,
  outlookWords,
  lastDays,
  lastHour,
  standingOf,
  targetWords,
  trendWords,
  type ServiceLevel,
  type Standing,
} from './promise-words';

/** What a promise’s chart is drawn of. */
export const budgetOf = ({ line, forecast, period }: ServiceLevel, nowMs: number): Budget => ({
  ...line,
  fromMs: period.fromMs,
  nowMs,
  endMs: Math.max(period.toMs, forecast?.endMs ?? 0),
  fan: forecast?.fan ?? [],
});

const TONES: Record<Standing, 0 | 1 | 3> = { broken: 3, likely: 3, possible: 1, safe: 0, noData: 0 };

/** Service levels: which will break, what that costs, and how much of each budget is left. */
export function PromisesPlace() {
  const { view, go } = useView();
  const { data, error, refetch } = usePromises(view);
  useEffect(() => {
    document.title = 'Promises · Top Lens';
  }, []);
  const currency = data?.currency ?? '';
  const table = useTable(data?.promises ?? [], {
    name: 'promises',
    columns: columnsIn(currency),
    byDefault: '-penalty',
    countOf: ({ valid }) => valid,
  });
  const isFiltered = NARROWING.some((name) => view[name] !== undefined);
  return (
    <ScrollView style={styles.fill} contentContainerStyle={styles.content}>
      <TimeBar />
      <View style={styles.page}>
        {error && (
          <Trouble error={error} still={data ? 'What you see is from before.' : ''} onRetry={() => void refetch()} />
        )}
        {!data && !error && <Words kind="muted">Counting the attempts of each period …</Words>}
        {data && (
          <>
            <Words kind="title" level={1} testID="promises-headline">
              {headline(data.promises)}
            </Words>
            <Words kind="muted">{`${belowHeadline(data.promises, currency)}${view.from === undefined ? '' : ` · as of ${clock(data.nowMs)}`}`}</Words>
            {isFiltered && (
              <Words kind="muted">The filter does not apply here: a promise says itself whose attempts count.</Words>
            )}
            {data.promises.length === 0 && (
              <Door path="/settings" style={styles.door}>
                <Words>What was promised to whom is said in Settings, under Promises.</Words>
              </Door>
            )}
            <Button icon="account-group-outline" onPress={() => go('/standing')} style={styles.standing}>
              Applications and activities
            </Button>
            {data.promises.length > 1 && <TableTools table={table} />}
            <View role="list" aria-label="Promises">
              {table.rows.map((level) => (
                <PromiseLine key={level.name} level={level} currency={currency} nowMs={data.nowMs} />
              ))}
            </View>
            {data.promises.length > 0 && (
              <Words kind="small">
                Line: budget left in the period; dotted: none. Fan: what may come of it, from days before like those to
                come; in 80 of 100 cases inside the darker part, in 95 inside the lighter one.
              </Words>
            )}
          </>
        )}
      </View>
    </ScrollView>
  );
}

function PromiseLine({ level, currency, nowMs }: { level: ServiceLevel; currency: string; nowMs: number }) {
  const palette = usePalette();
  const standing = standingOf(level);
  return (
    <View role="listitem" style={[styles.row, { borderTopColor: palette.hairline }]} testID={`promise-${level.name}`}>
      <Door path={`/promises/${encodeURIComponent(level.name)}`} style={styles.line}>
        <SmallBudget budget={budgetOf(level, nowMs)} />
        <View style={styles.words}>
          <Words kind="strong">{level.name}</Words>
          <Words>{keptWords(level)}</Words>
          <Words kind="small">{[level.to, level.periodWords].filter(Boolean).join(' · ')}</Words>
          <View style={styles.outlook}>
            <ToneSquare tone={standing === 'noData' ? undefined : TONES[standing]} />
            <Words kind={standing === 'broken' || standing === 'likely' ? 'strong' : 'small'} style={styles.said}>
              {outlookWords(level, currency, nowMs)}
            </Words>
          </View>
          {level.valid > 0 && <Words kind="small">{`Budget: ${trendWords(level)}`}</Words>}
        </View>
      </Door>
    </View>
  );
}

const columnsIn = (currency: string): readonly Column<ServiceLevel>[] => [
  figureColumn('penalty', `Penalty expected, ${currency}`, ({ forecast }) => forecast?.expectedPenalty ?? null, {
    show: (value) => formatMoney(value, currency),
  }),
  figureColumn('chance', 'Chance of breaking, 0 to 1', ({ forecast }) => forecast?.chanceOfBreaking ?? null, {
    show: chanceWords,
  }),
  textColumn('name', 'Promise', ({ name }) => name),
  textColumn('to', 'Given to', ({ to }) => to),
  figureColumn('kept', 'Kept so far, 0 to 1', ({ kept }) => kept?.share ?? null, { show: percent, isAverage: true }),
  figureColumn('target', 'Target, 0 to 1', ({ target }) => target, { show: targetWords }),
  figureColumn('left', 'Budget left, 0 to 1', ({ budget }) => budget.leftShare, { show: percent }),
  figureColumn('hour', 'Pace in the last hour, 1: just spends it', lastHour, {
    show: (value) => `${value.toFixed(1)}×`,
    isAverage: true,
  }),
  figureColumn('days', 'Pace over three days', lastDays, { show: (value) => `${value.toFixed(1)}×`, isAverage: true }),
  figureColumn('attempts', 'How many count', ({ valid }) => valid, { show: count }),
];

const styles = StyleSheet.create({
  fill: { flex: 1 },
  content: { paddingBottom: SPACE.xl },
  page: { padding: SPACE.l, gap: SPACE.s, maxWidth: 900 },
  standing: { alignSelf: 'flex-start' },
  door: { minHeight: TOUCH, justifyContent: 'center' },
  row: { borderTopWidth: 1 },
  line: { flexDirection: 'row', gap: SPACE.m, minHeight: TOUCH, paddingVertical: SPACE.s, alignItems: 'center' },
  words: { flex: 1, minWidth: 0, gap: 2 },
  outlook: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s },
  said: { flex: 1, minWidth: 0 },
});
