import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { ToneSquare } from '@/charts/tone-square';
import { usePhoneAddresses } from '@/data/phones';
import { figureColumn, textColumn, type Column } from '@/frame/table/columns';
import { TableTools } from '@/frame/table/table-tools';
import { useTable } from '@/frame/table/use-table';
import { useView } from '@/frame/view';
import { count, durationWords, percent, sizeWords } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { addressWords, failsMoreWords, reachWords, type Address } from './session-words';

const COLUMNS: readonly Column<Address>[] = [
  figureColumn('failed', 'Requests that failed', ({ failed }) => failed, { show: count }),
  figureColumn('requests', 'Requests', ({ requests }) => requests, { show: count }),
  figureColumn('share', 'Share that failed, 0 to 1', ({ failed, requests }) => failed / requests, {
    show: percent,
    isAverage: true,
  }),
  figureColumn('median', 'Median, ms', ({ medianMs }) => medianMs, { show: durationWords, isAverage: true }),
  figureColumn('p95', '95th percentile, ms', ({ p95Ms }) => p95Ms, { show: durationWords, isAverage: true }),
  figureColumn('in', 'Received, bytes', ({ bytesIn }) => bytesIn, { show: sizeWords }),
  figureColumn('out', 'Sent, bytes', ({ bytesOut }) => bytesOut, { show: sizeWords }),
  figureColumn('sessions', 'Sessions', ({ sessions }) => sessions, { show: count }),
  figureColumn('hit', 'Sessions in which it failed', ({ sessionsHit }) => sessionsHit, { show: count }),
  figureColumn('countries', 'Countries', ({ countries }) => countries, { show: count }),
  textColumn('address', 'Address', ({ address }) => address),
  textColumn('where', 'Fails more', failsMoreWords),
];

const MOST = 8;

/** What phones ask of servers, what fails most first, and where it fails more than elsewhere. */
export function Addresses({ chosen, onChoose }: { chosen: string | undefined; onChoose: (address: string) => void }) {
  const palette = usePalette();
  const { view } = useView();
  const { data } = usePhoneAddresses(view);
  const table = useTable(data?.addresses ?? [], {
    name: 'phone-addresses',
    columns: COLUMNS,
    byDefault: '-failed',
    countOf: ({ requests }) => requests,
  });
  if (!data || data.addresses.length === 0) return null;
  const hidden = table.rows.length - MOST;
  return (
    <View style={styles.gap} testID="phone-addresses">
      <Words kind="section" level={2}>
        What they ask of servers
      </Words>
      {data.addresses.length > 1 && <TableTools table={table} unit="request" />}
      <View role="list" aria-label="Addresses">
        {table.rows.slice(0, MOST).map((one) => (
          <View role="listitem" key={one.address} style={[styles.line, { borderTopColor: palette.hairline }]}>
            <Words kind="strong">{one.address}</Words>
            <Words>{addressWords(one)}</Words>
            {one.where !== null && (
              <View style={styles.word}>
                <ToneSquare tone={1} />
                <Words kind="strong" style={styles.fill}>
                  {failsMoreWords(one)}
                </Words>
              </View>
            )}
            <Words kind="small">{reachWords(one)}</Words>
            {one.sessions > 0 && (
              <Button
                compact
                disabled={chosen === one.address}
                onPress={() => onChoose(one.address)}
                style={styles.button}
                testID={`sessions-of-${one.address}`}
              >
                {chosen === one.address ? 'Its sessions are listed below' : 'Its sessions, the worst first'}
              </Button>
            )}
          </View>
        ))}
      </View>
      {hidden > 0 && <Words kind="small">{`${count(hidden)} more are in the file.`}</Words>}
    </View>
  );
}

const styles = StyleSheet.create({
  gap: { gap: SPACE.xs, marginTop: SPACE.m },
  line: { borderTopWidth: 1, paddingVertical: SPACE.s, gap: 2 },
  word: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s },
  fill: { flex: 1 },
  button: { alignSelf: 'flex-start' },
});
