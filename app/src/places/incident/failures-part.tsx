import { StyleSheet, View } from 'react-native';
import { failureWords } from '@toplens/core/incidents';
import type { Incident } from '@/data/client';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

/** What the failing attempts have in common: what was thrown, at which place, how many share it. */
export function FailuresPart({ incident }: { incident: Incident }) {
  const palette = usePalette();
  if (incident.failures.length === 0) return null;
  return (
    <View style={styles.box} testID="failures">
      <Words kind="section" level={2}>
        What fails
      </Words>
      <View role="list">
        {incident.failures.map((failure) => (
          <View
            role="listitem"
            key={`${failure.component} ${failure.type} ${failure.className} ${failure.method} ${failure.file}:${failure.line}`}
            style={[styles.item, { borderBottomColor: palette.hairline }]}
          >
            <Words>{failureWords(failure)}</Words>
            {failure.message !== '' && <Words kind="code">{failure.message}</Words>}
            {failure.messages > 1 && <Words kind="small">{`one of ${failure.messages} different messages`}</Words>}
          </View>
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: SPACE.xs },
  item: { borderBottomWidth: 1, paddingVertical: SPACE.s, gap: 2 },
});
