import { Pressable, StyleSheet, type GestureResponderEvent } from 'react-native';
import Svg, { Line } from 'react-native-svg';
import { usePalette } from '@/look/look';
import { SPACE } from '@/look/tokens';
import type { AttemptRow } from './rows';

const HEIGHT = 64;

/**
 * A long attempt at a glance: every so manieth row as a line. Pressing it goes there; the list itself serves the
 * keyboard.
 */
export function Overview({
  rows,
  wholeUs,
  width,
  onGo,
}: {
  rows: readonly AttemptRow[];
  wholeUs: number;
  width: number;
  onGo: (index: number) => void;
}) {
  const palette = usePalette();
  const x = (us: number) => (Math.max(0, Math.min(wholeUs, us)) / wholeUs) * width;
  const lines = Math.min(rows.length, HEIGHT);
  const go = ({ nativeEvent }: GestureResponderEvent) =>
    onGo(Math.min(rows.length - 1, Math.max(0, Math.floor((nativeEvent.locationY / HEIGHT) * rows.length))));
  return (
    <Pressable aria-hidden tabIndex={-1} onPress={go} style={[styles.strip, { borderColor: palette.hairline }]}>
      <Svg width={width} height={HEIGHT}>
        {Array.from({ length: lines }, (_, i) => {
          const from = Math.floor((i * rows.length) / lines);
          const some = rows.slice(from, Math.max(from + 1, Math.floor(((i + 1) * rows.length) / lines)));
          const worst = some.find(({ failure }) => failure !== '');
          const row = worst ?? some[0];
          if (!row) return null;
          const y = ((i + 0.5) * HEIGHT) / lines;
          const to = Math.max(x(row.fromUs + row.durationUs), x(row.fromUs) + 1);
          return (
            <Line
              key={i}
              x1={x(row.fromUs)}
              x2={to}
              y1={y}
              y2={y}
              stroke={worst ? palette.harm[3] : palette.muted}
              strokeWidth={1}
            />
          );
        })}
      </Svg>
    </Pressable>
  );
}

const styles = StyleSheet.create({ strip: { borderWidth: 1, marginHorizontal: SPACE.l } });
