import { StyleSheet, View } from 'react-native';
import type { Schemas } from '@/data/client';
import { clock, dayWords, lengthWords } from '@/look/format';
import { Icon } from '@/look/icon';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { useClock } from './clock';

const STALE_MS = 3 * 60_000;

/** What is missing from the picture, in sentences; empty when data is as fresh as it should be. */
export function staleWords(freshness: Schemas['Freshness'], nowMs: number): string[] {
  const words: string[] = [];
  const { judgedMs, silent, earlier } = freshness;
  if (judgedMs !== null && nowMs - judgedMs > STALE_MS) {
    const asOf = `hat you see is as of ${clock(judgedMs, nowMs)}.`;
    words.push(earlier ? `W${asOf}` : `No data for ${lengthWords(nowMs - judgedMs)}: w${asOf}`);
  }
  for (const { application, sinceMs } of silent)
    words.push(`No data from ${application} since ${clock(sinceMs, nowMs)}.`);
  return words;
}

/** A history that is being loaded: "Data of earlier days is coming in, now of Tue 17 Nov." */
export function earlierWords({ earlier }: Schemas['Freshness'], nowMs: number): string {
  if (!earlier) return '';
  const day = dayWords(earlier.fromMs);
  return day === dayWords(nowMs)
    ? `Data of earlier hours is coming in, now of ${clock(earlier.fromMs, nowMs)}.`
    : `Data of earlier days is coming in, now of ${day}: what is usual is learned anew with it.`;
}

/**
 * Says so when data is older than expected, a source is silent or a history is being loaded: silence is never shown as
 * calm.
 */
export function Freshness({ freshness, isLive }: { freshness: Schemas['Freshness']; isLive: boolean }) {
  const palette = usePalette();
  const nowMs = useClock();
  const stale = isLive ? staleWords(freshness, nowMs).join(' ') : '';
  const earlier = earlierWords(freshness, nowMs);
  return (
    <>
      {stale !== '' && (
        <View role="status" style={styles.line}>
          <Icon name="alert-circle-outline" size={18} color={palette.harm[2]} />
          <Words kind="muted" style={styles.words}>
            {stale}
          </Words>
        </View>
      )}
      {earlier !== '' && (
        <View role="status" style={styles.line} testID="earlier">
          <Icon name="download" size={18} color={palette.muted} />
          <Words kind="muted" style={styles.words}>
            {earlier}
          </Words>
        </View>
      )}
    </>
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
