import { StyleSheet, View } from 'react-native';
import type { Schemas } from '@/data/client';
import { OUTCOME_WORDS } from '@/charts/patterns';
import { Door } from '@/frame/door';
import { clock, durationWords, formatMoney } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

/** Attempts as proof: when, how long, what became of it, and a door to all of its spans. Ids of people are masked. */
export function SampleList({
  samples,
  nowMs,
  currency,
  isOfEvent = false,
}: {
  samples: readonly Schemas['Sample'][];
  nowMs: number;
  /** where it is told what each brought: in what */
  currency?: string;
  /** something that happened: it took no time, and nothing became of it */
  isOfEvent?: boolean;
}) {
  const palette = usePalette();
  return (
    <View role="list" style={[styles.list, { borderColor: palette.hairline, backgroundColor: palette.surface }]}>
      {samples.map((sample) => (
        <View role="listitem" key={`${sample.traceId}-${sample.spanId}`}>
          <Door
            path={`/attempt/${sample.traceId}/${sample.spanId}`}
            style={styles.sample}
            testID={`sample-${sample.traceId}`}
          >
            <Words style={{ color: palette.action }}>
              {[
                clock(sample.atMs, nowMs),
                ...(isOfEvent ? [] : [durationWords(sample.durationMs), becameWords(sample)]),
                ...(currency && sample.value !== null ? [formatMoney(sample.value, currency, 2)] : []),
              ].join('  ')}
            </Words>
            <Words kind="small">{`${traceWords(sample)} · ${sample.person || 'person not known'}`}</Words>
          </Door>
        </View>
      ))}
    </View>
  );
}

const becameWords = ({ outcome, failure }: Schemas['Sample']) =>
  `${OUTCOME_WORDS[outcome]}${failure ? `, ${failure}` : ''}`;

/** What a phone told of by an event, or an application by a begin and an end, belongs to no trace. */
export const hasNoTrace = ({ traceId, spanId }: Pick<Schemas['Sample'], 'traceId' | 'spanId'>): boolean =>
  traceId === spanId.repeat(2);

/** A page load that no server's trace answered is known by itself. */
export function traceWords({ traceId, spanId }: Pick<Schemas['Sample'], 'traceId' | 'spanId'>): string {
  if (hasNoTrace({ traceId, spanId })) return `no trace, ${spanId}`;
  return traceId === spanId.padStart(32, '0') ? `page load ${spanId}` : `trace ${traceId}`;
}

const styles = StyleSheet.create({
  list: { borderWidth: 1, borderRadius: 4 },
  sample: { padding: SPACE.m, gap: 2 },
});
