import { StyleSheet, View } from 'react-native';
import type { Incident } from '@/data/client';
import { clock, durationWords } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

const OUTCOME_WORDS = { onTime: 'on time', late: 'late', hung: 'hung', failed: 'failed' } as const;
const SIGNAL_WORDS = { slow: 'slower', failing: 'failing', missing: 'attempts missing' } as const;

/** What belongs to the incident, who is hit most, and attempts that show it. */
export function Evidence({ incident }: { incident: Incident }) {
  const palette = usePalette();
  const parts = [...new Map(incident.parts.map((part) => [`${part.flow}-${part.signal}`, part])).values()];
  return (
    <View style={styles.box}>
      <Words kind="section" level={2}>
        What belongs to it
      </Words>
      {parts.map((part) => (
        <Words key={`${part.flow}-${part.signal}`} kind="muted">
          {`${part.flow} (${part.technicalName}): ${SIGNAL_WORDS[part.signal]} from ${clock(part.onsetMs, incident.window.toMs)}`}
        </Words>
      ))}
      {incident.component && <Words>{`${incident.component.name} ${incident.component.words}.`}</Words>}
      <Words kind="section" level={2}>
        Most hit
      </Words>
      {incident.mostHit.length === 0 && <Words kind="muted">Nothing stands out: it bites everyone alike.</Words>}
      {incident.mostHit.map((hit) => (
        <Words key={hit.dimension}>{hit.words}</Words>
      ))}
      {incident.samples.length > 0 && (
        <>
          <Words kind="section" level={2}>
            Attempts that show it
          </Words>
          <View role="list" style={[styles.list, { borderColor: palette.hairline, backgroundColor: palette.surface }]}>
            {incident.samples.map((sample) => (
              <View role="listitem" key={sample.traceId} style={styles.sample}>
                <Words>{`${clock(sample.atMs, incident.window.toMs)}  ${durationWords(sample.durationMs)}  ${OUTCOME_WORDS[sample.outcome]}${sample.failure ? `, ${sample.failure}` : ''}`}</Words>
                <Words kind="small" selectable>
                  {`trace ${sample.traceId} · person ${sample.person || 'not known'}`}
                </Words>
              </View>
            ))}
          </View>
        </>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: SPACE.xs },
  list: { borderWidth: 1, borderRadius: 4 },
  sample: { padding: SPACE.m, gap: 2 },
});
