import { scaleLinear } from 'd3-scale';
import { View } from 'react-native';
import Svg, { Rect } from 'react-native-svg';
import { usePalette } from '@/look/look';
import { useMomentOn } from './moment';
import { Plot, Upright, ValueLines, type ValueScale } from './plot';
import type { Figures } from './chart-menu';

export interface Lane {
  name: string;
  bars: { atMs: number; durationMs: number; isBad: boolean }[];
}

export type Props = {
  name: string;
  lanes: readonly Lane[];
  window: { fromMs: number; toMs: number };
  figures: () => Figures;
  /** the whole in words, for those who do not see it */
  label: string;
};

const LANE = 24;
/** What lasts no time is seen all the same. */
const NARROWEST = 3;

/** What happened in a session, one kind below the other, on one clock. */
export function SessionLanes({ name, lanes, window, figures, label }: Props) {
  const height = lanes.length * LANE;
  const y = scaleLinear([0, lanes.length], [0, height]);
  const middles = lanes.map((_, i) => i + 0.5);
  return (
    <Plot
      name={name}
      figures={figures}
      y={y}
      height={height}
      ticks={middles}
      format={(value) => lanes[Math.floor(value)]?.name ?? ''}
      fromMs={window.fromMs}
      toMs={window.toMs}
    >
      {(width) => <Bars {...{ lanes, window, label, y, width, height, middles }} />}
    </Plot>
  );
}

function Bars({
  lanes,
  window,
  label,
  y,
  width,
  height,
  middles,
}: Pick<Props, 'lanes' | 'window' | 'label'> & {
  y: ValueScale;
  width: number;
  height: number;
  middles: readonly number[];
}) {
  const palette = usePalette();
  const moment = useMomentOn(window.fromMs, window.toMs, width);
  const x = scaleLinear([window.fromMs, Math.max(window.toMs, window.fromMs + 1)], [0, width - NARROWEST]);
  return (
    <View {...moment.handlers}>
      <Svg width={width} height={height} role="img" aria-label={label}>
        <ValueLines y={y} height={height} ticks={middles} width={width} />
        {lanes.flatMap(({ name, bars }, lane) =>
          bars.map(({ atMs, durationMs, isBad }, i) => (
            <Rect
              key={`${name} ${i}`}
              x={x(atMs)}
              y={lane * LANE + 4}
              width={Math.max(NARROWEST, x(atMs + durationMs) - x(atMs))}
              height={LANE - 8}
              fill={isBad ? palette.harm[3] : palette.muted}
            />
          )),
        )}
        {moment.atMs !== undefined && <Upright x={moment.x} height={height} stroke={palette.ink} />}
      </Svg>
    </View>
  );
}
