import { StyleSheet, View } from 'react-native';
import { useServerState } from '@/data/server';
import { Icon } from '@/look/icon';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { serverWords } from './server-words';

/** Above every place, as long as something is wrong with the server that everybody must know. */
export function ServerNotice() {
  const palette = usePalette();
  const { data, error } = useServerState();
  const words = data ? serverWords(data) : error ? [`${error.message} What you see stays as it was.`] : [];
  if (words.length === 0) return null;
  const colour = !data || data.state === 'down' ? palette.harm[2] : palette.hairline;
  return (
    <View
      role="status"
      testID="server-notice"
      style={[styles.box, { backgroundColor: palette.surface, borderColor: colour }]}
    >
      <Icon
        name="alert-circle-outline"
        size={18}
        color={data?.state === 'down' || !data ? palette.harm[2] : palette.muted}
      />
      <View style={styles.words}>
        {words.map((sentence) => (
          <Words key={sentence} kind="muted">
            {sentence}
          </Words>
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  box: {
    flexDirection: 'row',
    gap: SPACE.s,
    borderBottomWidth: 2,
    paddingHorizontal: SPACE.l,
    paddingVertical: SPACE.s,
  },
  words: { flex: 1, gap: SPACE.xs },
});
