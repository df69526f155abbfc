import { StyleSheet, View } from 'react-native';
import type { FlowPage } from '@/data/client';
import { figureColumn, textColumn, type Column } from '@/frame/table/columns';
import { TableTools } from '@/frame/table/table-tools';
import { useTable } from '@/frame/table/use-table';
import { callsWords, count, durationWords, percent } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

type Statement = FlowPage['statements']['statements'][number];

/** From so many calls of one shape in an attempt on, they are worth a word: one statement could fetch it all. */
const MANY_CALLS = 5;

export function statementWords({ callsAnAttempt, shareOfAttempts, longestMs, failed }: Statement): string {
  const some = shareOfAttempts < 0.995 ? `, in ${percent(shareOfAttempts)} of them` : '';
  return [
    `${callsWords(callsAnAttempt)}${some}`,
    `longest ${durationWords(longestMs)}`,
    failed > 0 && `${count(failed)} failed`,
  ]
    .filter(Boolean)
    .join(' · ');
}

const COLUMNS: readonly Column<Statement>[] = [
  figureColumn('share', 'Share of the time, 0 to 1', ({ shareOfTime }) => shareOfTime, { show: percent }),
  textColumn('component', 'Component', ({ component }) => component),
  textColumn('statement', 'Statement, values masked', ({ statement }) => statement),
  figureColumn('calls', 'Calls an attempt', ({ callsAnAttempt }) => callsAnAttempt),
  figureColumn('attempts', 'Share of attempts with it, 0 to 1', ({ shareOfAttempts }) => shareOfAttempts),
  figureColumn('longest', 'Longest call, ms', ({ longestMs }) => longestMs, { show: durationWords }),
  figureColumn('failed', 'Calls that failed', ({ failed }) => failed),
];

/** What the flow's attempts ask of stores, by the shape of the statement, heaviest first. */
export function Statements({ page }: { page: FlowPage }) {
  const palette = usePalette();
  const { attempts } = page.statements;
  const table = useTable(page.statements.statements, { name: 'statements', columns: COLUMNS, byDefault: '-share' });
  const statements = table.rows;
  if (statements.length === 0) return null;
  return (
    <View style={styles.box} testID="statements">
      <Words kind="section" level={2}>
        Statements
      </Words>
      <Words kind="muted">{`Values masked; from a fair sample of ${count(attempts)} attempts.`}</Words>
      <TableTools table={table} />
      <View role="list">
        {statements.map((one) => (
          <View
            role="listitem"
            key={`${one.component}-${one.statement}`}
            style={[styles.statement, { borderTopColor: palette.hairline }]}
          >
            <View style={styles.head}>
              <Words kind="strong" style={styles.fill}>
                {one.component}
              </Words>
              <Words>{`${percent(one.shareOfTime)} of the time`}</Words>
            </View>
            <Words selectable kind="code">
              {one.statement}
            </Words>
            <Words kind="small">{statementWords(one)}</Words>
            {one.callsAnAttempt >= MANY_CALLS && (
              <Words kind="small">{`Asked ${Math.round(one.callsAnAttempt)} times in each attempt: one statement for all of them would spare the way there and back.`}</Words>
            )}
          </View>
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: SPACE.xs },
  statement: { borderTopWidth: 1, paddingVertical: SPACE.s, gap: 2 },
  head: { flexDirection: 'row', gap: SPACE.s },
  fill: { flex: 1 },
});
