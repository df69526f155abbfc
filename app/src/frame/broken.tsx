import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

export type Props = {
  error: Error;
  onLoadAgain: () => void;
};

/** In place of a screen that cannot be shown: what happened, and the way on. */
export function Broken({ error, onLoadAgain }: Props) {
  const palette = usePalette();
  return (
    <View role="alert" style={[styles.box, { backgroundColor: palette.paper }]} testID="broken">
      <Words kind="title" level={1}>
        This screen cannot be shown.
      </Words>
      <Words>{brokenWords(error)}</Words>
      <Words kind="muted">Nothing is lost on the server.</Words>
      <View style={styles.start}>
        <Button mode="outlined" icon="undo" onPress={onLoadAgain} testID="load-again">
          Load again
        </Button>
      </View>
    </View>
  );
}

/** Parts of the app are loaded when they are first opened. */
export const brokenWords = ({ message }: Error): string =>
  /load|fetch|network|import/i.test(message)
    ? 'A part of Top Lens could not be loaded: the server does not answer.'
    : `Something went wrong on this screen: ${message}`;

const styles = StyleSheet.create({
  box: { flex: 1, padding: SPACE.l, gap: SPACE.m },
  start: { alignItems: 'flex-start' },
});
