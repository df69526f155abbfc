import { Pressable, StyleSheet, View } from 'react-native';
import { Icon } from '@/look/icon';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';

export type Props = {
  words: string;
  onPress: () => void;
  /** a dot that says: this moves on by itself */
  isLive?: boolean;
  /** the chip takes something away */
  removes?: boolean;
  accessibilityLabel?: string;
};

/** A small framed button of the time bar. */
export function Chip({ words, onPress, isLive = false, removes = false, accessibilityLabel }: Props) {
  const palette = usePalette();
  return (
    <Pressable
      role="button"
      aria-label={accessibilityLabel ?? words}
      onPress={onPress}
      style={[styles.chip, { backgroundColor: palette.surface, borderColor: palette.hairline }]}
    >
      {isLive && <View style={[styles.dot, { backgroundColor: palette.action }]} />}
      <Words kind="muted" numberOfLines={1} style={{ color: palette.ink, maxWidth: 300 }}>
        {words}
      </Words>
      {removes && <Icon name="close" size={16} color={palette.muted} />}
    </Pressable>
  );
}

const styles = StyleSheet.create({
  chip: {
    minHeight: TOUCH - 8,
    borderWidth: 1,
    borderRadius: 8,
    paddingHorizontal: SPACE.m,
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    marginVertical: 4,
  },
  dot: { width: 9, height: 9, borderRadius: 5 },
});
