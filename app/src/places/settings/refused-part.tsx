import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import type { Schemas } from '@/data/client';
import { useDropRefused, useRefusedRecords, useSendRefusedAgain } from '@/data/server';
import { Trouble } from '@/frame/trouble';
import { clock, count } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

type Refused = Schemas['RefusedRecords']['records'][number];

const KINDS: Readonly<Record<string, string>> = {
  attempts: 'An attempt',
  spans: 'A span',
  lines: 'A log line',
  points: 'A point of a metric',
  changes: 'A change',
  views: 'A page view',
  errors: 'A script error',
  toldBeside: 'An attempt',
};

/** Records that the database refused: looked at, sent again, dropped. Nothing to see while there are none. */
export function RefusedPart() {
  const { data, error, refetch } = useRefusedRecords();
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (!data || data.total === 0) return null;
  return (
    <View style={styles.gap}>
      <Words kind="section" level={2}>
        Refused records
      </Words>
      <Words kind="muted">
        {`The database refused ${data.total === 1 ? 'one record' : `${count(data.total)} records`}. Everything else was stored. Send one again when its reason is gone, or drop it.`}
      </Words>
      <View role="list">
        {data.records.map((record) => (
          <RefusedRow key={record.id} record={record} />
        ))}
      </View>
      {data.more && <Words kind="small">Older ones are listed by the API at /api/refused-records.</Words>}
    </View>
  );
}

function RefusedRow({ record }: { record: Refused }) {
  const palette = usePalette();
  const [isOpen, setOpen] = useState(false);
  const sendAgain = useSendRefusedAgain();
  const drop = useDropRefused();
  const what = `${KINDS[record.kind] ?? 'A record'}, refused ${clock(record.atMs)}`;
  return (
    <View role="listitem" style={[styles.row, { borderBottomColor: palette.hairline }]}>
      <Words>{what}</Words>
      <Words kind="small">{`${record.reason}${record.sqlstate === '' ? '' : ` (SQLSTATE ${record.sqlstate})`}`}</Words>
      {sendAgain.error && <Trouble error={sendAgain.error} onRetry={() => sendAgain.reset()} />}
      {drop.error && <Trouble error={drop.error} onRetry={() => drop.reset()} />}
      <View style={styles.buttons}>
        <Button
          onPress={() => setOpen(!isOpen)}
          aria-expanded={isOpen}
          accessibilityLabel={`${isOpen ? 'Hide' : 'Show'} ${what}`}
        >
          {isOpen ? 'Hide' : 'Show'}
        </Button>
        <Button
          onPress={() => sendAgain.mutate(record.id)}
          disabled={sendAgain.isPending}
          accessibilityLabel={`Send again: ${what}`}
        >
          Send again
        </Button>
        <Button onPress={() => drop.mutate(record.id)} disabled={drop.isPending} accessibilityLabel={`Drop: ${what}`}>
          Drop
        </Button>
      </View>
      {isOpen && (
        <Words kind="code" selectable style={styles.record}>
          {record.record.slice(0, 4_000)}
        </Words>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  gap: { gap: SPACE.xs },
  row: { borderBottomWidth: 1, paddingVertical: SPACE.s, gap: SPACE.xs },
  buttons: { flexDirection: 'row', flexWrap: 'wrap' },
  record: { overflow: 'hidden' },
});
