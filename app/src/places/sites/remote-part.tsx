import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { pointsOf, UsageCurve } from '@/charts/usage-curve';
import { useRemote, type RemoteBy } from '@/data/sites';
import { Fold } from '@/frame/fold';
import { Strip } from '@/frame/strip';
import { figureColumn, textColumn, type Column } from '@/frame/table/columns';
import { TableTools } from '@/frame/table/table-tools';
import { useTable } from '@/frame/table/use-table';
import { Trouble } from '@/frame/trouble';
import { useView } from '@/frame/view';
import { clock, count, counted, durationWords, times } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { remoteFigures, remoteSentence, type Remote, type RemoteGroup } from './sites-words';

const BY: readonly { value: RemoteBy; words: string }[] = [
  { value: 'site', words: 'by site' },
  { value: 'server', words: 'by server' },
  { value: 'centre', words: 'by data centre' },
  { value: 'client', words: 'by device' },
];
/** Devices are many: the others are in the CSV. */
const MOST = 12;

const COLUMNS: readonly Column<RemoteGroup>[] = [
  figureColumn('factor', 'Round trip, times as long as before', ({ factor }) => factor, { show: times }),
  figureColumn('activityFactor', 'Activities, times as long as usual', ({ activityFactor }) => activityFactor, {
    show: times,
  }),
  figureColumn('roundTripMs', 'Round trip, ms', ({ roundTripMs }) => roundTripMs, { show: durationWords }),
  figureColumn('sessions', 'Sessions', ({ sessions }) => sessions, { show: count }),
  textColumn('group', 'Name', ({ group }) => group),
];

/** Remote desktops: is it the way to the desktop, or what runs there? Nothing is shown where there are none. */
export function RemotePart() {
  const { view } = useView();
  const [by, setBy] = useState<RemoteBy>('site');
  const { data, error, refetch } = useRemote(view, by);
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (!data || data.sessions === 0) return null;
  return (
    <View style={styles.gap} testID="remote">
      <Words kind="section" level={2}>
        Remote desktops
      </Words>
      <Words testID="remote-sentence">{remoteSentence(data)}</Words>
      <Words kind="small">
        {`${clock(data.window.fromMs)} to ${clock(data.window.toMs)}, against the day before: how long the way to the desktop and back takes, beside what people do in the same sessions.`}
      </Words>
      <Strip label="Sessions told apart" options={BY} chosen={by} onChoose={setBy} />
      <Groups remote={data} />
    </View>
  );
}

function Groups({ remote: { groups, window } }: { remote: Remote }) {
  const palette = usePalette();
  const table = useTable(groups, {
    name: 'remote-desktops',
    columns: COLUMNS,
    byDefault: '-factor',
    countOf: ({ sessions }) => sessions,
  });
  return (
    <View>
      {groups.length > 1 && <TableTools table={table} unit="session" />}
      <View role="list" aria-label="Remote desktops">
        {table.rows.slice(0, MOST).map((group) => {
          const isOff = group.verdict === 'line' || group.verdict === 'application';
          return (
            <View role="listitem" key={group.group} style={[styles.line, { borderTopColor: palette.hairline }]}>
              <Words kind={isOff ? 'strong' : 'body'}>{group.group}</Words>
              <Words kind={isOff ? 'strong' : 'body'}>{group.words}</Words>
              <Words kind="small">{remoteFigures(group)}</Words>
              <Fold words="Over time">
                <Curves group={group} window={window} />
              </Fold>
            </View>
          );
        })}
      </View>
      {groups.length > MOST && (
        <Words kind="small">{`${counted(groups.length, 'group')} in all; the CSV has them.`}</Words>
      )}
    </View>
  );
}

/** Both on one clock, each with an axis of its own. */
function Curves({ group: { group, curve }, window }: { group: RemoteGroup; window: Remote['window'] }) {
  return (
    <View style={styles.gap}>
      <UsageCurve
        name={`Round trip, ${group}`}
        points={pointsOf(curve, curve.roundTripMs)}
        least={10}
        format={durationWords}
        window={window}
      />
      <UsageCurve
        name={`Activities, times as long as usual, ${group}`}
        points={pointsOf(curve, curve.activityFactor)}
        least={1}
        format={times}
        window={window}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  gap: { gap: SPACE.xs, marginTop: SPACE.m },
  line: { borderTopWidth: 1, paddingVertical: SPACE.xs, gap: 2 },
});
