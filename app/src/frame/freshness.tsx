import { StyleSheet, View } from 'react-native';
import type { Schemas } from '@/data/client';
import { clock, lengthWords } from '@/look/format';
import { Icon } from '@/look/icon';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { useClock } from './clock';

const STALE_MS = 3 * 60_000;

/** What is missing from the picture, in sentences; empty when data is as fresh as it should be. */
export function staleWords(freshness: Schemas['Freshness'], nowMs: number): string[] {
  const words: string[] = [];
  const { judgedMs, silent } = freshness;
  if (judgedMs !== null && nowMs - judgedMs > STALE_MS)
    words.push(`No data for ${lengthWords(nowMs - judgedMs)}: what you see is as of ${clock(judgedMs, nowMs)}.`);
  for (const { application, sinceMs } of silent)
    words.push(`No data from ${application} since ${clock(sinceMs, nowMs)}.`);
  return words;
}

/** Says so when data is older than expected or a source is silent: silence is never shown as calm. */
export function Freshness({ freshness, isLive }: { freshness: Schemas['Freshness']; isLive: boolean }) {
  const palette = usePalette();
  const nowMs = useClock();
  const words = isLive ? staleWords(freshness, nowMs) : [];
  if (words.length === 0) return null;
  return (
    <View role="status" style={styles.line}>
      <Icon name="alert-circle-outline" size={18} color={palette.harm[2]} />
      <Words kind="muted" style={styles.words}>
        {words.join(' ')}
      </Words>
    </View>
  );
}

const styles = StyleSheet.create({
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    paddingHorizontal: SPACE.l,
    paddingVertical: SPACE.xs,
  },
  words: { flex: 1 },
});
