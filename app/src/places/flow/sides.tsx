import { DIMENSION_WORDS } from '@toplens/core/telemetry';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import Svg, { Line, Rect } from 'react-native-svg';
import type { FlowPage, Schemas } from '@/data/client';
import { Strip } from '@/frame/strip';
import { useView, type Dimension } from '@/frame/view';
import { count, durationWords, percent } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';

type Side = Schemas['Side'];

const BAR = 84;

/** Hosts, sites, versions … side by side on one scale where all together are the middle; the odd one stands out. */
export function Sides({ page }: { page: FlowPage }) {
  const palette = usePalette();
  const { view, setView } = useView();
  const [chosen, setChosen] = useState<Dimension | undefined>();
  const shown =
    page.sides.find(({ dimension }) => dimension === chosen) ??
    page.sides.find(({ sides }) => sides.some(({ isOdd }) => isOdd)) ??
    page.sides[0];
  if (!shown) return null;
  return (
    <View style={styles.box}>
      <Words kind="section" level={2}>
        Side by side
      </Words>
      <Strip
        label="Side by side"
        options={page.sides.map(({ dimension, sides }) => ({
          value: dimension,
          words: `${DIMENSION_WORDS[dimension]}${sides.some(({ isOdd }) => isOdd) ? ' !' : ''}`,
        }))}
        chosen={shown.dimension}
        onChoose={setChosen}
      />
      <View role="list">
        {shown.sides.map((side) => (
          <View role="listitem" key={side.value}>
            <Pressable
              role="button"
              onPress={() => setView({ ...view, [shown.dimension]: side.value })}
              style={[styles.row, { borderBottomColor: palette.hairline }]}
            >
              <View style={styles.words}>
                <Words kind={side.isOdd ? 'strong' : 'body'}>{side.value}</Words>
                <Words kind="small">{`${count(side.attempts)} attempts · ${percent(side.badShare)} not on time`}</Words>
              </View>
              <RiditBar side={side} />
              <View style={styles.figures}>
                <Words kind={side.isOdd ? 'strong' : 'body'}>
                  {side.medianMs === null ? '–' : durationWords(side.medianMs)}
                </Words>
                <Words kind="small">{side.p95Ms === null ? '' : `95th ${durationWords(side.p95Ms)}`}</Words>
              </View>
            </Pressable>
          </View>
        ))}
      </View>
      <Words kind="small">Bar: how often an attempt here is slower than one of all; the line is the norm.</Words>
    </View>
  );
}

/** What the bar shows, for those who do not see it. */
export const riditWords = ({ ridit, isOdd }: Pick<Side, 'ridit' | 'isOdd'>): string =>
  `${ridit === null ? 'too few to compare' : `slower than one of all in ${percent(ridit)} of pairs`}${isOdd ? ', stands out' : ''}`;

function RiditBar({ side }: { side: Side }) {
  const palette = usePalette();
  const off = (side.ridit ?? 0.5) - 0.5;
  const middle = BAR / 2;
  return (
    <View role="img" aria-label={riditWords(side)}>
      <Svg width={BAR} height={16} aria-hidden>
        <Rect
          x={off >= 0 ? middle : middle + off * BAR}
          y={2}
          width={Math.max(1, Math.abs(off) * BAR)}
          height={12}
          fill={side.isOdd && off > 0 ? palette.harm[2] : palette.harm[0]}
        />
        <Line x1={middle} x2={middle} y1={0} y2={16} stroke={palette.ink} />
      </Svg>
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: SPACE.xs },
  row: { flexDirection: 'row', alignItems: 'center', gap: SPACE.m, minHeight: TOUCH, borderBottomWidth: 1 },
  words: { flex: 1, minWidth: 0 },
  figures: { width: 96, alignItems: 'flex-end' },
});
