import { StyleSheet, View } from 'react-native';
import type { Schemas } from '@/data/client';
import { useSlowestFlows } from '@/data/flows';
import { Door } from '@/frame/door';
import { Trouble } from '@/frame/trouble';
import { useView } from '@/frame/view';
import { clock, durationWords } from '@/look/format';
import { useIsWide, usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { SampleList } from '../incident/sample-list';

/** The slowest flows, each with its slowest single attempts: from the figure to the proof in one look. */
export function SlowestPart() {
  const { view } = useView();
  const { data, error, refetch } = useSlowestFlows(view);
  const palette = usePalette();
  const isWide = useIsWide();
  if (error && !data) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (!data || data.flows.length === 0) return null;
  return (
    <View style={styles.box} testID="slowest-flows">
      <Words kind="section" level={2}>
        Slowest flows, with their slowest attempts
      </Words>
      <Words kind="small">{`${clock(data.window.fromMs, data.window.toMs)} to ${clock(data.window.toMs, data.window.toMs)}; flows with at least 30 attempts.`}</Words>
      <View style={isWide && styles.grid}>
        {data.flows.map((flow) => (
          <View key={flow.id} style={isWide && styles.cell}>
            <Door path={`/flow/${flow.id}`} style={styles.flow}>
              <Words style={{ color: palette.action }}>{flow.name}</Words>
              <Words kind="small">{slowWords(flow)}</Words>
            </Door>
            <SampleList samples={flow.samples} nowMs={data.window.toMs} />
          </View>
        ))}
      </View>
    </View>
  );
}

/** "Sender Portal · 5 of 100 take longer than 7.6 s · limit 1.8 s" */
export function slowWords({ application, p95Ms, limitMs }: Schemas['SlowestFlows']['flows'][number]): string {
  return [
    application,
    `5 of 100 take longer than ${durationWords(p95Ms)}`,
    limitMs !== null && `limit ${durationWords(limitMs)}`,
  ]
    .filter(Boolean)
    .join(' · ');
}

const styles = StyleSheet.create({
  box: { gap: SPACE.s, marginTop: SPACE.l },
  grid: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.xl, rowGap: SPACE.m },
  cell: { width: '31%', minWidth: 300 },
  flow: { minHeight: TOUCH, justifyContent: 'center' },
});
