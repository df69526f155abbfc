import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

/** A line of a list: a name, and beside it what is said of it. */
export function NamedRow({ name, children }: { name: string; children: ReactNode }) {
  const palette = usePalette();
  return (
    <View role="listitem" style={[styles.row, { borderBottomColor: palette.hairline }]}>
      <Words kind="strong" style={styles.name}>
        {name}
      </Words>
      <View style={styles.words}>{children}</View>
    </View>
  );
}

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    gap: SPACE.m,
    borderBottomWidth: 1,
    minHeight: 44,
    alignItems: 'center',
    paddingVertical: SPACE.xs,
  },
  name: { width: 96 },
  words: { flex: 1, minWidth: 0 },
});
