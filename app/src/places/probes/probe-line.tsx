import { isOff } from '@toplens/core/probes';
import { StyleSheet, View } from 'react-native';
import { RunStrip } from '@/charts/run-strip';
import { Door } from '@/frame/door';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { capital, countWords, standingWords, stripWords, type ProbeLine } from './probe-words';

/** How a probe stands from one site: the last runs, in words, and what people say of the same. */
export function ProbeAtSite({
  line,
  nowMs,
  isNamed = true,
}: {
  line: ProbeLine;
  nowMs: number;
  /** the probe's name stands before the site's */
  isNamed?: boolean;
}) {
  const palette = usePalette();
  const isBad = isOff(line.standing);
  const last = line.recent.at(-1);
  return (
    <View role="listitem" style={[styles.line, { borderTopColor: palette.hairline }]} testID={`probe-${line.site}`}>
      <View style={styles.head}>
        <Door path={`/probe/${encodeURIComponent(line.probe)}`} narrowed={{ site: line.site }} style={styles.door}>
          <Words kind={isBad ? 'strong' : 'body'} style={{ color: palette.action }}>
            {isNamed ? `${line.probe} from ${line.site}` : line.site}
          </Words>
        </Door>
        {line.recent.length > 0 && (
          <RunStrip runs={line.recent.map(({ verdict }) => verdict)} label={stripWords(line)} />
        )}
      </View>
      <View style={styles.words}>
        <Words kind={line.standing === 'good' ? 'body' : 'strong'}>{standingWords(line, nowMs)}</Words>
        {line.whereWords !== '' && (
          <Words>{[`${capital(line.whereWords)}.`, line.team && `For ${line.team}.`].filter(Boolean).join(' ')}</Words>
        )}
        <Words kind="small">{[countWords(line), line.agreementWords].filter(Boolean).join(' · ')}</Words>
        {last && isBad && (
          <Door path={`/probe-run/${last.id}`} style={styles.door}>
            <Words style={{ color: palette.action }}>The last run, step by step</Words>
          </Door>
        )}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  line: {
    borderTopWidth: 1,
    paddingVertical: SPACE.s,
    rowGap: SPACE.s,
    flexDirection: 'row',
    flexWrap: 'wrap',
    columnGap: SPACE.l,
  },
  head: { width: 260, gap: SPACE.xs },
  words: { flexGrow: 1, flexBasis: 300, gap: 2, justifyContent: 'center' },
  door: { minHeight: TOUCH, justifyContent: 'center', alignSelf: 'flex-start' },
});
