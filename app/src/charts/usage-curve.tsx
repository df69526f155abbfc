import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { StyleSheet, View } from 'react-native';
import Svg, { Circle, Path } from 'react-native-svg';
import { clockSeconds } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { useMomentOn, useMomentWithin } from './moment';
import { Level, Plot, Upright, ValueLines, type ValueScale } from './plot';

export interface UsagePoint {
  atMs: number;
  value: number;
}

/** A series of equal steps as points; nothing stands where nothing is known. */
export const pointsOf = (
  { startMs, stepMs }: { startMs: number; stepMs: number },
  values: readonly (number | null)[],
): UsagePoint[] => values.flatMap((value, i) => (value === null ? [] : [{ atMs: startMs + i * stepMs, value }]));

export type Props = {
  name: string;
  points: readonly UsagePoint[];
  /** upper end of the axis at least */
  least: number;
  format: (value: number) => string;
  window: { fromMs: number; toMs: number };
};

const HEIGHT = 56;

/** One figure that is told now and then, on the clock of its session. */
export function UsageCurve({ name, points, least, format, window }: Props) {
  const inside = points.filter(({ atMs }) => atMs >= window.fromMs && atMs <= window.toMs);
  const y = scaleLinear([0, Math.max(least, ...inside.map(({ value }) => value)) * 1.05], [HEIGHT - 2, 2]);
  const atMs = useMomentWithin(window.fromMs, window.toMs);
  // Before the first it was not told: the newest would be another moment's.
  const shown = atMs === undefined ? inside.at(-1) : inside.findLast((point) => point.atMs <= atMs);
  return (
    <View>
      <View style={styles.head}>
        <Words kind="muted">{name}</Words>
        <Words kind="strong">{shown ? format(shown.value) : 'not told'}</Words>
      </View>
      <Plot
        name={name}
        figures={() => ({
          heads: ['At', name],
          rows: inside.map((point) => [clockSeconds(point.atMs, window.toMs), format(point.value)]),
        })}
        y={y}
        height={HEIGHT}
        format={format}
        fromMs={window.fromMs}
        toMs={window.toMs}
      >
        {(width) => <Curve {...{ points: inside, window, y, width, label: labelOf(name, inside, format) }} />}
      </Plot>
    </View>
  );
}

function labelOf(name: string, points: readonly UsagePoint[], format: Props['format']): string {
  if (points.length === 0) return `${name}: not told`;
  const values = points.map(({ value }) => value);
  return `${name}: from ${format(Math.min(...values))} to ${format(Math.max(...values))}`;
}

function Curve({
  points,
  window,
  y,
  width,
  label,
}: Pick<Props, 'points' | 'window'> & { y: ValueScale; width: number; label: string }) {
  const palette = usePalette();
  const moment = useMomentOn(window.fromMs, window.toMs, width);
  const x = scaleLinear([window.fromMs, Math.max(window.toMs, window.fromMs + 1)], [0, width]);
  const path = line<UsagePoint>()
    .x(({ atMs }) => x(atMs))
    .y(({ value }) => y(value))([...points]);
  return (
    <View {...moment.handlers}>
      <Svg width={width} height={HEIGHT} role="img" aria-label={label}>
        <ValueLines y={y} height={HEIGHT} width={width} />
        <Level y={HEIGHT - 2} width={width} stroke={palette.muted} />
        <Path d={path ?? ''} fill="none" stroke={palette.ink} strokeWidth={1.4} />
        {points.map(({ atMs, value }) => (
          <Circle key={atMs} cx={x(atMs)} cy={y(value)} r={1.8} fill={palette.ink} />
        ))}
        {moment.atMs !== undefined && <Upright x={moment.x} height={HEIGHT} stroke={palette.ink} />}
      </Svg>
    </View>
  );
}

const styles = StyleSheet.create({ head: { flexDirection: 'row', justifyContent: 'space-between' } });
