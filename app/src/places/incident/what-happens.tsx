import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { HarmStrip } from '@/charts/harm-strip';
import type { Incident } from '@/data/client';
import { useShortcuts } from '@/frame/shortcuts';
import { clock } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import type { DecideOn } from './decide-sheet';

const LEVELS = ['calm', 'strained', 'hurting', 'broken'] as const;

/** The level as word and ramp: as many filled steps as it is high. */
function LevelRamp({ level }: { level: Incident['level'] }) {
  const palette = usePalette();
  const height = LEVELS.indexOf(level);
  return (
    <View role="img" aria-label={`Level ${level}`} style={styles.ramp}>
      {[1, 2, 3].map((step) => (
        <View
          key={step}
          style={{
            width: 14,
            height: 8,
            backgroundColor: step <= height ? palette.harm[step as 1 | 2 | 3] : palette.harm[0],
          }}
        />
      ))}
    </View>
  );
}

/** Why people are known roughly, and the way on. */
export const UNNAMED_WORDS =
  'Many of its attempts do not say whose they are; each of these counts as a person. Send user.id with them, and people are counted once.';

/** The sentence, level, since when, state, and what can be done. */
export function WhatHappens({
  incident,
  onSend,
  onDecide,
}: {
  incident: Incident;
  onSend: () => void;
  onDecide: (on: DecideOn) => void;
}) {
  useShortcuts({ s: onSend });
  const { proposedTeam } = incident;
  const time = stateWords(incident);
  const canSplit = new Set(incident.parts.map((part) => part.flowId)).size > 1;
  return (
    <View style={styles.box}>
      <Words kind="title" level={1}>
        {incident.title}
      </Words>
      <Words>{incident.sentence}</Words>
      {incident.isAbout && <Words kind="muted">{UNNAMED_WORDS}</Words>}
      <View style={styles.state}>
        <LevelRamp level={incident.level} />
        <Words kind="muted">{`${incident.level} · ${incident.priority} · ${time} · ${incident.application}`}</Words>
      </View>
      <HarmStrip
        counts={{
          ...incident.outcomes,
          missing: incident.signal === 'missing' ? Math.round(quantityOf(incident, 'missing')) : 0,
        }}
      />
      <View style={styles.actions}>
        <Button mode="contained" icon="send-outline" onPress={onSend} testID="send">
          {proposedTeam ? `Send to ${proposedTeam.team}` : 'Send'}
        </Button>
        {incident.setAside === null && (
          <Button icon="pause-circle-outline" onPress={() => onDecide('setAside')} testID="set-aside">
            Set aside
          </Button>
        )}
        {incident.nearby.length > 0 && (
          <Button icon="call-merge" onPress={() => onDecide('join')} testID="join">
            Merge
          </Button>
        )}
        {canSplit && (
          <Button icon="call-split" onPress={() => onDecide('split')} testID="split">
            Split
          </Button>
        )}
      </View>
    </View>
  );
}

/** Two marks that are not the same: in trouble in the window that is looked at, and in trouble now. */
export function stateWords({ onsetMs, endMs, window, activeAtEnd, inTroubleNow, trend }: Incident): string {
  const isPast = Date.now() - window.toMs > 15 * 60_000;
  if (activeAtEnd && inTroubleNow)
    return `since ${clock(onsetMs, window.toMs)}, ${isPast ? 'and still in trouble now' : `in trouble now, ${trend === 'new' ? 'just begun' : trend}`}`;
  if (activeAtEnd) return `since ${clock(onsetMs, window.toMs)}, in trouble then; over by now`;
  return `${clock(onsetMs, window.toMs)} to ${clock(endMs, onsetMs)}, over`;
}

const quantityOf = (incident: Incident, name: string) =>
  incident.bill.find((line) => line.name === name)?.quantity.estimate ?? 0;

const styles = StyleSheet.create({
  box: { gap: SPACE.s },
  state: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, flexWrap: 'wrap' },
  ramp: { flexDirection: 'row', gap: 2 },
  actions: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s, marginTop: SPACE.xs },
});
