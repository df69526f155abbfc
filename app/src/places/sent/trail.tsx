import { StyleSheet, View } from 'react-native';
import type { Handoff } from '@/data/client';
import { clock } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { stateWords } from './state-words';

const EVENT_WORDS: Record<string, string> = {
  taken: 'accepted',
  fixReported: 'fix reported',
  inPart: 'fixed in part',
  notProven: 'not proven',
};

/** What happened to a handoff, in order. */
export function Trail({ handoff }: { handoff: Handoff }) {
  const palette = usePalette();
  return (
    <View style={styles.trail} testID="trail">
      <Words kind="strong">{`${handoff.team}: ${stateWords(handoff.state)}`}</Words>
      <View role="list" aria-label="Trail">
        {handoff.trail.map((event, i) => (
          <View role="listitem" key={i} style={[styles.event, { borderLeftColor: palette.hairline }]}>
            <Words kind="muted">{`${clock(Date.parse(event.at))}  ${EVENT_WORDS[event.what] ?? event.what}${event.detail ? `, ${event.detail}` : ''}`}</Words>
          </View>
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  trail: { gap: SPACE.xs },
  event: { borderLeftWidth: 2, paddingLeft: SPACE.m, paddingVertical: 3 },
});
