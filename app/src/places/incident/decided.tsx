import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import type { Incident } from '@/data/client';
import { useDecide } from '@/data/incidents';
import { useMay } from '@/frame/session';
import { useWho } from '@/frame/who';
import { clock } from '@/look/format';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

const WHAT_WORDS: Record<string, string> = {
  join: 'joined',
  unjoin: 'separated',
  split: 'split off',
  setAside: 'set aside',
  takeBack: 'back in the list',
};

/** What people decided about the incident, and the way back. */
export function Decided({ incident }: { incident: Incident }) {
  const decide = useDecide();
  const [who] = useWho();
  const mayDecide = useMay('decide');
  const { setAside, joined, decisions } = incident;
  if (decisions.length === 0) return null;
  const by = who || 'somebody';
  return (
    <View style={styles.box}>
      <Words kind="section" level={2}>
        Decided by hand
      </Words>
      {setAside && (
        <View style={styles.row}>
          <Words
            style={styles.words}
          >{`Set aside until ${clock(setAside.untilMs, incident.window.toMs)}: ${setAside.reason}`}</Words>
          {mayDecide && (
            <Button
              mode="outlined"
              icon="undo"
              onPress={() => decide.mutate({ id: incident.id, who: by, what: 'takeBack' })}
              testID="take-back"
            >
              Undo
            </Button>
          )}
        </View>
      )}
      {joined.map(({ id, title }) => (
        <View key={id} style={styles.row}>
          <Words style={styles.words}>{`Joined: ${title}`}</Words>
          {mayDecide && (
            <Button mode="outlined" icon="undo" onPress={() => decide.mutate({ id, who: by, what: 'unjoin' })}>
              Separate
            </Button>
          )}
        </View>
      ))}
      <View role="list" aria-label="Decisions">
        {decisions.map((decision, i) => (
          <View role="listitem" key={i}>
            <Words kind="muted">{`${clock(Date.parse(decision.at))} ${decision.who}: ${WHAT_WORDS[decision.what] ?? decision.what}${decision.detail ? `, ${decision.detail}` : ''}`}</Words>
          </View>
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: SPACE.xs },
  row: { flexDirection: 'row', alignItems: 'center', gap: SPACE.m, flexWrap: 'wrap' },
  words: { flex: 1, minWidth: 180 },
});
