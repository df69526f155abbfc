import { useEffect, type ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

/** A page in front of all others: what it is for, and one form. */
export function Door({ title, children }: { title: string; children: ReactNode }) {
  const palette = usePalette();
  useEffect(() => {
    document.title = `${title} · Top Lens`;
  }, [title]);
  return (
    <ScrollView
      role="main"
      style={{ backgroundColor: palette.paper }}
      contentContainerStyle={styles.room}
      testID="door"
    >
      <View style={styles.form}>
        <View>
          <Words kind="muted">Top Lens</Words>
          <Words kind="title" level={1}>
            {title}
          </Words>
        </View>
        {children}
      </View>
    </ScrollView>
  );
}

export const styles = StyleSheet.create({
  room: { flexGrow: 1, padding: SPACE.xl, alignItems: 'center', justifyContent: 'center' },
  form: { width: '100%', maxWidth: 400, gap: SPACE.m },
  button: { alignSelf: 'stretch' },
});
