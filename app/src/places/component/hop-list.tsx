import { StyleSheet, View } from 'react-native';
import type { Schemas } from '@/data/client';
import { Door } from '@/frame/door';
import { figureColumn, textColumn, type Column } from '@/frame/table/columns';
import { TableTools } from '@/frame/table/table-tools';
import { useTable } from '@/frame/table/use-table';
import { callsWords, count, durationWords, percent } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

export type Hop = Schemas['Hop'];

const INDENT = 14;
const BAR = 4;

/**
 * Hops as steps downwards: a step for each component that is gone through, its bar as long as calls take on average.
 */
export function HopList({
  hops,
  nameOf,
  label,
  traces,
  isIndented = false,
}: {
  hops: readonly Hop[];
  nameOf: (hop: Hop) => string;
  label: string;
  traces: number;
  isIndented?: boolean;
}) {
  const palette = usePalette();
  const table = useTable(hops, {
    name: label.toLowerCase().replaceAll(' ', '-'),
    columns: columnsOf(nameOf),
    byDefault: isIndented ? 'depth' : '-calls',
  });
  // Steps downwards stand in the order of the way as long as nobody sorts them.
  const shown = isIndented && table.column.key === 'depth' && !table.isDescending ? hops : table.rows;
  const isStepped = isIndented && shown === hops;
  const longest = Math.max(0.001, ...hops.map(({ meanMs }) => meanMs));
  return (
    <View>
      {hops.length > 1 && <TableTools table={table} />}
      <View role="list" aria-label={label}>
        {shown.map((hop) => (
          <View
            role="listitem"
            key={`${hop.from}>${hop.to}`}
            style={{ paddingLeft: isStepped ? Math.min(6, Math.round(hop.depth)) * INDENT : 0 }}
          >
            <Door path={`/component/${encodeURIComponent(nameOf(hop))}`} style={styles.hop}>
              <View style={styles.head}>
                <Words style={[styles.fill, { color: palette.action }]}>{nameOf(hop)}</Words>
                <Words>{durationWords(hop.meanMs)}</Words>
              </View>
              <View style={[styles.track, { backgroundColor: palette.hairline }]}>
                <View
                  style={[
                    styles.bar,
                    {
                      width: `${Math.max(1, (hop.meanMs / longest) * 100)}%`,
                      backgroundColor: hop.failed > 0 ? palette.harm[3] : palette.muted,
                    },
                  ]}
                />
              </View>
              <Words kind="small">{hopWords(hop, traces)}</Words>
            </Door>
          </View>
        ))}
      </View>
    </View>
  );
}

const columnsOf = (nameOf: (hop: Hop) => string): readonly Column<Hop>[] => [
  figureColumn('depth', 'Steps down, mean', ({ depth }) => depth),
  textColumn('component', 'Component', nameOf),
  figureColumn('meanMs', 'Mean of a call, ms', ({ meanMs }) => meanMs, { show: durationWords }),
  figureColumn('longest', 'Longest call, ms', ({ longestMs }) => longestMs, { show: durationWords }),
  figureColumn('calls', 'Calls', ({ calls }) => calls),
  figureColumn('failed', 'Calls that failed', ({ failed }) => failed),
  figureColumn('traces', 'Share of attempts with it, 0 to 1', ({ shareOfTraces }) => shareOfTraces, { show: percent }),
];

/** "5 calls an attempt, in 48 % of them · longest 1.2 s · 3 % fail" */
export function hopWords({ calls, traces, failed, longestMs, shareOfTraces }: Hop, looked: number): string {
  const some = shareOfTraces < 0.995 && looked > 0 ? `, in ${percent(shareOfTraces)} of them` : '';
  return [
    `${callsWords(calls / Math.max(1, traces))}${some}`,
    `longest ${durationWords(longestMs)}`,
    failed > 0 && `${count(failed)} of ${count(calls)} fail`,
  ]
    .filter(Boolean)
    .join(' · ');
}

const styles = StyleSheet.create({
  hop: { minHeight: 44, justifyContent: 'center', paddingVertical: SPACE.xs },
  head: { flexDirection: 'row', gap: SPACE.s },
  fill: { flex: 1, minWidth: 0 },
  track: { height: BAR },
  bar: { height: BAR },
});
