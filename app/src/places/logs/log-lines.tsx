import { StyleSheet, View } from 'react-native';
import type { Schemas } from '@/data/client';
import { Door } from '@/frame/door';
import { clockSeconds, count } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

type Line = Schemas['LogLine'];

/** Lines as they came; one that belongs to a stored attempt is a door to it. */
export function LogLines({ lines, nowMs, of }: { lines: readonly Line[]; nowMs: number; of?: number }) {
  const palette = usePalette();
  return (
    <View style={[styles.lines, { borderLeftColor: palette.hairline }]}>
      {of !== undefined && of > lines.length && (
        <Words kind="small">{`${lines.length} of ${count(of)}, spread over the time`}</Words>
      )}
      {lines.map((line, i) => {
        const told = (
          <>
            <Words kind="small">
              {[clockSeconds(line.atMs, nowMs), line.severity, line.component, line.host].filter(Boolean).join(' · ')}
            </Words>
            <Words kind="code" style={line.traceId ? { color: palette.action } : undefined}>
              {line.body}
            </Words>
          </>
        );
        return line.traceId && line.spanId ? (
          <Door key={i} path={`/attempt/${line.traceId}/${line.spanId}`} style={styles.line}>
            {told}
          </Door>
        ) : (
          <View key={i} style={styles.line}>
            {told}
          </View>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  lines: { gap: SPACE.s, borderLeftWidth: 2, paddingLeft: SPACE.m, paddingVertical: SPACE.xs },
  line: { minHeight: 44, justifyContent: 'center' },
});
