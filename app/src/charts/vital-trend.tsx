import { rateVital, VITAL_LIMITS, type Vital } from '@toplens/core/pages';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Circle, Line, Polyline } from 'react-native-svg';
import { clock } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { useMomentOn } from './moment';

export type Props = {
  vital: Vital;
  name: string;
  startMs: number;
  stepMs: number;
  /** null: too few views to say */
  values: readonly (number | null)[];
  format: (value: number) => string;
};

const HEIGHT = 44;

/**
 * 75th percentile over time with its published limits, dotted: above the first it needs improvement, above the second
 * it is poor.
 */
export function VitalTrend({ vital, name, startMs, stepMs, values, format }: Props) {
  const palette = usePalette();
  const [width, setWidth] = useState(160);
  const endMs = startMs + values.length * stepMs;
  const { atMs, x, handlers } = useMomentOn(startMs, endMs, width);
  const known = values.filter((value) => value !== null);
  const limits = VITAL_LIMITS[vital];
  // The first limit is always in view, so that good looks good.
  const top = Math.max(limits[0] * 1.15, ...known) || 1;
  const y = (value: number) => HEIGHT - 2 - (value / top) * (HEIGHT - 6);
  const at = atMs === undefined ? -1 : Math.min(values.length - 1, Math.floor((atMs - startMs) / stepMs));
  const shown = values[at];
  return (
    <View onLayout={({ nativeEvent }) => setWidth(Math.max(80, nativeEvent.layout.width))}>
      <View role="img" aria-label={trendWords(name, values, format)} {...handlers}>
        <Svg width={width} height={HEIGHT}>
          {limits
            .filter((limit) => limit <= top)
            .map((limit) => (
              <Line
                key={limit}
                x1={0}
                x2={width}
                y1={y(limit)}
                y2={y(limit)}
                stroke={palette.muted}
                strokeWidth={1}
                strokeDasharray="1 3"
              />
            ))}
          {stretchesOf(values).map((stretch) => (
            <Polyline
              key={stretch[0]?.[0]}
              points={stretch
                .map(([i, value]) => `${(((i + 0.5) / values.length) * width).toFixed(1)},${y(value).toFixed(1)}`)
                .join(' ')}
              fill="none"
              stroke={palette.ink}
              strokeWidth={1.5}
            />
          ))}
          {values.map((value, i) =>
            value !== null && rateVital(vital, value) !== 'good' ? (
              <Circle
                key={i}
                cx={((i + 0.5) / values.length) * width}
                cy={y(value)}
                r={2.2}
                fill={rateVital(vital, value) === 'poor' ? palette.harm[3] : palette.harm[2]}
              />
            ) : null,
          )}
          {at >= 0 && <Line x1={x} x2={x} y1={0} y2={HEIGHT} stroke={palette.ink} strokeWidth={1} />}
        </Svg>
      </View>
      <Words kind="small" style={styles.at}>
        {at < 0 ? ' ' : `${clock(startMs + at * stepMs, endMs)}  ${shown == null ? 'too few views' : format(shown)}`}
      </Words>
    </View>
  );
}

/** Runs of known values with their places. */
function stretchesOf(values: readonly (number | null)[]): [number, number][][] {
  const stretches: [number, number][][] = [];
  let current: [number, number][] | undefined;
  values.forEach((value, i) => {
    if (value === null) current = undefined;
    else if (current) current.push([i, value]);
    else stretches.push((current = [[i, value]]));
  });
  return stretches;
}

/** The curve in words, for those who do not see it. */
export function trendWords(
  name: string,
  values: readonly (number | null)[],
  format: (value: number) => string,
): string {
  const known = values.filter((value) => value !== null);
  const last = known.at(-1);
  if (last === undefined) return `${name}: no data`;
  return `${name}: from ${format(Math.min(...known))} to ${format(Math.max(...known))}, last ${format(last)}`;
}

const styles = StyleSheet.create({ at: { minHeight: 18, paddingTop: SPACE.xs / 2 } });
