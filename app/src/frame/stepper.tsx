import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

export type Props = {
  /** where one is, from 0, of how many */
  at: number;
  of: number;
  onGo: (to: number) => void;
  /** the buttons' words */
  before: string;
  next: string;
  /** where one is, in words; left out where something else says it */
  words?: string;
  /** of the buttons: `…-before`, `…-next` */
  name: string;
};

/** Back and forth through a few, one at a time. */
export function Stepper({ at, of, onGo, before, next, words, name }: Props) {
  return (
    <View style={styles.row}>
      <Button compact icon="chevron-left" disabled={at === 0} onPress={() => onGo(at - 1)} testID={`${name}-before`}>
        {before}
      </Button>
      {words !== undefined && (
        <Words kind="small" role="status">
          {words}
        </Words>
      )}
      <Button
        compact
        icon="chevron-right"
        disabled={at === of - 1}
        onPress={() => onGo(at + 1)}
        testID={`${name}-next`}
      >
        {next}
      </Button>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.s },
});
