import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { HarmStrip } from '@/charts/harm-strip';
import type { Incident } from '@/data/client';
import { useShortcuts } from '@/frame/shortcuts';
import { pinned, useView, viewQuery } from '@/frame/view';
import { clock, zoneName } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

const LEVELS = ['calm', 'strained', 'hurting', 'broken'] as const;

/** The level as word and ramp: as many filled steps as it is high. */
function LevelRamp({ level }: { level: Incident['level'] }) {
  const palette = usePalette();
  const height = LEVELS.indexOf(level);
  return (
    <View role="img" aria-label={`Level ${level}`} style={styles.ramp}>
      {[1, 2, 3].map((step) => (
        <View key={step} style={{ width: 14, height: 8, backgroundColor: step <= height ? palette.harm[step as 1 | 2 | 3] : palette.harm[0] }} />
      ))}
    </View>
  );
}

/** The sentence, level, since when, state, and what can be done. */
export function WhatHappens({ incident, onSend }: { incident: Incident; onSend: () => void }) {
  const { view } = useView();
  const [copied, setCopied] = useState(false);
  const copyLink = () => {
    const link = `${window.location.origin}/incident/${incident.id}${viewQuery(pinned(view, incident.window))}`;
    void navigator.clipboard.writeText(link).then(() => setCopied(true));
  };
  useShortcuts({ s: onSend, l: copyLink });
  const { onsetMs, endMs, inTroubleNow, proposedTeam } = incident;
  const time = inTroubleNow
    ? `since ${clock(onsetMs, incident.window.toMs)}, in trouble now`
    : `${clock(onsetMs, incident.window.toMs)} to ${clock(endMs, onsetMs)}, over`;
  return (
    <View style={styles.box}>
      <Words kind="title" level={1}>
        {incident.title}
      </Words>
      <Words>{incident.sentence}</Words>
      <View style={styles.state}>
        <LevelRamp level={incident.level} />
        <Words kind="muted">{`${incident.level} · ${time} (${zoneName(onsetMs)}) · ${incident.application}`}</Words>
      </View>
      <HarmStrip counts={{ ...incident.outcomes, missing: incident.signal === 'missing' ? Math.round(quantityOf(incident, 'missing')) : 0 }} />
      <View style={styles.actions}>
        <Button mode="contained" icon="send-outline" onPress={onSend} testID="send">
          {proposedTeam ? `Send to ${proposedTeam.team}` : 'Send'}
        </Button>
        <Button mode="outlined" icon="link-variant" onPress={copyLink} accessibilityLabel="Copy link to exactly this moment">
          {copied ? 'Copied' : 'Copy link'}
        </Button>
      </View>
    </View>
  );
}

const quantityOf = (incident: Incident, name: string) => incident.bill.find((line) => line.name === name)?.quantity.estimate ?? 0;

const styles = StyleSheet.create({
  box: { gap: SPACE.s },
  state: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, flexWrap: 'wrap' },
  ramp: { flexDirection: 'row', gap: 2 },
  actions: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s, marginTop: SPACE.xs },
});
