import { StyleSheet, View } from 'react-native';
import type { Incident } from '@/data/client';
import { Door } from '@/frame/door';
import { clock } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { SampleList } from './sample-list';

const SIGNAL_WORDS = { slow: 'slower', failing: 'failing', missing: 'attempts missing' } as const;

/** What belongs to the incident, and attempts that show it. */
export function Evidence({ incident }: { incident: Incident }) {
  const palette = usePalette();
  const parts = [...new Map(incident.parts.map((part) => [`${part.flow}-${part.signal}`, part])).values()];
  return (
    <View style={styles.box}>
      <Words kind="section" level={2}>
        Affected flows
      </Words>
      {parts.map((part) => (
        <Door key={`${part.flow}-${part.signal}`} path={`/flow/${part.flowId}`} style={styles.part}>
          <Words style={{ color: palette.action }}>{part.flow}</Words>
          <Words kind="small">{`${part.technicalName}: ${SIGNAL_WORDS[part.signal]} from ${clock(part.onsetMs, incident.window.toMs)}`}</Words>
        </Door>
      ))}
      {incident.samples.length > 0 && (
        <>
          <Words kind="section" level={2}>
            Attempts that show it
          </Words>
          <SampleList samples={incident.samples} nowMs={incident.window.toMs} />
        </>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: SPACE.xs },
  part: { minHeight: 44, justifyContent: 'center' },
});
