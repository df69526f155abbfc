import { Pressable, StyleSheet } from 'react-native';
import { Icon } from '@/look/icon';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';

export type Props = { words: string; isChosen: boolean; onToggle: () => void; testID?: string };

/** One of several that may be chosen together. */
export function CheckLine({ words, isChosen, onToggle, testID }: Props) {
  const palette = usePalette();
  return (
    <Pressable role="checkbox" aria-checked={isChosen} onPress={onToggle} style={styles.line} testID={testID}>
      <Icon
        name={isChosen ? 'checkbox-marked' : 'checkbox-blank-outline'}
        size={24}
        color={isChosen ? palette.action : palette.muted}
      />
      <Words>{words}</Words>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center', minHeight: TOUCH, gap: SPACE.s },
});
