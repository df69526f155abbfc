import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { capital } from '@toplens/core/words';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

export type Props = {
  error: Error;
  /** what is still true on the screen */
  still?: string;
  onRetry: () => void;
};

/** Says what failed, what is still true, and how to try again. */
export function Trouble({ error, still = '', onRetry }: Props) {
  const palette = usePalette();
  return (
    <View role="alert" style={[styles.box, { borderColor: palette.harm[2], backgroundColor: palette.surface }]}>
      <Words style={styles.words}>{`${sentence(error.message)} ${still}`.trim()}</Words>
      <Button onPress={onRetry}>Try again</Button>
    </View>
  );
}

/** What programs say begins with the field's name and ends without a full stop. */
const sentence = (words: string) => capital(words) + (/[.!?]$/.test(words) ? '' : '.');

const styles = StyleSheet.create({
  box: {
    borderWidth: 1,
    borderRadius: 6,
    margin: SPACE.l,
    paddingHorizontal: SPACE.m,
    flexDirection: 'row',
    alignItems: 'center',
  },
  words: { flex: 1, paddingVertical: SPACE.s },
});
