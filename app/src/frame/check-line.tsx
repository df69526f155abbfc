import { Pressable, StyleSheet, View } from 'react-native';
import { Checkbox } from 'react-native-paper';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';

export type Props = { words: string; isChosen: boolean; onToggle: () => void; testID?: string };

/** One of several that may be chosen together. */
export function CheckLine({ words, isChosen, onToggle, testID }: Props) {
  return (
    <Pressable role="checkbox" aria-checked={isChosen} onPress={onToggle} style={styles.line} testID={testID}>
      <View aria-hidden pointerEvents="none">
        <Checkbox.Android status={isChosen ? 'checked' : 'unchecked'} />
      </View>
      <Words>{words}</Words>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center', minHeight: TOUCH, gap: SPACE.s },
});
