import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import type { Schemas } from '@/data/client';
import { Door } from '@/frame/door';
import { Sheet } from '@/frame/sheet';
import { percent } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { watchPath } from '../watch/watch-words';
import { Beside } from './beside';
import { PlanReader } from './plan-reader';
import { rowWords, spanWords, type AttemptRow } from './rows';

export type Props = {
  traceId: string;
  row: AttemptRow;
  wholeUs: number;
  failure: Schemas['AttemptPage']['failures'][number] | undefined;
  clockUs: number;
  isOpened: boolean;
  onToggle: (row: AttemptRow) => void;
  onClose: () => void;
};

/** Everything that is known of one span. */
export function SpanSheet({ traceId, row, wholeUs, failure, clockUs, isOpened, onToggle, onClose }: Props) {
  const { what, where } = rowWords(row);
  const facts: [name: string, value: string][] = [
    ['Component', where],
    ['From', `${spanWords(row.fromUs)} after the begin`],
    ['Duration', row.runsOn ? `${spanWords(row.durationUs)}, on after its parent ended` : spanWords(row.durationUs)],
    ['Own time', `${spanWords(row.ownUs)}: nothing below it ran`],
    ['Of the attempt', percent(wholeUs > 0 ? row.shareUs / wholeUs : 0)],
  ];
  if (row.calls > 1)
    facts.push([
      'Calls alike',
      `${row.calls}, ${spanWords(row.callsSumUs)} in all; at least one ran for ${spanWords(row.callsUs)}`,
    ]);
  if (row.host)
    facts.push([
      'Host',
      clockUs === 0 ? row.host : `${row.host}; its clock was put right by ${spanWords(Math.abs(clockUs))}`,
    ]);
  if (row.peer) facts.push(['Called', row.peer]);
  return (
    <Sheet title={what} onClose={onClose}>
      {facts.map(([name, value]) => (
        <View key={name} style={styles.fact}>
          <Words kind="muted" style={styles.name}>
            {name}
          </Words>
          <Words style={styles.value}>{value}</Words>
        </View>
      ))}
      {row.statement !== '' && (
        <>
          <Code title="Statement, values masked" text={row.statement} />
          <Beside traceId={traceId} spanId={row.id} />
          <PlanReader />
        </>
      )}
      {failure && <Failure failure={failure} />}
      {row.calls > 1 && (
        <Button mode="outlined" onPress={() => onToggle(row)} testID="toggle-calls">
          {isOpened ? 'Fold the calls again' : `Show all ${row.calls} calls`}
        </Button>
      )}
    </Sheet>
  );
}

/** What went wrong, and where in the code. */
export function Failure({ failure }: { failure: Schemas['AttemptPage']['failures'][number] }) {
  const palette = usePalette();
  const { type, message, className, method, file, line, stack, component } = failure;
  const place = [className, method].filter(Boolean).join('.');
  return (
    <View style={styles.failure}>
      <Words kind="strong" selectable>{`${type || 'failed'}${message ? `: ${message}` : ''}`}</Words>
      <Words selectable testID="failing-place">
        {`in ${component}${place ? `, ${place}` : ''}${file ? ` (${file}${line > 0 ? `:${line}` : ''})` : ''}`}
      </Words>
      {file !== '' && line > 0 && (
        <Door path={watchPath(component, file, line)} style={styles.door} testID="watch-this-line">
          <Words style={{ color: palette.action }}>Watch this line in the running service</Words>
        </Door>
      )}
      {stack !== '' && <Code title="Stack" text={stack} />}
    </View>
  );
}

export function Code({ title, text }: { title: string; text: string }) {
  const palette = usePalette();
  return (
    <View>
      <Words kind="small">{title}</Words>
      <View style={[styles.code, { borderColor: palette.hairline, backgroundColor: palette.surface }]}>
        <Words selectable kind="code">
          {text}
        </Words>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  fact: { flexDirection: 'row', gap: SPACE.m },
  name: { width: 116 },
  value: { flex: 1 },
  failure: { gap: SPACE.xs },
  door: { minHeight: TOUCH, justifyContent: 'center' },
  code: { borderWidth: 1, borderRadius: 4, padding: SPACE.m },
});
