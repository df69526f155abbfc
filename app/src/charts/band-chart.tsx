import { useState } from 'react';
import { StyleSheet, View, type GestureResponderEvent } from 'react-native';
import Svg, { Path, Rect } from 'react-native-svg';
import { clock } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { bandShape, type BandSeries } from './band-shape';
import { useMoment } from './moment';
import { Level, Plot, Upright, ValueLines } from './plot';
import type { Figures } from './chart-menu';

export type Props = {
  /** what is drawn, in words: "duration, median" */
  name: string;
  series: BandSeries;
  format: (value: number) => string;
  /** the window that is looked at; what lies before it is context */
  window: { fromMs: number; toMs: number };
  onsetMs: number | undefined;
  /** releases and changes on the time axis */
  marks?: readonly { atMs: number; words: string }[];
  /** of several charts with the same marks one says them in words; all draw them */
  saysMarks?: boolean;
  /** what the dashed line is: "last Tuesday" */
  comparedWith?: string | null;
  /** dragging over the chart narrows the window */
  onNarrow?: (window: { fromMs: number; toMs: number }) => void;
};

const SHORTEST_DRAG = 12;

const HEIGHT = 92;

/** What the arrow keys do, in steps of the series. */
const KEY_STEPS: Readonly<Record<string, number>> = {
  ArrowLeft: -1,
  ArrowRight: 1,
  PageUp: -6,
  PageDown: 6,
  Home: -Infinity,
  End: Infinity,
};

/** Index of the newest point that has a value; -1 without any. */
const lastKnown = (series: BandSeries) => series.values.findLastIndex((value) => value !== null);

/** One sentence for a screen reader: from what to what, and how it stands now. */
export function chartSummary({ name, series, format }: Pick<Props, 'name' | 'series' | 'format'>): string {
  const last = lastKnown(series);
  if (last < 0) return `${name}: no data`;
  const known = series.values.filter((value) => value !== null);
  const high = series.high[last];
  const low = series.low[last];
  const usual = high == null || low == null ? 'usual range not known' : `usually ${format(low)} to ${format(high)}`;
  return `${name}: from ${format(Math.min(...known))} to ${format(Math.max(...known))}, now ${format(series.values[last] as number)}, ${usual}`;
}

/**
 * A measure over its usual range; what lies outside is filled with harm. A table of the same figures is one tap away.
 */
export function BandChart({
  name,
  series,
  format,
  window,
  onsetMs,
  marks = [],
  saysMarks = true,
  comparedWith = null,
  onNarrow,
}: Props) {
  const endMs = endOf(series);
  const last = lastKnown(series);
  const inside = marks.filter(({ atMs }) => atMs >= series.startMs && atMs <= endMs);
  const moment = useMoment();
  const shown = moment.atMs === undefined ? -1 : indexAt(series, moment.atMs);
  const at = shown >= 0 ? shown : last;
  return (
    <View style={styles.chart}>
      <View style={styles.head}>
        <Words kind="muted" numberOfLines={2} style={styles.name}>
          {name}
        </Words>
        <Words kind="strong" style={styles.now} testID={`at-${name}`}>
          {`${shown >= 0 ? `${clock(series.startMs + shown * series.stepMs, endMs)}  ` : ''}${valueWords(series, at, format)}`}
        </Words>
      </View>
      <Plot
        name={name}
        figures={() => figuresOf(series, format, endMs)}
        y={bandShape(series, 1, HEIGHT).y}
        height={HEIGHT}
        format={format}
        fromMs={series.startMs}
        toMs={endMs}
        hasOwnMarks
      >
        {(width) => (
          <Drawing
            {...{ series, width, shown, at, onsetMs, window, onNarrow }}
            marks={inside}
            label={summaryWithMarks(chartSummary({ name, series, format }), inside)}
            valueText={momentWords(series, at, format, endMs)}
          />
        )}
      </Plot>
      {comparedWith !== null && <Words kind="small">{`Dashed: ${comparedWith}.`}</Words>}
      {saysMarks &&
        inside.map(({ atMs, words }) => <Words key={atMs} kind="small">{`${clock(atMs, endMs)} ${words}`}</Words>)}
    </View>
  );
}

type DrawingProps = Pick<Props, 'series' | 'window' | 'onsetMs' | 'onNarrow'> & {
  width: number;
  marks: NonNullable<Props['marks']>;
  /** steps on which the moment rests, and which is told; -1 for none */
  shown: number;
  at: number;
  label: string;
  valueText: string;
};

function Drawing({ series, width, marks, shown, at, label, valueText, onsetMs, window, onNarrow }: DrawingProps) {
  const palette = usePalette();
  const moment = useMoment();
  const shape = bandShape(series, width, HEIGHT);
  const endMs = endOf(series);
  const shownX = shape.x(series.startMs + shown * series.stepMs);
  const drag = useDrag(width, (from, to) =>
    onNarrow?.({ fromMs: timeAt(shape, from, series, endMs), toMs: timeAt(shape, to, series, endMs) }),
  );
  return (
    <View
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={Math.max(0, series.values.length - 1)}
      aria-valuenow={Math.max(0, at)}
      aria-valuetext={valueText}
      {...(onNarrow && drag.handlers)}
      {...momentHandlers(moment, series, at, (x) => timeAt(shape, x, series, endMs))}
    >
      <Svg width={width} height={HEIGHT}>
        <ValueLines y={shape.y} height={HEIGHT} width={width} />
        <Path d={shape.band} fill={palette.band} />
        <Path d={shape.outside} fill={palette.harm[1]} />
        <Level y={HEIGHT - 0.5} width={width} stroke={palette.muted} />
        {marks.map(({ atMs }) => (
          <Upright x={shape.x(atMs)} height={HEIGHT} key={atMs} stroke={palette.muted} strokeDasharray="1 3" />
        ))}
        {shown >= 0 && <Upright x={shownX} height={HEIGHT} stroke={palette.ink} />}
        {drag.span && (
          <Rect
            x={drag.span[0]}
            y={0}
            width={drag.span[1] - drag.span[0]}
            height={HEIGHT}
            fill={palette.action}
            opacity={0.15}
          />
        )}
        {onsetMs !== undefined && onsetMs >= series.startMs && onsetMs <= endMs && (
          <Upright x={shape.x(onsetMs)} height={HEIGHT} stroke={palette.action} strokeDasharray="3 3" />
        )}
        {window.fromMs > series.startMs && (
          <Rect
            x={0}
            y={0}
            width={shape.x(Math.min(window.fromMs, endMs))}
            height={HEIGHT}
            fill={palette.paper}
            opacity={0.45}
          />
        )}
        <Path d={shape.other} fill="none" stroke={palette.muted} strokeWidth={1.2} strokeDasharray="4 3" />
        <Path d={shape.line} fill="none" stroke={palette.ink} strokeWidth={1.5} strokeLinecap="round" />
      </Svg>
    </View>
  );
}

const endOf = (series: BandSeries): number => series.startMs + Math.max(1, series.values.length - 1) * series.stepMs;

const summaryWithMarks = (summary: string, marks: readonly { atMs: number; words: string }[]) =>
  marks.length === 0 ? summary : `${summary}; ${marks.map(({ atMs, words }) => `${clock(atMs)} ${words}`).join(', ')}`;

/** The point that stands for a moment; -1 outside the series. */
function indexAt(series: BandSeries, atMs: number): number {
  const i = Math.round((atMs - series.startMs) / series.stepMs);
  return i >= 0 && i < series.values.length ? i : -1;
}

const valueWords = (series: BandSeries, i: number, format: Props['format']): string => {
  const value = series.values[i];
  return value == null ? 'no data' : format(value);
};

function momentWords(series: BandSeries, i: number, format: Props['format'], endMs: number): string {
  const [low, high] = [series.low[i], series.high[i]];
  const usual = low == null || high == null ? '' : `, usually ${format(low)} to ${format(high)}`;
  return i < 0
    ? 'no data'
    : `${clock(series.startMs + i * series.stepMs, endMs)}: ${valueWords(series, i, format)}${usual}`;
}

/** The pointer, or the arrow keys, choose the moment that all charts show. */
function momentHandlers(
  moment: ReturnType<typeof useMoment>,
  series: BandSeries,
  at: number,
  timeOf: (x: number) => number,
): object {
  return {
    onMouseMove: (event: MouseEvent) =>
      moment.look(timeOf(event.clientX - (event.currentTarget as HTMLElement).getBoundingClientRect().left)),
    onMouseLeave: () => moment.look(undefined),
    onBlur: () => moment.look(undefined),
    onKeyDown: (event: KeyboardEvent) => {
      const step = KEY_STEPS[event.key];
      if (step === undefined) return;
      event.preventDefault();
      const next = Math.min(series.values.length - 1, Math.max(0, at + step));
      moment.look(series.startMs + next * series.stepMs);
    },
  };
}

function timeAt(shape: { x: (timeMs: number) => number }, at: number, series: BandSeries, endMs: number): number {
  const width = shape.x(endMs);
  const timeMs = series.startMs + (Math.min(width, Math.max(0, at)) / width) * (endMs - series.startMs);
  return Math.round(timeMs / 60_000) * 60_000;
}

/** Where somebody drags over a chart; a short touch is no drag. */
function useDrag(width: number, onDone: (from: number, to: number) => void) {
  const [ends, setEnds] = useState<[number, number] | undefined>();
  const at = (event: GestureResponderEvent) => {
    const left = (event.currentTarget as unknown as HTMLElement | null)?.getBoundingClientRect?.().left ?? 0;
    return Math.min(width, Math.max(0, event.nativeEvent.pageX - left));
  };
  const span: [number, number] | undefined = ends && [Math.min(...ends), Math.max(...ends)];
  return {
    span: span && span[1] - span[0] >= SHORTEST_DRAG ? span : undefined,
    handlers: {
      onStartShouldSetResponder: () => true,
      onResponderGrant: (event: GestureResponderEvent) => setEnds([at(event), at(event)]),
      onResponderMove: (event: GestureResponderEvent) => setEnds((known) => known && [known[0], at(event)]),
      onResponderRelease: () => {
        if (span && span[1] - span[0] >= SHORTEST_DRAG) onDone(span[0], span[1]);
        setEnds(undefined);
      },
      onResponderTerminate: () => setEnds(undefined),
    },
  };
}

function figuresOf(series: BandSeries, format: Props['format'], endMs: number): Figures {
  const shown = (value: number | null | undefined) => (value == null ? 'not known' : format(value));
  return {
    heads: ['From', 'Value', 'Usual from', 'Usual to'],
    rows: series.values.map((value, i) => [
      clock(series.startMs + i * series.stepMs, endMs),
      shown(value),
      shown(series.low[i]),
      shown(series.high[i]),
    ]),
  };
}

const styles = StyleSheet.create({
  chart: { marginBottom: SPACE.m },
  head: { flexDirection: 'row', justifyContent: 'space-between', gap: SPACE.s, marginBottom: SPACE.xs },
  name: { flex: 1 },
  now: { flexShrink: 0 },
});
