import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { counted } from '@/look/format';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { Choice } from '../choice';
import { saveFile } from '../save-file';
import { Sheet } from '../sheet';
import { FEWEST_TO_RANK, toCsv } from './columns';
import type { Table } from './use-table';

export type Props<Row> = {
  table: Table<Row>;
  /** the heads of the table sort it: no button is needed for that */
  hasHeads?: boolean;
  /** what is counted, for "fewer than 30 attempts" */
  unit?: string;
};

/** Sorting by every column, saving as CSV, and how few are too few to rank: the same under every table. */
export function TableTools<Row>({ table, hasHeads = false, unit = 'attempt' }: Props<Row>) {
  const [open, setOpen] = useState<'sort' | 'fewest' | undefined>();
  const { column, columns, isDescending, few, fewest, name, rows, sortBy, setFewest } = table;
  const close = () => setOpen(undefined);
  return (
    <View style={styles.tools}>
      {!hasHeads && (
        <Button compact icon="swap-horizontal" onPress={() => setOpen('sort')} testID={`sort-${name}`}>
          {`By ${uncapital(column.label)}, ${isDescending ? 'largest first' : 'smallest first'}`}
        </Button>
      )}
      <Button
        compact
        icon="download"
        onPress={() => saveFile(toCsv(columns, rows), `${name}.csv`, 'text/csv;charset=utf-8')}
        testID={`csv-${name}`}
      >
        Save as CSV
      </Button>
      {column.isAverage && few.size > 0 && (
        <>
          <Words kind="small">{`${few.size} with fewer than ${counted(fewest, unit)}: too few to rank, listed last.`}</Words>
          <Button compact onPress={() => setOpen('fewest')}>
            Change
          </Button>
        </>
      )}
      {open === 'sort' && (
        <Sheet title="Sort by" onClose={close}>
          <Choice
            label="Sort by"
            options={columns.map(({ key, label }) => ({
              value: key,
              words: label,
              ...(key === column.key && { detail: 'again: the other way round' }),
            }))}
            chosen={column.key}
            onChoose={(key) => {
              sortBy(key);
              close();
            }}
          />
        </Sheet>
      )}
      {open === 'fewest' && (
        <Sheet title="Too few to rank by an average" onClose={close}>
          <Choice
            label="Rank from"
            options={FEWEST_TO_RANK.map((least) => ({
              value: String(least),
              words: `from ${counted(least, unit)} on`,
            }))}
            chosen={String(fewest)}
            onChoose={(value) => {
              setFewest(Number(value));
              close();
            }}
          />
        </Sheet>
      )}
    </View>
  );
}

/** "Share of all time" goes on in a sentence; "LCP" and "INP" stay. */
const uncapital = (words: string) =>
  /^[A-Z][A-Z\d]/.test(words) ? words : words.charAt(0).toLowerCase() + words.slice(1);

const styles = StyleSheet.create({
  tools: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s, alignItems: 'center' },
});
