import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Line, Polyline } from 'react-native-svg';
import type { Schemas } from '@/data/client';
import { clock } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { useMomentOn } from './moment';
import { TimeAxis } from './time-axis';

type Figure = Schemas['HostFigure'];

const HEIGHT = 64;
const PAD = 3;

/**
 * One figure of several hosts over time: whoever is not as usual thick, all others thin. A dashed line marks the onset.
 */
export function HostCurves({
  figures,
  window,
  onsetMs,
}: {
  figures: readonly Figure[];
  window: { fromMs: number; toMs: number };
  /** left out where nothing began */
  onsetMs?: number;
}) {
  const palette = usePalette();
  const [width, setWidth] = useState(300);
  const values = figures.flatMap(({ points }) => points.map(({ value }) => value));
  const isShare = figures.every(({ figure }) => SHARES.has(figure));
  const highest = Math.max(isShare ? 0.1 : 1e-9, ...values) * 1.05;
  const most = isShare ? Math.min(1, highest) : highest;
  const x = (ms: number) => ((ms - window.fromMs) / Math.max(1, window.toMs - window.fromMs)) * width;
  const y = (value: number) => HEIGHT - PAD - (value / most) * (HEIGHT - 2 * PAD);
  const moment = useMomentOn(window.fromMs, window.toMs, width);
  const drawn = [...figures].sort((a, b) => Number(isOdd(a)) - Number(isOdd(b)));
  return (
    <View onLayout={({ nativeEvent }) => setWidth(Math.max(80, nativeEvent.layout.width))}>
      <View {...moment.handlers}>
        <Svg width={width} height={HEIGHT} role="img" aria-label={curvesWords(figures)}>
          <Line x1={0} x2={width} y1={HEIGHT - PAD} y2={HEIGHT - PAD} stroke={palette.hairline} strokeWidth={1} />
          {onsetMs !== undefined && (
            <Line
              x1={x(onsetMs)}
              x2={x(onsetMs)}
              y1={0}
              y2={HEIGHT}
              stroke={palette.muted}
              strokeWidth={1}
              strokeDasharray="3 3"
            />
          )}
          {drawn.map((figure) => (
            <Polyline
              key={`${figure.host}|${figure.component}`}
              points={figure.points
                .map(({ atMs, value }) => `${x(atMs + 30_000).toFixed(1)},${y(value).toFixed(1)}`)
                .join(' ')}
              fill="none"
              stroke={isOdd(figure) ? palette.harm[3] : palette.muted}
              strokeWidth={isOdd(figure) ? 2 : 1}
            />
          ))}
          {moment.atMs !== undefined && (
            <Line x1={moment.x} x2={moment.x} y1={0} y2={HEIGHT} stroke={palette.ink} strokeWidth={1} />
          )}
        </Svg>
      </View>
      <TimeAxis fromMs={window.fromMs} toMs={window.toMs} width={width} />
      <View style={styles.legend}>
        <Words kind="small" testID="curves-legend">
          {moment.atMs === undefined
            ? `0 to ${valueWords(figures[0], most, isShare)}`
            : momentWords(figures, moment.atMs, window.toMs, isShare)}
        </Words>
      </View>
    </View>
  );
}

const MOST_TOLD = 4;

function valueWords(figure: Figure | undefined, value: number, isShare: boolean): string {
  return isShare
    ? `${Math.round(value * 100)} %`
    : `${Number(value.toPrecision(2)).toLocaleString('en-GB')}${UNITS[figure?.figure ?? ''] ?? ''}`;
}

/** "11:02: north-1 92 %, north-2 31 %", the highest first. */
export function momentWords(figures: readonly Figure[], atMs: number, todayMs: number, isShare: boolean): string {
  const told = figures
    .flatMap((figure) => {
      const point = figure.points.find((one) => atMs >= one.atMs && atMs < one.atMs + 60_000);
      return point ? [{ figure, value: point.value }] : [];
    })
    .sort((a, b) => b.value - a.value);
  const words = told
    .slice(0, MOST_TOLD)
    .map(({ figure, value }) => `${nameOf(figure)} ${valueWords(figure, value, isShare)}`);
  if (told.length > MOST_TOLD) words.push(`${told.length - MOST_TOLD} more below`);
  return `${clock(atMs, todayMs)}: ${words.join(', ') || 'nothing told'}`;
}

const UNITS: Readonly<Record<string, string>> = { network: ' B/s', networkErrors: ' a second', eventLoop: ' ms' };
const SHARES: ReadonlySet<string> = new Set(['cpu', 'memory', 'heap', 'gc', 'disk', 'fileSystem', 'pool']);
const isOdd = ({ verdict }: Figure) => verdict === 'raised' || verdict === 'full' || verdict === 'lowered';
const nameOf = ({ component, host }: Figure) => [component, host].filter(Boolean).join(' on ');

/** The curves in words, for those who do not see them. */
export function curvesWords(figures: readonly Figure[]): string {
  const odd = figures.filter(isOdd).map(nameOf);
  const others = figures.length - odd.length;
  if (odd.length === 0) return `${figures.length} curves, none stands out`;
  return `${odd.join(', ')} ${odd.length === 1 ? 'stands' : 'stand'} out${others > 0 ? ` of ${figures.length}` : ''}`;
}

const styles = StyleSheet.create({
  legend: { flexDirection: 'row', justifyContent: 'space-between', paddingTop: SPACE.xs / 2 },
});
