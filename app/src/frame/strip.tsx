import { Pressable, ScrollView, StyleSheet, type ViewStyle } from 'react-native';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';

export type Props<T extends string> = {
  label: string;
  options: readonly { value: T; words: string }[];
  chosen: T;
  onChoose: (value: T) => void;
  /** of the row of options, where the place asks for more than a gap */
  style?: ViewStyle;
  minHeight?: number;
};

/** One of several, as words side by side that scroll where they do not fit; the chosen one is underlined. */
export function Strip<T extends string>({ label, options, chosen, onChoose, style, minHeight = TOUCH }: Props<T>) {
  const palette = usePalette();
  return (
    <ScrollView
      horizontal
      showsHorizontalScrollIndicator={false}
      role="radiogroup"
      aria-label={label}
      style={styles.strip}
      contentContainerStyle={[styles.options, style]}
    >
      {options.map(({ value, words }) => {
        const isChosen = value === chosen;
        return (
          <Pressable
            key={value}
            role="radio"
            aria-checked={isChosen}
            onPress={() => onChoose(value)}
            style={[styles.option, { minHeight, borderBottomColor: isChosen ? palette.action : 'transparent' }]}
          >
            <Words kind={isChosen ? 'strong' : 'muted'}>{words}</Words>
          </Pressable>
        );
      })}
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  strip: { flexGrow: 0 },
  options: { gap: SPACE.l },
  option: { justifyContent: 'center', borderBottomWidth: 2 },
});
