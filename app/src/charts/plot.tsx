import { useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import { StyleSheet, View, type LayoutChangeEvent } from 'react-native';
import { Line, type LineProps } from 'react-native-svg';
import { clock, clockWithSeconds, dateWords, isMidnight } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { timeTicks } from './band-shape';
import { chartSvg, type AxisMark } from './chart-file';
import { ChartMenu, type Figures } from './chart-menu';
import { GUTTER } from './chart-sizes';
import { useMarks, useTimeAxis, type TimeRange } from './moment';

/** From values to points from the top; a scale of d3. */
export type ValueScale = ((value: number) => number) & { ticks: (most?: number) => number[] };

const LABEL_HEIGHT = 18;
const WIDE_FROM = 500;
/** Where nothing can be measured: tests without a layout. */
const UNMEASURED_WIDTH = 320;

/**
 * The width of a View before it is drawn for the first time, and after each change: a drawing has no other width than
 * its own.
 */
export function useMeasuredWidth() {
  const ref = useRef<View>(null);
  const [width, setWidth] = useState<number>();
  useLayoutEffect(() => {
    const box = (ref.current as unknown as HTMLElement | null)?.getBoundingClientRect?.();
    setWidth((known) => known ?? (box?.width || UNMEASURED_WIDTH));
  }, []);
  const onLayout = ({ nativeEvent }: LayoutChangeEvent) => setWidth(Math.max(1, nativeEvent.layout.width));
  return { width, ref, onLayout };
}

export type PlotProps = {
  /** what is drawn, for its figures and files */
  name: string;
  figures: () => Figures;
  y: ValueScale;
  height: number;
  /** values of the axis, with their unit */
  format: (value: number) => string;
  /** where the axis is marked; round values when left out */
  ticks?: readonly number[];
  fromMs: number;
  toMs: number;
  /** it draws the releases and changes of the page itself */
  hasOwnMarks?: boolean;
  children: (width: number) => ReactNode;
};

/** A drawing between its value axis and its time axis. */
export function Plot({
  name,
  figures,
  y,
  height,
  format,
  ticks = valueTicks(y, height),
  fromMs,
  toMs,
  hasOwnMarks = false,
  children,
}: PlotProps) {
  const { width, ref, onLayout } = useMeasuredWidth();
  const palette = usePalette();
  const axis = useTimeAxis({ fromMs, toMs });
  const times = timeMarks(axis, width);
  // A chart of less time than the page's axis stands in its own part of it.
  const x = (timeMs: number) => ((timeMs - axis.fromMs) / Math.max(1, axis.toMs - axis.fromMs)) * (width ?? 0);
  const own = Math.max(1, x(toMs) - x(fromMs));
  const onPage = useMarks();
  const marks = hasOwnMarks ? [] : onPage.filter(({ atMs }) => atMs >= fromMs && atMs <= toMs);
  const svg = () => {
    const drawing = (ref.current as unknown as HTMLElement | null)?.querySelector('svg');
    return drawing && width !== undefined
      ? chartSvg({
          title: name,
          svg: new XMLSerializer().serializeToString(drawing),
          width: own,
          height,
          values: ticks.map((tick) => ({ at: y(tick), words: format(tick) })),
          times: timeMarks({ fromMs, toMs }, own),
          ink: palette.ink,
          paper: palette.paper,
        })
      : undefined;
  };
  return (
    <View style={styles.row}>
      <View style={{ width: GUTTER }}>
        <View style={{ height }} aria-hidden>
          {ticks.map((tick) => (
            <Words key={tick} kind="small" numberOfLines={1} style={[styles.value, { top: labelTop(y(tick), height) }]}>
              {format(tick)}
            </Words>
          ))}
        </View>
        <ChartMenu name={name} figures={figures} svg={svg} />
      </View>
      <View ref={ref} style={styles.drawing} onLayout={onLayout}>
        {/* A last step that goes beyond the page's axis is cut where the axis ends. */}
        <View style={[styles.own, { height, width: Math.min(own, (width ?? own) - x(fromMs)), marginLeft: x(fromMs) }]}>
          {width !== undefined && children(own)}
        </View>
        {marks.map(({ atMs }) => (
          <View key={atMs} aria-hidden style={[styles.mark, { left: x(atMs), height, borderColor: palette.muted }]} />
        ))}
        <TimeAxis marks={times} width={width ?? 0} />
      </View>
    </View>
  );
}

/** A line across a drawing, at a height: the zero, a limit. */
export const Level = ({ y, width, ...look }: { y: number; width: number } & LineProps) => (
  <Line strokeWidth={1} {...look} x1={0} x2={width} y1={y} y2={y} />
);

/** A line from top to bottom of a drawing, at a time: the onset, a release, the shared moment. */
export const Upright = ({ x, height, ...look }: { x: number; height: number } & LineProps) => (
  <Line strokeWidth={1} {...look} x1={x} x2={x} y1={0} y2={height} />
);

/** Thin lines at the values of the axis; inside the drawing, below everything else. */
export function ValueLines({
  y,
  height,
  ticks = valueTicks(y, height),
  width,
}: {
  y: ValueScale;
  height: number;
  ticks?: readonly number[];
  width: number;
}) {
  const palette = usePalette();
  return ticks.map((tick) => <Level key={tick} y={y(tick)} width={width} stroke={palette.hairline} />);
}

/** Few round values: two in a low drawing, three or four in a high one. */
export const valueTicks = (y: ValueScale, height: number): number[] => y.ticks(height < 80 ? 2 : 3);

/** Beside its line, and never outside the drawing. */
const labelTop = (lineY: number, height: number): number =>
  Math.min(height - LABEL_HEIGHT + 4, Math.max(-4, lineY - LABEL_HEIGHT / 2));

/** Round clock times under a drawing that is so wide. */
function timeMarks({ fromMs, toMs }: TimeRange, width: number | undefined): AxisMark[] {
  const ticks = width === undefined ? [] : timeTicks(fromMs, toMs, width > WIDE_FROM ? 6 : 3);
  const clockOf = ticks.some((tick) => tick % 60_000 !== 0) ? clockWithSeconds : clock;
  // Over days each mark is a midnight: its hour says nothing.
  const words = ticks.length > 1 && ticks.every(isMidnight) ? dateWords : (tick: number) => clockOf(tick, toMs);
  return ticks.map((tick) => ({ at: ((tick - fromMs) / (toMs - fromMs)) * (width ?? 0), words: words(tick) }));
}

/** The words of the drawing say the same to those who do not see it. */
const TimeAxis = ({ marks, width }: { marks: readonly AxisMark[]; width: number }) => (
  <View style={styles.times} aria-hidden>
    {marks.map(({ at, words }) => (
      <Words key={at} kind="small" style={[styles.time, { left: Math.min(width - 44, Math.max(0, at - 20)) }]}>
        {words}
      </Words>
    ))}
  </View>
);

const styles = StyleSheet.create({
  row: { flexDirection: 'row' },
  drawing: { flex: 1, minWidth: 0 },
  own: { overflow: 'hidden' },
  value: { position: 'absolute', right: 6, textAlign: 'right' },
  mark: { position: 'absolute', top: 0, width: 0, borderLeftWidth: 1, borderStyle: 'dotted', pointerEvents: 'none' },
  times: { height: 24 },
  time: { position: 'absolute', top: 2 },
});
