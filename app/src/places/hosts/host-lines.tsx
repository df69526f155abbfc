import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { HostCurves } from '@/charts/host-curves';
import type { Schemas } from '@/data/client';
import { clock } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { capital } from '@toplens/core/words';

type Hosts = Schemas['Hosts'];

/** What was left over first, with its curves; then in one fold what was ruled out. */
export function HostLines({ hosts, nowMs }: { hosts: Hosts; nowMs: number }) {
  const palette = usePalette();
  const [isOpen, setOpen] = useState(false);
  const leftOver = hosts.lines.filter((line) => line.isLeftOver);
  const ruledOut = hosts.lines.filter((line) => !line.isLeftOver);
  if (hosts.lines.length === 0) return <Words kind="muted">{noneWords(hosts)}</Words>;
  return (
    <View style={styles.lines}>
      {leftOver.length === 0 && (
        <Words>{`Nothing is left over: ${listed(ruledOut.map(({ words }) => firstWord(words)))} as usual.`}</Words>
      )}
      {leftOver.map((line) => (
        <View key={line.figure} style={styles.line} testID="left-over">
          <Words kind="strong">{capital(line.words)}</Words>
          <HostCurves
            name={line.words}
            figures={line.odd}
            window={{ fromMs: hosts.before.fromMs, toMs: hosts.now.toMs }}
            onsetMs={hosts.now.fromMs}
          />
        </View>
      ))}
      {hosts.restarts.map((one) => (
        <Words
          key={`${one.component}${one.host}${one.atMs}`}
          kind="strong"
        >{`${one.component} on ${one.host} began anew at ${clock(one.atMs, nowMs)}`}</Words>
      ))}
      {hosts.advice.map(({ words, evidence }) => (
        <View key={words + evidence} style={[styles.advice, { borderColor: palette.hairline }]} testID="advice">
          <Words>{words}</Words>
          <Words kind="small">{evidence}</Words>
        </View>
      ))}
      {leftOver.length > 0 && ruledOut.length > 0 && (
        <Words>{`Ruled out: ${listed(ruledOut.map(({ words }) => firstWord(words)))}.`}</Words>
      )}
      {ruledOut.length > 0 && (
        <Button onPress={() => setOpen(!isOpen)} style={styles.more} icon={isOpen ? 'chevron-up' : 'chevron-down'}>
          {isOpen ? 'Hide the figures' : 'Their figures'}
        </Button>
      )}
      {isOpen && ruledOut.map((line) => <Words key={line.figure} kind="muted">{`– ${capital(line.words)}`}</Words>)}
      {hosts.unknown > 0 && <Words kind="small">{`${hosts.unknown} more figures have too little data.`}</Words>}
    </View>
  );
}

const noneWords = ({ unknown }: Hosts) =>
  unknown > 0
    ? 'These hosts have too little data before or during these minutes to say what is usual.'
    : 'No host, process or runtime figures came from these components, so nothing is ruled out.';

const firstWord = (words: string) => words.split(/ as usual|, /)[0] ?? words;
const listed = (words: readonly string[]) =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;

const styles = StyleSheet.create({
  lines: { gap: SPACE.s },
  line: { gap: SPACE.xs },
  advice: { borderWidth: 1, borderRadius: 4, padding: SPACE.m },
  more: { alignSelf: 'flex-start' },
});
