import { rateVital, VITAL_LIMITS, type Vital } from '@toplens/core/pages';
import { scaleLinear } from 'd3-scale';
import { StyleSheet, View } from 'react-native';
import Svg, { Circle, Polyline } from 'react-native-svg';
import { clock } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { useMomentOn, useStepAtMoment } from './moment';
import { Level, Plot, Upright, type ValueScale } from './plot';

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
export function VitalTrend(props: Props) {
  const { vital, startMs, stepMs, values, format } = props;
  const endMs = startMs + values.length * stepMs;
  const known = values.filter((value) => value !== null);
  // The first limit is always in view, so that good looks good.
  const top = Math.max(VITAL_LIMITS[vital][0] * 1.15, ...known) || 1;
  const y = scaleLinear([0, top], [HEIGHT - 2, 4]);
  const at = useStepAtMoment({ startMs, stepMs, n: values.length });
  const shown = values[at];
  return (
    <View>
      <Plot
        name={props.name}
        figures={() => ({
          heads: ['From', '75th percentile'],
          rows: values.map((value, i) => [
            clock(startMs + i * stepMs, endMs),
            value === null ? 'too few views' : format(value),
          ]),
        })}
        y={y}
        height={HEIGHT}
        format={format}
        ticks={limitsUpTo(vital, top)}
        fromMs={startMs}
        toMs={endMs}
      >
        {(width) => <Trend {...props} top={top} y={y} width={width} isShown={at >= 0} />}
      </Plot>
      <Words kind="small" style={styles.at}>
        {at < 0 ? ' ' : `${clock(startMs + at * stepMs, endMs)}  ${shown == null ? 'too few views' : format(shown)}`}
      </Words>
    </View>
  );
}

const limitsUpTo = (vital: Vital, top: number): number[] => VITAL_LIMITS[vital].filter((limit) => limit <= top);

type TrendProps = Props & { top: number; y: ValueScale; width: number; isShown: boolean };

function Trend({ vital, name, startMs, stepMs, values, format, top, y, width, isShown }: TrendProps) {
  const palette = usePalette();
  const { x, handlers } = useMomentOn(startMs, startMs + values.length * stepMs, width);
  const middleOf = (step: number) => ((step + 0.5) / values.length) * width;
  return (
    <View role="img" aria-label={trendWords(name, values, format)} {...handlers}>
      <Svg width={width} height={HEIGHT}>
        {limitsUpTo(vital, top).map((limit) => (
          <Level y={y(limit)} width={width} key={limit} stroke={palette.muted} strokeDasharray="1 3" />
        ))}
        {stretchesOf(values).map((stretch) => (
          <Polyline
            key={stretch[0]?.[0]}
            points={stretch.map(([i, value]) => `${middleOf(i).toFixed(1)},${y(value).toFixed(1)}`).join(' ')}
            fill="none"
            stroke={palette.ink}
            strokeWidth={1.5}
            strokeLinecap="round"
          />
        ))}
        {values.map((value, i) =>
          value !== null && rateVital(vital, value) !== 'good' ? (
            <Circle
              key={i}
              cx={middleOf(i)}
              cy={y(value)}
              r={2.2}
              fill={rateVital(vital, value) === 'poor' ? palette.harm[3] : palette.harm[2]}
            />
          ) : null,
        )}
        {isShown && <Upright x={x} height={HEIGHT} stroke={palette.ink} />}
        <Level y={HEIGHT - 0.5} width={width} stroke={palette.muted} />
      </Svg>
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
