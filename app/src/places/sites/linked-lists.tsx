import { StyleSheet, View } from 'react-native';
import { Door } from '@/frame/door';
import { figureColumn, textColumn, type Column } from '@/frame/table/columns';
import { TableTools } from '@/frame/table/table-tools';
import { useTable } from '@/frame/table/use-table';
import { count, counted, percentCut } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { likeWords, overWords, type Person, type Sites } from './sites-words';

const MOST = 12;

const PERSON_COLUMNS: readonly Column<Person>[] = [
  figureColumn('factor', 'Times as long as like people', ({ factor }) => factor, {
    show: (factor) => factor.toFixed(2),
  }),
  textColumn('host', 'Device', ({ host }) => host),
  textColumn('site', 'Site', ({ site }) => site),
  textColumn('server', 'Server', ({ server }) => server),
  textColumn('station', 'Station', ({ station }) => station),
  figureColumn('attempts', 'Attempts', ({ attempts }) => attempts, { show: count }),
];

const insideWords = ({ attempts, good }: { attempts: number; good: number }): string =>
  `${percentCut(good / attempts, 2)} of ${counted(attempts, 'attempt')} in time`;

/** Activities, people and servers: one of a list narrows the others. */
export function LinkedLists({ sites }: { sites: Sites }) {
  return (
    <View style={styles.lists}>
      <View style={styles.list} testID="sites-activities">
        <Words kind="section" level={2}>
          Activities
        </Words>
        {sites.activities.map((one) => (
          <Line
            key={one.id}
            name={one.name}
            narrowed={{ flow: String(one.id) }}
            words={insideWords(one)}
            detail={`${counted(one.people, 'person', 'people')} · ${overWords(one.overMs)}`}
          />
        ))}
      </View>
      <People persons={sites.persons} compared={sites.compared} />
      <View style={styles.list} testID="sites-servers">
        <Words kind="section" level={2}>
          Servers
        </Words>
        {sites.servers.length === 0 && <Words kind="muted">No attempt tells its server (server.address).</Words>}
        {sites.servers.map((one) => (
          <Line
            key={one.server}
            name={one.server}
            narrowed={{ server: one.server }}
            words={insideWords(one)}
            detail={`${counted(one.people, 'person', 'people')} · ${overWords(one.overMs)}`}
          />
        ))}
      </View>
    </View>
  );
}

function People({ persons, compared }: { persons: readonly Person[]; compared: number }) {
  const table = useTable(persons, {
    name: 'people-at-work',
    columns: PERSON_COLUMNS,
    byDefault: '-factor',
    countOf: ({ attempts }) => attempts,
  });
  return (
    <View style={styles.list} testID="sites-people">
      <Words kind="section" level={2}>
        People
      </Words>
      <Words kind="small">
        {compared === 0
          ? 'Nobody did enough in this time to be compared: five attempts each, and eight like people.'
          : `${counted(compared, 'person', 'people')} did enough to be compared with people like them; the slowest are listed.`}
      </Words>
      {persons.length > 1 && <TableTools table={table} unit="person" />}
      {table.rows.slice(0, MOST).map((one) => (
        <Line
          key={`${one.host} ${one.person} ${one.site} ${one.factor}`}
          name={one.host || one.person}
          narrowed={one.host === '' ? undefined : { host: one.host }}
          words={likeWords(one)}
          detail={[one.person, one.site, one.server, one.station, counted(one.attempts, 'attempt')]
            .filter(Boolean)
            .join(' · ')}
          isStrong={one.isOff}
        />
      ))}
    </View>
  );
}

function Line({
  name,
  narrowed,
  words,
  detail,
  isStrong = false,
}: {
  name: string;
  narrowed: Record<string, string> | undefined;
  words: string;
  detail: string;
  isStrong?: boolean;
}) {
  const palette = usePalette();
  return (
    <View style={[styles.line, { borderTopColor: palette.hairline }]}>
      {narrowed ? (
        <Door path="/people/sites" narrowed={narrowed} style={styles.door}>
          <Words kind={isStrong ? 'strong' : 'body'} style={{ color: palette.action }}>
            {name}
          </Words>
        </Door>
      ) : (
        <Words>{name}</Words>
      )}
      <Words kind={isStrong ? 'strong' : 'body'}>{words}</Words>
      <Words kind="small">{detail}</Words>
    </View>
  );
}

const styles = StyleSheet.create({
  lists: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.l, rowGap: SPACE.m, marginTop: SPACE.m },
  list: { flexGrow: 1, flexBasis: 300, gap: SPACE.xs },
  line: { borderTopWidth: 1, paddingVertical: SPACE.xs, gap: 2 },
  door: { minHeight: TOUCH, justifyContent: 'center' },
});
