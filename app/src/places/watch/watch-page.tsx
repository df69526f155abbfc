import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { useStopWatchPoint, useWatchPoint, type WatchPage as Page } from '@/data/watch';
import { BusyButton } from '@/frame/busy-button';
import { useClock } from '@/frame/clock';
import { Door } from '@/frame/door';
import { InnerPage } from '@/frame/inner-page';
import { TableTools } from '@/frame/table/table-tools';
import { useTable } from '@/frame/table/use-table';
import { Trouble } from '@/frame/trouble';
import { clockSeconds } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { columnsOf, placeWords, pointWords, waitingWords, type Reading } from './watch-words';

/** A watched line: how it stands in each process, and what its variables held. */
export function WatchPage({ id }: { id: number }) {
  const { data, error, refetch } = useWatchPoint(id);
  const stop = useStopWatchPoint();
  const nowMs = useClock();
  return (
    <InnerPage
      title={data && placeWords(data.point)}
      error={error}
      hasData={data !== undefined}
      onRetry={() => void refetch()}
    >
      {data && (
        <View style={styles.page}>
          <Words kind="title" level={1}>
            {placeWords(data.point)}
          </Words>
          <Words testID="watch-state">{pointWords(data.point, nowMs)}</Words>
          <Words kind="muted">{`For: ${data.point.why}`}</Words>
          {stop.error && <Trouble error={stop.error} still="It is still watched." onRetry={() => stop.reset()} />}
          {data.point.isInForce && (
            <BusyButton
              mode="outlined"
              busy={stop.isPending}
              onPress={() => stop.mutate(id)}
              style={styles.button}
              testID="watch-stop"
            >
              Stop watching
            </BusyButton>
          )}
          <Readings page={data} />
          <Places places={data.places} />
        </View>
      )}
    </InnerPage>
  );
}

const SHOWN = 25;

function Readings({ page }: { page: Page }) {
  const { readings, point } = page;
  const [shown, setShown] = useState(SHOWN);
  const table = useTable(readings, { name: 'readings', columns: columnsOf(point.variables), byDefault: '-atMs' });
  return (
    <View style={styles.part}>
      <Words kind="section" level={2}>
        What was read
      </Words>
      {readings.length === 0 && <Words kind="muted">{waitingWords(page)}</Words>}
      {readings.length > 0 && <TableTools table={table} unit="reading" />}
      <View role="list" aria-label="Readings">
        {table.rows.slice(0, shown).map((reading) => (
          <ReadingRow key={reading.id} reading={reading} variables={point.variables} />
        ))}
      </View>
      {table.rows.length > shown && (
        <Button onPress={() => setShown(shown + SHOWN)} style={styles.button}>
          {`Show ${Math.min(SHOWN, table.rows.length - shown)} more`}
        </Button>
      )}
    </View>
  );
}

function ReadingRow({ reading, variables }: { reading: Reading; variables: readonly string[] }) {
  const palette = usePalette();
  const nowMs = useClock();
  const { atMs, instance, traceId, spanId, values } = reading;
  return (
    <View role="listitem" style={[styles.row, { borderTopColor: palette.hairline }]} testID="reading">
      <View style={styles.when}>
        <Words kind="strong">{clockSeconds(atMs, nowMs)}</Words>
        <Words kind="small">{instance}</Words>
        {spanId !== null && (
          <Door path={`/attempt/${traceId}/${spanId}`} testID="reading-attempt">
            <Words style={{ color: palette.action }}>Its attempt</Words>
          </Door>
        )}
      </View>
      <View style={styles.values}>
        {variables.map((name, i) => (
          <View key={name} style={styles.value}>
            <Words kind="small" style={styles.name}>
              {name}
            </Words>
            <Words kind="code" selectable style={styles.held}>
              {values[i] ?? ''}
            </Words>
          </View>
        ))}
      </View>
    </View>
  );
}

function Places({ places }: { places: Page['places'] }) {
  if (places.length === 0) return null;
  return (
    <View style={styles.part}>
      <Words kind="section" level={2}>
        In each process
      </Words>
      <View role="list" aria-label="Processes">
        {places.map(({ instance, words }) => (
          <Words key={instance} role="listitem">{`${instance}: ${words}`}</Words>
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  page: { padding: SPACE.l, paddingTop: 0, gap: SPACE.s },
  part: { gap: SPACE.xs, paddingTop: SPACE.m },
  button: { alignSelf: 'flex-start' },
  row: { flexDirection: 'row', flexWrap: 'wrap', borderTopWidth: 1, paddingVertical: SPACE.s, gap: SPACE.m },
  when: { width: 150 },
  values: { flexGrow: 1, flexShrink: 1, flexBasis: 240, minWidth: 0, gap: SPACE.xs },
  value: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.m },
  name: { width: 130 },
  held: { flexShrink: 1, minWidth: 0 },
});
