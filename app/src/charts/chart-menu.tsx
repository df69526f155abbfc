import { csvText } from '@toplens/core/csv';
import { useState } from 'react';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { saveFile } from '@/frame/save-file';
import { Sheet } from '@/frame/sheet';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { chartPng } from './chart-file';
import { GUTTER } from './chart-sizes';

/** The figures of a chart: heads, then rows of what each says. */
export interface Figures {
  heads: readonly string[];
  rows: readonly (readonly string[])[];
}

export type Props = {
  name: string;
  figures: () => Figures;
  /** the chart as an SVG of its own; undefined while nothing is drawn */
  svg: () => string | undefined;
};

/** What can be had of every chart: its figures as a table, as CSV, and the drawing as SVG or PNG. */
export function ChartMenu({ name, figures, svg }: Props) {
  const palette = usePalette();
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <Pressable
        role="button"
        aria-label={`Figures and files of ${name}`}
        onPress={() => setOpen(true)}
        style={styles.button}
      >
        <Words kind="small" style={{ color: palette.action, fontWeight: '600' }}>
          Figures
        </Words>
      </Pressable>
      {isOpen && <ChartSheet {...{ name, figures, svg }} onClose={() => setOpen(false)} />}
    </>
  );
}

function ChartSheet({ name, figures, svg, onClose }: Props & { onClose: () => void }) {
  const palette = usePalette();
  const [trouble, setTrouble] = useState('');
  const { heads, rows } = figures();
  const file = name.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-');
  const saveAs = {
    csv: () => saveFile(csvText([heads, ...rows]), `${file}.csv`, 'text/csv;charset=utf-8'),
    svg: () => {
      const text = svg();
      if (text !== undefined) saveFile(text, `${file}.svg`, 'image/svg+xml');
    },
    png: () => {
      const text = svg();
      if (text === undefined) return;
      chartPng(text).then(
        (blob) => saveFile(blob, `${file}.png`, 'image/png'),
        () => setTrouble('The picture could not be made. The SVG holds the same.'),
      );
    },
  };
  return (
    <Sheet title={name} onClose={onClose}>
      <View style={styles.files}>
        {(['csv', 'svg', 'png'] as const).map((kind) => (
          <Button key={kind} mode="outlined" icon="download" onPress={saveAs[kind]} testID={`save-${kind}`}>
            {`Save as ${kind.toUpperCase()}`}
          </Button>
        ))}
      </View>
      {trouble !== '' && <Words role="alert">{trouble}</Words>}
      <ScrollView style={styles.table} tabIndex={0} accessibilityLabel={`Figures of ${name}`}>
        <View role="table" aria-label={`Figures of ${name}`}>
          {[heads, ...rows].map((row, r) => (
            <View role="row" key={r} style={[styles.row, { borderBottomColor: palette.hairline }]}>
              {row.map((cell, c) => (
                <View role={r === 0 ? 'columnheader' : 'cell'} key={c} style={styles.cell}>
                  <Words kind={r === 0 ? 'strong' : 'small'}>{cell}</Words>
                </View>
              ))}
            </View>
          ))}
        </View>
      </ScrollView>
    </Sheet>
  );
}

const styles = StyleSheet.create({
  button: { width: GUTTER, height: 24, justifyContent: 'center', alignItems: 'flex-end', paddingRight: 6 },
  files: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  table: { maxHeight: 360 },
  row: { flexDirection: 'row', borderBottomWidth: 1 },
  cell: { flex: 1, paddingVertical: 4 },
});
