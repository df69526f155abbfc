import type { ReactNode } from 'react';
import type { Right } from '@toplens/core/access';
import { Modal, Pressable, ScrollView, StyleSheet, View } from 'react-native';
import { IconButton } from 'react-native-paper';
import { useIsWide, usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { Needs } from './session';

export type Props = {
  title: string;
  onClose: () => void;
  /** without this right it says whom to ask, and shows nothing else */
  needs?: Right;
  children: ReactNode;
};

/**
 * Choices rise from the bottom on a phone, and stand in the middle of a wide screen. Escape and the backdrop close it.
 */
export function Sheet({ title, onClose, needs, children }: Props) {
  const palette = usePalette();
  const isWide = useIsWide();
  return (
    <Modal transparent visible onRequestClose={onClose} animationType="none">
      <View style={[styles.room, isWide && styles.middle]}>
        <Pressable aria-hidden tabIndex={-1} style={styles.backdrop} onPress={onClose} />
        <View
          aria-label={title}
          role="group"
          style={[
            styles.sheet,
            isWide && styles.card,
            { backgroundColor: palette.surface, borderColor: palette.hairline },
          ]}
        >
          <View style={styles.head}>
            <Words kind="section" level={2} style={styles.title}>
              {title}
            </Words>
            <IconButton icon="close" accessibilityLabel={`Close ${title}`} onPress={onClose} />
          </View>
          <ScrollView contentContainerStyle={styles.content}>
            {needs === undefined ? children : <Needs right={needs}>{children}</Needs>}
          </ScrollView>
        </View>
      </View>
    </Modal>
  );
}

const styles = StyleSheet.create({
  room: { flex: 1, justifyContent: 'flex-end' },
  middle: { justifyContent: 'center', alignItems: 'center' },
  backdrop: { ...StyleSheet.absoluteFill, backgroundColor: 'rgba(20, 23, 26, 0.45)' },
  sheet: { maxHeight: '88%', borderTopLeftRadius: 14, borderTopRightRadius: 14, borderWidth: 1, paddingLeft: SPACE.l },
  card: { width: 560, borderRadius: 10 },
  head: { flexDirection: 'row', alignItems: 'center', paddingTop: SPACE.xs },
  title: { flex: 1 },
  content: { paddingBottom: SPACE.xl, paddingRight: SPACE.l, gap: SPACE.s },
});
