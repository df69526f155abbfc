import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import type { Settings } from '@/data/client';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { SectionSheet } from './section-sheet';
import type { Section } from './section';
import { SECTIONS, sectionWords } from './sections';

/** What people decided, part by part: each opens to its entries. */
export function SectionsPart({ settings }: { settings: Settings }) {
  const palette = usePalette();
  const [open, setOpen] = useState<Section>();
  return (
    <View style={styles.gap}>
      <Words kind="section" level={2}>
        Names, owners and rules
      </Words>
      <Words kind="muted">In force from when they are saved; past windows keep what was set then.</Words>
      <View role="list">
        {SECTIONS.map((section) => (
          <View role="listitem" key={section.key} style={[styles.row, { borderBottomColor: palette.hairline }]}>
            <View style={styles.words}>
              <Words>{section.title}</Words>
              <Words kind="small">{sectionWords(section, settings.file)}</Words>
            </View>
            <Button
              onPress={() => setOpen(section)}
              accessibilityLabel={`Change ${section.title}`}
              testID={`change-${section.key}`}
            >
              Change
            </Button>
          </View>
        ))}
      </View>
      {open && <SectionSheet key={open.key} section={open} settings={settings} onClose={() => setOpen(undefined)} />}
    </View>
  );
}

const styles = StyleSheet.create({
  gap: { gap: SPACE.xs },
  row: { flexDirection: 'row', alignItems: 'center', borderBottomWidth: 1, minHeight: TOUCH },
  words: { flex: 1, minWidth: 0 },
});
