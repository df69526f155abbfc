import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import Svg, { Rect } from 'react-native-svg';
import { percent } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { rowWords, spanWords, type AttemptRow } from './rows';

export const ROW_HEIGHT = 48;
const BAR = 9;
/** More own parts than that melt into one another. */
const MOST_PARTS = 40;
const INDENT = 10;

export type Props = {
  row: AttemptRow;
  wholeUs: number;
  width: number;
  /** it holds most of the attempt */
  isHeaviest: boolean;
  onPress: (row: AttemptRow) => void;
};

/**
 * One span: what it did, how long and for which share of the attempt, over its place in it. Own work is solid, waiting
 * for others outlined.
 */
export const SpanRow = memo(function SpanRow({ row, wholeUs, width, isHeaviest, onPress }: Props) {
  const palette = usePalette();
  const { what, where } = rowWords(row);
  const tone = row.failure ? palette.harm[3] : isHeaviest ? palette.harm[2] : palette.muted;
  const x = (us: number) => (Math.max(0, Math.min(wholeUs, us)) / wholeUs) * width;
  const parts = row.own.length / 2 <= MOST_PARTS ? row.own : [row.fromUs, row.fromUs + row.durationUs];
  const share = wholeUs > 0 ? row.shareUs / wholeUs : 0;
  return (
    <Pressable role="button" onPress={() => onPress(row)} style={styles.row} testID={`span-${row.id}`}>
      <View style={[styles.words, { paddingLeft: Math.min(row.depth, 9) * INDENT }]}>
        <Words numberOfLines={1} style={styles.what}>
          <Words kind={isHeaviest || row.failure ? 'strong' : 'body'}>{what}</Words>
          <Words kind="small">{`  ${where}${row.failure ? ` · ${row.failure}` : ''}`}</Words>
        </Words>
        <Words kind="small">{`${spanWords(row.calls > 1 ? row.callsSumUs : row.durationUs)} · ${percent(share)}`}</Words>
      </View>
      <Svg width={width} height={BAR} aria-hidden>
        <Rect
          x={x(row.fromUs)}
          y={0.5}
          width={Math.max(1.5, x(row.fromUs + row.durationUs) - x(row.fromUs))}
          height={BAR - 1}
          fill={palette.surface}
          stroke={tone}
          strokeWidth={0.8}
          strokeDasharray={row.isMissing ? '3 2' : undefined}
        />
        {!row.isMissing &&
          Array.from({ length: parts.length / 2 }, (_, i) => {
            const [from, to] = [x(parts[2 * i] as number), x(parts[2 * i + 1] as number)];
            return <Rect key={i} x={from} y={0.5} width={Math.max(0.8, to - from)} height={BAR - 1} fill={tone} />;
          })}
      </Svg>
    </Pressable>
  );
});

const styles = StyleSheet.create({
  row: { height: ROW_HEIGHT, justifyContent: 'center', gap: 3, paddingHorizontal: SPACE.l },
  words: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.s },
  what: { flex: 1 },
});
