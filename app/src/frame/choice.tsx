import { Pressable, StyleSheet, View } from 'react-native';
import { Icon } from '@/look/icon';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';

export type Props<T extends string> = {
  label: string;
  options: readonly { value: T; words: string; detail?: string }[];
  chosen: T | undefined;
  onChoose: (value: T) => void;
};

/** One of several, as radio buttons in a list. */
export function Choice<T extends string>({ label, options, chosen, onChoose }: Props<T>) {
  const palette = usePalette();
  return (
    <View role="radiogroup" aria-label={label}>
      {options.map(({ value, words, detail }) => {
        const isChosen = value === chosen;
        return (
          <Pressable
            key={value}
            role="radio"
            aria-checked={isChosen}
            onPress={() => onChoose(value)}
            style={styles.option}
          >
            <Icon
              name={isChosen ? 'radiobox-marked' : 'radiobox-blank'}
              size={22}
              color={isChosen ? palette.action : palette.muted}
            />
            <View style={styles.words}>
              <Words kind={isChosen ? 'strong' : 'body'}>{words}</Words>
              {detail !== undefined && <Words kind="small">{detail}</Words>}
            </View>
          </Pressable>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  option: { minHeight: TOUCH, flexDirection: 'row', alignItems: 'center', gap: SPACE.m },
  words: { flex: 1 },
});
