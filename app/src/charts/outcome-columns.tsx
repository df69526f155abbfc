import { useId, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import Svg, { Line, Rect } from 'react-native-svg';
import { clock, count } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { timeTicks } from './band-shape';
import { fillOf, OUTCOME_WORDS, OutcomePatterns } from './patterns';

const STACK = ['onTime', 'late', 'hung', 'failed'] as const;
type Stacked = (typeof STACK)[number];

export type Props = {
  startMs: number;
  stepMs: number;
  counts: Record<Stacked, readonly number[]>;
};

const HEIGHT = 110;

/** What became of the attempts over time, stacked: worst at the bottom, where the eye compares best. Series can be hidden. */
export function OutcomeColumns({ startMs, stepMs, counts }: Props) {
  const palette = usePalette();
  const id = useId();
  const [width, setWidth] = useState(320);
  const [hidden, setHidden] = useState<ReadonlySet<Stacked>>(new Set());
  const n = counts.onTime.length;
  const shown = [...STACK].reverse().filter((outcome) => !hidden.has(outcome));
  const total = (i: number) => shown.reduce((sum, outcome) => sum + (counts[outcome][i] ?? 0), 0);
  // With a series hidden the axis is scaled anew, so that small ones can be seen.
  const top = Math.max(1, ...Array.from({ length: n }, (_, i) => total(i)));
  const columnWidth = width / Math.max(1, n);
  const endMs = startMs + n * stepMs;
  const sums = Object.fromEntries(STACK.map((outcome) => [outcome, counts[outcome].reduce((sum, one) => sum + one, 0)])) as Record<Stacked, number>;
  const toggle = (outcome: Stacked) => {
    const next = new Set(hidden);
    if (!next.delete(outcome)) next.add(outcome);
    setHidden(next);
  };
  return (
    <View onLayout={({ nativeEvent }) => setWidth(Math.max(120, nativeEvent.layout.width))}>
      <View role="img" aria-label={`Attempts over time: ${STACK.map((outcome) => `${count(sums[outcome])} ${OUTCOME_WORDS[outcome]}`).join(', ')}`}>
        <Svg width={width} height={HEIGHT}>
          <OutcomePatterns id={id} palette={palette} />
          {Array.from({ length: n }, (_, i) => {
            let y = HEIGHT - 1;
            return shown.map((outcome) => {
              const height = ((counts[outcome][i] ?? 0) / top) * (HEIGHT - 4);
              y -= height;
              return height > 0 ? (
                <Rect
                  key={`${i}-${outcome}`}
                  x={i * columnWidth + 0.5}
                  y={y}
                  width={Math.max(1, columnWidth - 1)}
                  height={height}
                  fill={fillOf(outcome, palette, id)}
                  {...(outcome === 'onTime' && { stroke: palette.hairline, strokeWidth: 0.7 })}
                />
              ) : null;
            });
          })}
          <Line x1={0} x2={width} y1={HEIGHT - 0.5} y2={HEIGHT - 0.5} stroke={palette.muted} />
        </Svg>
      </View>
      <View style={styles.axis} aria-hidden>
        {timeTicks(startMs, endMs, width > 500 ? 6 : 3).map((tick) => (
          <Words
            key={tick}
            kind="small"
            style={[styles.tick, { left: Math.min(width - 44, Math.max(0, ((tick - startMs) / (endMs - startMs)) * width - 20)) }]}
          >
            {clock(tick, endMs)}
          </Words>
        ))}
      </View>
      <View role="group" aria-label="Series" style={styles.legend}>
        {STACK.map((outcome) => (
          <Pressable key={outcome} role="switch" aria-checked={!hidden.has(outcome)} onPress={() => toggle(outcome)} style={styles.key}>
            <Svg width={14} height={14}>
              <OutcomePatterns id={`${id}-${outcome}`} palette={palette} />
              <Rect x={1} y={1} width={12} height={12} fill={fillOf(outcome, palette, `${id}-${outcome}`)} stroke={palette.muted} />
            </Svg>
            <Words kind="small" style={hidden.has(outcome) ? styles.off : { color: palette.ink }}>{`${OUTCOME_WORDS[outcome]} ${count(sums[outcome])}`}</Words>
          </Pressable>
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  axis: { height: 20 },
  tick: { position: 'absolute', top: 2 },
  legend: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.m },
  key: { flexDirection: 'row', alignItems: 'center', gap: SPACE.xs, minHeight: 36 },
  off: { textDecorationLine: 'line-through' },
});
