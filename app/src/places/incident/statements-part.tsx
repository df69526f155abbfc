import { StyleSheet, View } from 'react-native';
import type { Incident } from '@/data/client';
import { useIncidentStatements } from '@/data/incidents';
import { NotNarrowed } from '@/frame/not-narrowed';
import { Trouble } from '@/frame/trouble';
import { count } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

/** Statements that explain why its attempts take longer; nothing where none does. */
export function StatementsPart({ incident }: { incident: Incident }) {
  const palette = usePalette();
  const { data, error, refetch } = useIncidentStatements(incident.id, !incident.inTroubleNow);
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (!data || data.statements.length === 0) return null;
  return (
    <View style={styles.box} testID="slower-statements">
      <Words kind="section" level={2}>
        Slow statements
      </Words>
      <NotNarrowed what="stores serve everybody" />
      <Words kind="muted">
        {`Values masked; ${count(data.attempts)} attempts of its first hour beside ${count(data.usualAttempts)} of the three hours before it.`}
      </Words>
      <View role="list" aria-label="Slow statements">
        {data.statements.map(({ component, statement, words }) => (
          <View
            role="listitem"
            key={`${component} ${statement}`}
            style={[styles.item, { borderBottomColor: palette.hairline }]}
          >
            <Words>{`${component}: ${words}`}</Words>
            <Words kind="code" selectable>
              {statement}
            </Words>
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
