import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import type { Incident } from '@/data/client';
import { useHandoff, useHandoffs } from '@/data/handoffs';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { Trail } from '../sent/trail';

/** Proposed team and why; the trail so far. */
export function HandoffPart({ incident, onSend }: { incident: Incident; onSend: () => void }) {
  const { data } = useHandoffs();
  const newest = data?.handoffs.find((handoff) => handoff.incident === incident.id);
  const { data: handoff } = useHandoff(newest?.id);
  const { proposedTeam } = incident;
  return (
    <View style={styles.box}>
      <Words kind="section" level={2}>
        Handoff
      </Words>
      <Words>
        {proposedTeam
          ? `${proposedTeam.team}: ${proposedTeam.reason}.`
          : 'No rule says whose this is: choose a team when you send it.'}
      </Words>
      {!newest && <Words kind="muted">With nobody yet.</Words>}
      {handoff && <Trail handoff={handoff} />}
      {(!newest || newest.state === 'returned') && (
        <Button mode="outlined" onPress={onSend} style={styles.send}>
          {newest ? 'Send it again' : 'Write the note and send'}
        </Button>
      )}
    </View>
  );
}

const styles = StyleSheet.create({ box: { gap: SPACE.s }, send: { alignSelf: 'flex-start' } });
