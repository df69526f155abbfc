import { StyleSheet, View } from 'react-native';
import { ScaleStrip } from '@/charts/scale-strip';
import { Door } from '@/frame/door';
import type { WorkDimension } from '@/frame/view';
import { counted } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { BY_WORDS, overWords, scoreWords, steadyWords, type Group } from './sites-words';

const WIDTH = 140;
/** Further off the norm than this is more than a day brings. */
const NOTABLE = 0.05;

/** Groups that do unlike things, on one scale: the organisation's norm is the middle. The worst first. */
export function OneScale({ groups, by }: { groups: readonly Group[]; by: WorkDimension }) {
  const palette = usePalette();
  if (groups.length === 0) return null;
  return (
    <View style={styles.gap} testID="one-scale">
      <Words kind="section" level={2}>
        On one scale
      </Words>
      <Words kind="small">
        {`The middle is the norm: as many attempts of everybody take longer as do not, whatever is done. Sorted by how far off it, and how much is done.`}
      </Words>
      <View role="list" aria-label={`${BY_WORDS[by][1]} on one scale`}>
        {groups.map((one) => {
          const isOff = one.score - 0.5 > Math.max(NOTABLE, 2 * one.standardError);
          return (
            <View role="listitem" key={one.group} style={[styles.line, { borderTopColor: palette.hairline }]}>
              <Door path="/people/sites" narrowed={{ [by]: one.group }} style={styles.name}>
                <Words kind={isOff ? 'strong' : 'body'} style={{ color: palette.action }}>
                  {one.group}
                </Words>
              </Door>
              <ScaleStrip score={one.score} spread={one.unsteadiness} isOff={isOff} width={WIDTH} />
              <View style={styles.words}>
                <Words kind={isOff ? 'strong' : 'body'}>{scoreWords(one)}</Words>
                <Words kind="small">
                  {`${steadyWords(one)} · ${counted(one.attempts, 'attempt')} by ${counted(one.people, 'person', 'people')} · ${overWords(one.overMs)}`}
                </Words>
              </View>
            </View>
          );
        })}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  gap: { gap: SPACE.xs, marginTop: SPACE.m },
  line: {
    borderTopWidth: 1,
    paddingVertical: SPACE.xs,
    columnGap: SPACE.m,
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
  },
  name: { width: 130, minHeight: TOUCH, justifyContent: 'center' },
  words: { flexGrow: 1, flexBasis: 260, gap: 2 },
});
