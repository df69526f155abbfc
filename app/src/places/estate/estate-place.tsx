import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Pickets } from '@/charts/pickets';
import { useEstate } from '@/data/infrastructure';
import { Door } from '@/frame/door';
import { InnerPage } from '@/frame/inner-page';
import { NotNarrowed } from '@/frame/not-narrowed';
import { Strip } from '@/frame/strip';
import { TableTools } from '@/frame/table/table-tools';
import { useTable } from '@/frame/table/use-table';
import { GROUPINGS, useView, type Grouping } from '@/frame/view';
import { count } from '@/look/format';
import { useIsWide, usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import {
  estateWords,
  groupsOf,
  isOff,
  keyOf,
  partName,
  partWords,
  picketOf,
  PART_COLUMNS,
  type Group,
  type RunningPart,
} from './groups';

const GROUPING_WORDS: Record<Grouping, string> = {
  region: 'by zone',
  application: 'application',
  team: 'team',
  version: 'version',
};
const OPTIONS = GROUPINGS.map((value) => ({ value, words: GROUPING_WORDS[value] }));
const MOST_OFF = 8;

/** Everything that runs, densely: each part against its own usual, regrouped on the spot. */
export function EstatePlace() {
  const isWide = useIsWide();
  const palette = usePalette();
  const { view, setView } = useView();
  const { data, error, refetch } = useEstate(view);
  const [chosen, setChosen] = useState<string>();
  const by = view.groupBy ?? 'region';
  const regroup = (next: Grouping) => {
    const { groupBy: _groupBy, ...rest } = view;
    setView(next === 'region' ? rest : { ...rest, groupBy: next });
  };
  const table = useTable(data?.parts ?? [], { name: 'parts', columns: PART_COLUMNS, byDefault: '-badness' });
  const off = table.rows.filter(isOff);
  return (
    <InnerPage title="Everything that runs" error={error} hasData={data !== undefined} onRetry={() => void refetch()}>
      <View style={styles.page}>
        <Words kind="title" level={1}>
          Everything that runs
        </Words>
        {!data && !error && <Words kind="muted">Counting what ran …</Words>}
        {data && (
          <>
            <Words kind="muted" testID="estate-words">
              {estateWords(data, off.length)}
            </Words>
            <NotNarrowed what="each part works for everybody" />
            {data.parts.length === 0 && (
              <Words kind="muted">No span came in this hour: nothing is known, which is not calm.</Words>
            )}
            {off.slice(0, MOST_OFF).map((part) => (
              <PartLine key={keyOf(part)} part={part} />
            ))}
            {off.length > MOST_OFF && <Words kind="muted">{`${off.length - MOST_OFF} more stand below.`}</Words>}
            <TableTools table={table} unit="part" />
            <Door path="/watch" style={styles.part} testID="watched-lines">
              <Words style={{ color: palette.action }}>Watched lines of running code</Words>
            </Door>
            <Strip label="Grouped" options={OPTIONS} chosen={by} onChoose={regroup} />
            <View style={isWide ? styles.grid : undefined}>
              {groupsOf(data.parts, by).map((group) => (
                <View key={group.name} style={isWide ? styles.cell : undefined}>
                  <GroupRow group={group} chosen={chosen} onChoose={setChosen} />
                </View>
              ))}
            </View>
          </>
        )}
      </View>
    </InnerPage>
  );
}

function GroupRow({
  group,
  chosen,
  onChoose,
}: {
  group: Group;
  chosen: string | undefined;
  onChoose: (key: string) => void;
}) {
  const palette = usePalette();
  const part = group.parts.find((one) => keyOf(one) === chosen);
  const off = group.parts.filter(isOff).length;
  const counted = `${count(group.parts.length)} ${group.parts.length === 1 ? 'part' : 'parts'}${off > 0 ? `, ${off} off` : ''}`;
  return (
    <View style={[styles.group, { borderTopColor: palette.hairline }]} testID="estate-group">
      <View style={styles.head}>
        <Words kind="strong" style={styles.name}>
          {group.name}
        </Words>
        <Words kind="small">{counted}</Words>
      </View>
      <Pickets
        label={`${group.name}: ${counted}`}
        pickets={group.parts.map(picketOf)}
        chosen={chosen}
        onChoose={onChoose}
      />
      {part && <PartLine part={part} />}
    </View>
  );
}

/** A part in words; it leads to its component. */
function PartLine({ part }: { part: RunningPart }) {
  const palette = usePalette();
  return (
    <Door path={`/component/${encodeURIComponent(part.component)}`} style={styles.part} testID={`part-${keyOf(part)}`}>
      <Words>
        <Words style={{ color: palette.action }}>{partName(part)}</Words>
        {part.level === 'calm' ? '' : `  ${part.level}`}
      </Words>
      <Words kind="small">{[partWords(part), part.team].filter(Boolean).join(' · ')}</Words>
    </Door>
  );
}

const styles = StyleSheet.create({
  page: { padding: SPACE.l, paddingTop: 0, gap: SPACE.s },
  grid: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.xl },
  cell: { width: '31%', minWidth: 300 },
  group: { borderTopWidth: 1, paddingTop: SPACE.s, gap: SPACE.xs },
  head: { flexDirection: 'row', gap: SPACE.s, alignItems: 'baseline' },
  name: { flex: 1, minWidth: 0 },
  part: { minHeight: TOUCH, justifyContent: 'center', paddingVertical: SPACE.xs },
});
