import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { clock, percent } from '@/look/format';
import { usePalette } from '@/look/look';
import { useMomentOn } from './moment';
import { Level, Plot, Upright, ValueLines, type ValueScale } from './plot';

/** A share of the harm with its range; null while nothing tells. */
export interface Left {
  share: number | null;
  low: number | null;
  high: number | null;
}

export type Props = {
  name: string;
  label: string;
  /** what was told after each step */
  course: readonly Left[];
  fromMs: number;
  stepMs: number;
  /** below this share it is back to normal */
  normalBelow: number;
};

const HEIGHT = 150;
/** More than all of it is drawn up to here. */
const HIGHEST = 1.2;
const clipped = (value: number) => Math.min(HIGHEST, Math.max(0, value));

/** How much of the harm goes on after a fix, as it was told after each step: the range closes in on the line. */
export function RemainingChart({ name, label, course, fromMs, stepMs, normalBelow }: Props) {
  const y = scaleLinear([0, HIGHEST], [HEIGHT - 2, 4]);
  const toMs = fromMs + Math.max(1, course.length) * stepMs;
  const shown = (value: number | null) => (value === null ? 'not known' : percent(Math.max(0, value)));
  return (
    <Plot
      name={name}
      figures={() => ({
        heads: ['Up to', 'Goes on', 'From', 'To'],
        rows: course.map((one, i) => [
          clock(fromMs + (i + 1) * stepMs, toMs),
          shown(one.share),
          shown(one.low),
          shown(one.high),
        ]),
      })}
      y={y}
      height={HEIGHT}
      format={percent}
      ticks={[0, 0.5, 1]}
      fromMs={fromMs}
      toMs={toMs}
      hasOwnMarks
    >
      {(width) => <Drawing {...{ label, course, fromMs, stepMs, toMs, width, y, normalBelow }} />}
    </Plot>
  );
}

function Drawing({
  label,
  course,
  fromMs,
  stepMs,
  toMs,
  width,
  y,
  normalBelow,
}: Omit<Props, 'name'> & { toMs: number; width: number; y: ValueScale }) {
  const palette = usePalette();
  const { x: momentX, handlers } = useMomentOn(fromMs, toMs, width);
  const known = course.flatMap(({ share, low, high }, i) =>
    share === null || low === null || high === null
      ? []
      : [{ x: (((i + 1) * stepMs) / (toMs - fromMs)) * width, share, low, high }],
  );
  type Point = (typeof known)[number];
  const at = (value: number) => y(clipped(value));
  const range = area<Point>()
    .x((p) => p.x)
    .y0((p) => at(p.low))
    .y1((p) => at(p.high));
  const told = line<Point>()
    .x((p) => p.x)
    .y((p) => at(p.share));
  return (
    <View role="img" aria-label={label} {...handlers}>
      <Svg width={width} height={HEIGHT}>
        <ValueLines y={y} height={HEIGHT} width={width} />
        <Path d={range(known) ?? ''} fill={palette.band} />
        <Level y={y(normalBelow)} width={width} stroke={palette.action} strokeDasharray="3 3" strokeWidth={1.5} />
        <Path d={told(known) ?? ''} fill="none" stroke={palette.ink} strokeWidth={1.6} strokeLinecap="round" />
        {momentX !== undefined && <Upright x={momentX} height={HEIGHT} stroke={palette.ink} />}
      </Svg>
    </View>
  );
}
