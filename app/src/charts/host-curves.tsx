import { scaleLinear } from 'd3-scale';
import { Pressable, StyleSheet, View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import type { Schemas } from '@/data/client';
import { clock } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { useHiddenSeries } from './hidden-series';
import { useMomentOn, useMomentWithin, useTimeAxis } from './moment';
import { Level, Plot, Upright, ValueLines, type ValueScale } from './plot';
import type { Figures } from './chart-menu';

type Figure = Schemas['HostFigure'];

export type Props = {
  name: string;
  figures: readonly Figure[];
  window: { fromMs: number; toMs: number };
  /** left out where nothing began */
  onsetMs?: number;
};

const HEIGHT = 64;
const PAD = 3;
const MINUTE_MS = 60_000;

/**
 * One figure of several hosts over time: whoever is not as usual thick, all others thin. A dashed line marks the onset.
 */
export function HostCurves({ name, figures: all, window: own, onsetMs }: Props) {
  const window = useTimeAxis(own);
  const { isHidden, toggle } = useHiddenSeries();
  const figures = all
    .filter((figure) => !isHidden(nameOf(figure)))
    .map((figure) => ({ ...figure, points: figure.points.filter(isWithin(window)) }));
  const values = figures.flatMap(({ points }) => points.map(({ value }) => value));
  const isShare = figures.every(({ figure }) => SHARES.has(figure));
  const highest = Math.max(isShare ? 0.1 : 1e-9, ...values) * 1.05;
  const most = isShare ? Math.min(1, highest) : highest;
  const y = scaleLinear([0, most], [HEIGHT - PAD, PAD]);
  const atMs = useMomentWithin(window.fromMs, window.toMs);
  return (
    <View>
      <Plot
        name={name}
        figures={() => curveFigures(figures, window.toMs, isShare)}
        y={y}
        height={HEIGHT}
        format={(value) => valueWords(figures[0], value, isShare)}
        fromMs={window.fromMs}
        toMs={window.toMs}
      >
        {(width) => <Curves {...{ figures, window, onsetMs, y, width }} />}
      </Plot>
      {/* A line of its own that is always there: what lies below must not move away from under the pointer. */}
      <Words kind="small" testID="curves-legend" style={styles.legend}>
        {atMs === undefined ? ' ' : momentWords(figures, atMs, window.toMs, isShare)}
      </Words>
      {all.length > 1 && (
        <View role="group" aria-label="Series" style={styles.series}>
          {all.map((figure) => {
            const one = nameOf(figure);
            return (
              <Pressable
                key={one}
                role="switch"
                aria-checked={!isHidden(one)}
                onPress={() => toggle(one)}
                style={styles.key}
              >
                <Words kind="small" style={isHidden(one) ? styles.off : undefined}>
                  {one}
                </Words>
              </Pressable>
            );
          })}
        </View>
      )}
    </View>
  );
}

const isWithin =
  ({ fromMs, toMs }: Props['window']) =>
  ({ atMs }: { atMs: number }) =>
    atMs >= fromMs && atMs < toMs;

/** A row for each minute that any of them reported. */
function curveFigures(figures: readonly Figure[], todayMs: number, isShare: boolean): Figures {
  const moments = [...new Set(figures.flatMap(({ points }) => points.map(({ atMs }) => atMs)))].sort((a, b) => a - b);
  return {
    heads: ['At', ...figures.map(nameOf)],
    rows: moments.map((atMs) => [
      clock(atMs, todayMs),
      ...figures.map((figure) => {
        const point = figure.points.find((one) => one.atMs === atMs);
        return point ? valueWords(figure, point.value, isShare) : 'no data';
      }),
    ]),
  };
}

function Curves({ figures, window, onsetMs, y, width }: Omit<Props, 'name'> & { y: ValueScale; width: number }) {
  const palette = usePalette();
  const moment = useMomentOn(window.fromMs, window.toMs, width);
  const x = scaleLinear([window.fromMs, Math.max(window.toMs, window.fromMs + 1)], [0, width]);
  const drawn = [...figures].sort((a, b) => Number(isOdd(a)) - Number(isOdd(b)));
  return (
    <View {...moment.handlers}>
      <Svg width={width} height={HEIGHT} role="img" aria-label={curvesWords(figures)}>
        <ValueLines y={y} height={HEIGHT} width={width} />
        <Level y={HEIGHT - PAD} width={width} stroke={palette.muted} />
        {onsetMs !== undefined && onsetMs >= window.fromMs && (
          <Upright x={x(onsetMs)} height={HEIGHT} stroke={palette.action} strokeDasharray="3 3" />
        )}
        {drawn.map((figure) => (
          <Path
            key={`${figure.host}|${figure.component}`}
            d={curveWithGaps(
              figure.points.map(({ atMs, value }) => ({ atMs, x: x(atMs + MINUTE_MS / 2), y: y(value) })),
            )}
            fill="none"
            stroke={isOdd(figure) ? palette.harm[3] : palette.muted}
            strokeWidth={isOdd(figure) ? 2 : 1}
            strokeLinecap="round"
          />
        ))}
        {moment.atMs !== undefined && <Upright x={moment.x} height={HEIGHT} stroke={palette.ink} />}
      </Svg>
    </View>
  );
}

/** A step so much longer than the short ones of a curve is a gap: the host told nothing in between. */
const GAP = 1.5;

/** A path through points in order of time; what is alone between two gaps is a dot. */
export function curveWithGaps(points: readonly { atMs: number; x: number; y: number }[]): string {
  const steps = points.slice(1).map(({ atMs }, i) => atMs - (points[i]?.atMs as number));
  const usual = [...steps].sort((a, b) => a - b)[Math.floor(steps.length / 4)] ?? 0;
  return points
    .map(({ x, y }, i) => {
      const isAfterGap = i === 0 || (steps[i - 1] as number) > GAP * usual;
      const isAlone = isAfterGap && (i === points.length - 1 || (steps[i] as number) > GAP * usual);
      const at = `${x.toFixed(1)},${y.toFixed(1)}`;
      return `${isAfterGap ? 'M' : 'L'}${at}${isAlone ? `L${at}` : ''}`;
    })
    .join('');
}

const MOST_TOLD = 4;

/** Two digits and the unit: "92 %", "41 kB/s". */
export function valueWords(figure: Figure | undefined, value: number, isShare: boolean): string {
  if (isShare) return `${Math.round(value * 100)} %`;
  if (figure?.figure === 'network') {
    const power = Math.max(
      0,
      PREFIXES.findLastIndex((_, i) => Math.abs(value) >= 1000 ** i),
    );
    return `${twoDigits(value / 1000 ** power)} ${PREFIXES[power]}B/s`;
  }
  return `${twoDigits(value)}${UNITS[figure?.figure ?? ''] ?? ''}`;
}

const twoDigits = (value: number): string => Number(value.toPrecision(2)).toLocaleString('en-GB');

/** Of thousands (SI), as network rates are told. */
const PREFIXES = ['', 'k', 'M', 'G', 'T'];

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
  return `${clock(atMs, todayMs)}: ${words.join(', ') || 'no data'}`;
}

const UNITS: Readonly<Record<string, string>> = { networkErrors: ' /s', eventLoop: ' ms' };
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
  series: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.m },
  key: { minHeight: 32, justifyContent: 'center' },
  off: { textDecorationLine: 'line-through' },
  legend: { minHeight: 18, paddingTop: SPACE.xs / 2 },
});
