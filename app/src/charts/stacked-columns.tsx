import { scaleLinear } from 'd3-scale';
import type { ReactNode } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import Svg, { Rect } from 'react-native-svg';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { clock } from '@/look/format';
import { useHiddenSeries } from './hidden-series';
import { useMoment, useMomentOn, useStepAtMoment } from './moment';
import { Level, Plot, Upright, ValueLines, type ValueScale } from './plot';

export interface StackedSeries {
  key: string;
  /** name and sum or mean, as it stands in the legend */
  words: string;
  /** name and value of a step, in place of them while somebody points at a moment */
  wordsAt: (step: number) => string;
  values: readonly number[];
  fill: string;
  isOutlined?: boolean;
  /** what `fill` of the legend's swatch needs */
  swatch?: { fill: string; defs: ReactNode };
}

export type Props = {
  name: string;
  startMs: number;
  stepMs: number;
  /** as they stand in the legend; drawn from the last at the bottom to the first on top */
  series: readonly StackedSeries[];
  /** values of the axis, with their unit */
  format: (value: number) => string;
  /** the whole in words, for those who do not see it */
  label: string;
  /** patterns that the fills need */
  defs?: ReactNode;
  /** a column that is pressed opens what it is made of */
  onOpen?: (step: number) => void;
};

const HEIGHT = 110;

/** Columns over time, stacked. Series can be hidden: the axis is scaled anew, so that small ones can be seen. */
export function StackedColumns({ name, startMs, stepMs, series, format, label, defs, onOpen }: Props) {
  const palette = usePalette();
  const { isHidden, toggle } = useHiddenSeries();
  const n = series[0]?.values.length ?? 0;
  const shown = [...series].reverse().filter(({ key }) => !isHidden(key));
  const top = Math.max(
    1e-9,
    ...Array.from({ length: n }, (_, i) => shown.reduce((sum, { values }) => sum + (values[i] ?? 0), 0)),
  );
  const endMs = startMs + n * stepMs;
  const y = scaleLinear([0, top], [HEIGHT - 1, 4]);
  const step = useStepAtMoment({ startMs, stepMs, n });
  return (
    <View>
      <Plot
        name={name}
        figures={() => ({
          heads: ['From', ...series.map(({ key }) => key)],
          rows: Array.from({ length: n }, (_, i) => [
            clock(startMs + i * stepMs, endMs),
            ...series.map(({ values }) => format(values[i] ?? 0)),
          ]),
        })}
        y={y}
        height={HEIGHT}
        format={format}
        fromMs={startMs}
        toMs={endMs}
      >
        {(width) => <Columns {...{ startMs, stepMs, n, label, defs, y, width, step, onOpen }} series={shown} />}
      </Plot>
      {/* A line of its own that is always there: what lies below must not move away from under the pointer. */}
      <Words kind="small">{step >= 0 ? `${clock(startMs + step * stepMs, endMs)}:` : ' '}</Words>
      <View role="group" aria-label="Series" style={styles.legend}>
        {series.map(({ key, words, wordsAt, fill, swatch }) => (
          <Pressable
            key={key}
            role="switch"
            aria-checked={!isHidden(key)}
            onPress={() => toggle(key)}
            style={styles.key}
          >
            <Svg width={14} height={14}>
              {swatch?.defs}
              <Rect x={1} y={1} width={12} height={12} fill={swatch?.fill ?? fill} stroke={palette.muted} />
            </Svg>
            <Words kind="small" style={isHidden(key) ? styles.off : { color: palette.ink }}>
              {step >= 0 ? wordsAt(step) : words}
            </Words>
          </Pressable>
        ))}
      </View>
    </View>
  );
}

type ColumnsProps = Pick<Props, 'startMs' | 'stepMs' | 'label' | 'defs' | 'onOpen'> & {
  /** from the bottom to the top */
  series: readonly StackedSeries[];
  n: number;
  /** on which the moment rests; -1 for none */
  step: number;
  y: ValueScale;
  width: number;
};

function Columns({ startMs, stepMs, series, n, step, label, defs, y, width, onOpen }: ColumnsProps) {
  const palette = usePalette();
  const { x, handlers } = useMomentOn(startMs, startMs + n * stepMs, width);
  const { look } = useMoment();
  const doors = onOpen && openHandlers({ n, step, onOpen, width, lookAt: (i) => look(startMs + (i + 0.5) * stepMs) });
  const columnWidth = width / Math.max(1, n);
  return (
    <View role={onOpen ? 'application' : 'img'} aria-label={label} {...handlers} {...doors}>
      <Svg width={width} height={HEIGHT}>
        {defs}
        <ValueLines y={y} height={HEIGHT} width={width} />
        {Array.from({ length: n }, (_, i) => {
          let below = 0;
          return series.map(({ key, values, fill, isOutlined }) => {
            const value = values[i] ?? 0;
            below += value;
            return value > 0 ? (
              <Rect
                key={`${i}-${key}`}
                x={i * columnWidth + 0.5}
                y={y(below)}
                width={Math.max(1, columnWidth - 1)}
                height={y(below - value) - y(below)}
                fill={fill}
                {...(isOutlined && { stroke: palette.hairline, strokeWidth: 0.7 })}
              />
            ) : null;
          });
        })}
        {step >= 0 && <Upright x={x} height={HEIGHT} stroke={palette.ink} />}
        <Level y={HEIGHT - 0.5} width={width} stroke={palette.muted} />
      </Svg>
    </View>
  );
}

/** A press opens its column; arrow keys go from one to the next, Enter opens the one that is shown. */
function openHandlers({
  n,
  step,
  width,
  onOpen,
  lookAt,
}: {
  n: number;
  step: number;
  width: number;
  onOpen: (step: number) => void;
  lookAt: (step: number) => void;
}): object {
  return {
    tabIndex: 0,
    'aria-roledescription': 'columns over time; arrow keys choose one, Enter lists its attempts',
    onClick: ({ clientX, currentTarget }: MouseEvent) => {
      const part = (clientX - (currentTarget as HTMLElement).getBoundingClientRect().left) / Math.max(1, width);
      onOpen(Math.min(n - 1, Math.max(0, Math.floor(part * n))));
    },
    onKeyDown: (event: KeyboardEvent) => {
      const by = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : 0;
      if (by !== 0) {
        event.preventDefault();
        lookAt(Math.min(n - 1, Math.max(0, (step < 0 ? n : step) + by)));
      } else if (event.key === 'Enter' && step >= 0) onOpen(step);
    },
  };
}

const styles = StyleSheet.create({
  legend: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.m },
  key: { flexDirection: 'row', alignItems: 'center', gap: SPACE.xs, minHeight: 36 },
  off: { textDecorationLine: 'line-through' },
});
