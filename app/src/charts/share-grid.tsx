import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import { count, percentCut } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';

export interface ShareCell {
  rowId: number;
  row: string;
  /** told below the name of a row that shares it with another row */
  owner: string;
  column: string;
  valid: number;
  good: number;
  /** what is told in place of the share and of how many: a time and how it compares */
  told?: { value: string; detail: string };
  /** level of the harm ramp, of those that ink is read on; none: as it should be, or too few to say */
  tone?: 0 | 1 | undefined;
}

export type Props<Cell extends ShareCell> = {
  /** names the table: "Share of good attempts by flow and site" */
  label: string;
  /** head of the first column */
  head: string;
  cells: readonly Cell[];
  /** where cells open something */
  chosen?: Cell | undefined;
  onChoose?: ((cell: Cell | undefined) => void) | undefined;
};

/** Shares of good attempts by two things, with how many stand behind each; toned, never averaged. Scrolls sideways. */
export function ShareGrid<Cell extends ShareCell>({ label, head, cells, chosen, onChoose }: Props<Cell>) {
  const palette = usePalette();
  const rows = rowsOf(cells);
  const columns = [...new Set(cells.map(({ column }) => column))].sort((a, b) => a.localeCompare(b));
  const at = new Map(cells.map((cell) => [`${cell.rowId}:${cell.column}`, cell]));
  return (
    <ScrollView horizontal tabIndex={0} role="region" aria-label={`${label}, scrolls sideways`}>
      <View role="table" aria-label={label}>
        <View role="row" style={styles.row}>
          <View role="columnheader" style={styles.name}>
            <Words kind="small">{head}</Words>
          </View>
          {columns.map((column) => (
            <View role="columnheader" key={column} style={styles.head}>
              <Words kind="small" numberOfLines={1}>
                {column}
              </Words>
            </View>
          ))}
        </View>
        {rows.map(({ id, name, owner }) => (
          <View role="row" key={id} style={styles.row}>
            <View role="rowheader" style={styles.name}>
              <Words>{name}</Words>
              {owner && <Words kind="small">{owner}</Words>}
            </View>
            {columns.map((column) => {
              const cell = at.get(`${id}:${column}`);
              const isChosen = cell !== undefined && cell.rowId === chosen?.rowId && cell.column === chosen.column;
              const words = <CellWords cell={cell} />;
              const tone = cell?.tone === undefined ? undefined : palette.harm[cell.tone];
              return (
                <View role="cell" key={column} style={{ backgroundColor: tone }}>
                  {onChoose && cell ? (
                    <Pressable
                      role="button"
                      aria-pressed={isChosen}
                      onPress={() => onChoose(isChosen ? undefined : cell)}
                      style={[styles.cell, { borderColor: isChosen ? palette.action : 'transparent' }]}
                    >
                      {words}
                    </Pressable>
                  ) : (
                    <View style={[styles.cell, { borderColor: 'transparent' }]}>{words}</View>
                  )}
                </View>
              );
            })}
          </View>
        ))}
      </View>
    </ScrollView>
  );
}

/** Rows in the order of their first cell; the owner only where two rows have one name. */
export function rowsOf(cells: readonly ShareCell[]): { id: number; name: string; owner: string | undefined }[] {
  const rows = [...new Map(cells.map((cell) => [cell.rowId, cell])).values()];
  const isShared = (name: string) => rows.filter(({ row }) => row === name).length > 1;
  return rows.map(({ rowId, row, owner }) => ({ id: rowId, name: row, owner: isShared(row) ? owner : undefined }));
}

function CellWords({ cell }: { cell: ShareCell | undefined }) {
  const palette = usePalette();
  return (
    <>
      <Words kind={cell?.tone === undefined ? 'body' : 'strong'} style={{ color: palette.ink }}>
        {cell ? (cell.told?.value ?? percentCut(cell.good / cell.valid, 2)) : '–'}
      </Words>
      <Words kind="small" style={{ color: palette.ink }}>
        {cell ? (cell.told?.detail ?? count(cell.valid)) : ''}
      </Words>
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row' },
  name: { width: 130, padding: SPACE.xs, justifyContent: 'center' },
  head: { width: 84, padding: SPACE.xs, alignItems: 'flex-end' },
  cell: { width: 84, minHeight: TOUCH, padding: SPACE.xs, borderWidth: 2, alignItems: 'flex-end' },
});
