import { PARTS } from '@toplens/core/pages';
import { Pressable, StyleSheet, View } from 'react-native';
import { PartsBar, PartSwatch } from '@/charts/parts-bar';
import { TableTools } from '@/frame/table/table-tools';
import { useTable } from '@/frame/table/use-table';
import type { PageGroup } from '@/frame/view';
import { durationWords } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { pageColumns } from './page-columns';
import { GROUP_WORDS, groupWords, PART_GROUPS, valueName, type PageGroupFigures } from './page-words';

/** Sums of the parts that stand together, milliseconds. */
export const groupedParts = (parts: readonly number[]): number[] =>
  PART_GROUPS.map((group) => group.parts.reduce((sum, part) => sum + (parts[PARTS.indexOf(part)] ?? 0), 0));

export type Props = {
  by: PageGroup;
  groups: readonly PageGroupFigures[];
  onNarrow: (value: string) => void;
  /** what a value is called, where more is known than its code */
  nameOf?: (value: string) => string;
  /** values that somebody keeps an eye on, where that is offered */
  keeping?: { kept: readonly string[]; toggle: (value: string) => void };
};

/** Pages (or countries, browsers …), each with the parts of its load. */
export function PageGroups({ by, groups, onNarrow, keeping, nameOf = (value) => valueName(by, value) }: Props) {
  const palette = usePalette();
  const table = useTable(groups, {
    name: 'pages',
    columns: pageColumns(by, nameOf),
    byDefault: '-weight',
    countOf: ({ views }) => views,
  });
  const { rows, few } = table;
  const most = Math.max(1, ...rows.map(({ meanMs }) => meanMs ?? 0));
  return (
    <View>
      <TableTools table={table} unit="view" />
      <View role="list" aria-label={`Page loads by ${GROUP_WORDS[by]}`}>
        {rows.map((group) => (
          <View
            role="listitem"
            key={group.name}
            style={[styles.row, { borderTopColor: palette.hairline }]}
            testID={`pages-${group.name}`}
          >
            <Pressable
              role="link"
              disabled={group.name === ''}
              onPress={() => onNarrow(group.name)}
              style={styles.press}
            >
              <View style={styles.head}>
                <Words kind="strong" style={[styles.name, { color: group.name === '' ? palette.ink : palette.action }]}>
                  {nameOf(group.name)}
                </Words>
                {group.meanMs !== null && <Words kind="strong">{durationWords(group.meanMs)}</Words>}
              </View>
              {group.meanMs !== null && <PartsBar parts={groupedParts(group.parts)} mostMs={most} />}
              <Words kind="small">
                {few.has(group) ? `Too few to rank · ${groupWords(group)}` : groupWords(group)}
              </Words>
            </Pressable>
            {keeping && group.name !== '' && (
              <KeepToggle
                name={nameOf(group.name)}
                isKept={keeping.kept.includes(group.name)}
                onToggle={() => keeping.toggle(group.name)}
              />
            )}
          </View>
        ))}
      </View>
    </View>
  );
}

function KeepToggle({ name, isKept, onToggle }: { name: string; isKept: boolean; onToggle: () => void }) {
  const palette = usePalette();
  return (
    <Pressable
      role="checkbox"
      aria-checked={isKept}
      aria-label={`${isKept ? 'kept' : 'keep'} in view: ${name}`}
      onPress={onToggle}
      style={styles.keep}
    >
      <Words kind={isKept ? 'strong' : 'body'} style={{ color: palette.action }}>
        {isKept ? 'kept' : 'keep'}
      </Words>
    </Pressable>
  );
}

export function PartsLegend() {
  return (
    <View style={styles.legend}>
      {PART_GROUPS.map(({ words }, i) => (
        <View key={words} style={styles.key}>
          <PartSwatch index={i} />
          <Words kind="small">{words}</Words>
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { borderTopWidth: 1, flexDirection: 'row', alignItems: 'center' },
  keep: { minWidth: TOUCH, minHeight: TOUCH, paddingLeft: SPACE.s, alignItems: 'flex-end', justifyContent: 'center' },
  press: { flex: 1, minWidth: 0, minHeight: TOUCH, paddingVertical: SPACE.s, gap: SPACE.xs },
  head: { flexDirection: 'row', gap: SPACE.s },
  name: { flex: 1, minWidth: 0 },
  legend: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.m },
  key: { flexDirection: 'row', alignItems: 'center', gap: SPACE.xs },
});
