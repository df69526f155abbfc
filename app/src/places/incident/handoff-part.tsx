import { isWithTeam, PURPOSE_WORDS, STATE_WORDS } from '@toplens/core/handoffs';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import type { HandoffSummary, Incident } from '@/data/client';
import { useHandoff, useHandoffs } from '@/data/handoffs';
import { useClock } from '@/frame/clock';
import { Door } from '@/frame/door';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { waitsWords } from '../sent/handoff-words';
import { Trail } from '../sent/trail';

/** Proposed team and why; who has it, for what, and the trail of the newest. */
export function HandoffPart({ incident, onSend }: { incident: Incident; onSend: () => void }) {
  const { data } = useHandoffs();
  const all = data?.handoffs.filter((handoff) => handoff.incident === incident.id) ?? [];
  const [newest] = all;
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
      <View role="list" aria-label="Handoffs of this incident">
        {all.map((one) => (
          <HandoffDoor key={one.id} handoff={one} />
        ))}
      </View>
      {handoff && <Trail handoff={handoff} />}
      <Button mode="outlined" onPress={onSend} style={styles.send}>
        {!newest
          ? 'Write the note and send'
          : all.every(({ state }) => !isWithTeam(state))
            ? 'Send it again'
            : 'Send to another team too'}
      </Button>
    </View>
  );
}

function HandoffDoor({ handoff }: { handoff: HandoffSummary }) {
  const palette = usePalette();
  const nowMs = useClock();
  return (
    <View role="listitem" style={[styles.row, { borderTopColor: palette.hairline }]}>
      <Door path={`/handoff/${handoff.id}`} style={styles.door} testID="handoff-door">
        <Words style={{ color: palette.action }}>
          {`${handoff.team}, ${PURPOSE_WORDS[handoff.purpose]}: ${STATE_WORDS[handoff.state]}`}
        </Words>
        {handoff.waits && <Words kind="small">{waitsWords(handoff, nowMs)}</Words>}
      </Door>
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: SPACE.s },
  send: { alignSelf: 'flex-start' },
  row: { borderTopWidth: 1 },
  door: { minHeight: TOUCH, justifyContent: 'center', paddingVertical: SPACE.xs },
});
