import { mean } from '../stats';
import type { MetricSeries } from '../telemetry';
import { floorTo, MINUTE_MS } from '../time';
import { FIGURE_KINDS, FIGURES, partOf, type FigureName, type FigurePart } from './figures';
import { samplesOf, type SeriesPoint } from './samples';

export interface StoredSeries {
  series: MetricSeries;
  /** in order of time */
  points: readonly SeriesPoint[];
}

/** A figure of a host, or of a component on it, minute by minute. */
export interface HostFigure {
  figure: FigureName;
  host: string;
  /** '' for what belongs to the host as a whole */
  component: string;
  /** by minute, in the figure's unit */
  minutes: ReadonlyMap<number, number>;
}

/** Of the host as a whole, whoever tells it. */
const OF_HOST: ReadonlySet<FigureName> = new Set(['cpu', 'memory', 'disk', 'fileSystem', 'network', 'networkErrors']);

interface Sums {
  top: number;
  of: number;
  hasOf: boolean;
  /** idle shares, or values of which the mean is told */
  sum: number;
  n: number;
  role: FigurePart['role'];
}

/**
 * Brings series together to figures: parts of one sender are summed (states, devices, pools), or their mean taken
 * (processors); where several processes tell the same of their host, the mean of what they tell. A share whose whole is
 * not told is left out.
 */
export function figuresOf(all: readonly StoredSeries[]): HostFigure[] {
  /** figure, host, component → sender → minute */
  const found = new Map<string, Map<string, Map<number, Sums>>>();
  for (const { series, points } of all) {
    const part = partOf(series);
    if (!part) continue;
    const key = JSON.stringify([part.figure, series.host, OF_HOST.has(part.figure) ? '' : series.component]);
    const senders = entry(found, key, () => new Map<string, Map<number, Sums>>());
    const minutes = entry(senders, `${series.component}\u001f${series.instance}`, () => new Map<number, Sums>());
    for (const [minuteMs, value] of meanByMinute(samplesOf(series, points))) {
      const sums = entry(minutes, minuteMs, (): Sums => ({
        top: 0,
        of: 0,
        hasOf: false,
        sum: 0,
        n: 0,
        role: part.role,
      }));
      const scaled = value * part.factor;
      if (part.role === 'of') {
        sums.of += scaled;
        sums.hasOf = true;
      } else if (part.role === 'top') sums.top += scaled;
      else {
        sums.sum += scaled;
        sums.n++;
        sums.role = part.role;
      }
    }
  }
  return [...found]
    .map(([key, senders]): HostFigure => {
      const [figure, host, component] = JSON.parse(key) as [FigureName, string, string];
      const told = new Map<number, number[]>();
      for (const minutes of senders.values())
        for (const [minuteMs, sums] of minutes) {
          const value = valueOf(figure, sums);
          if (value !== undefined) entry(told, minuteMs, () => [] as number[]).push(value);
        }
      const minutes = new Map(
        [...told].sort(([a], [b]) => a - b).map(([minuteMs, values]) => [minuteMs, mean(values)] as const),
      );
      return { figure, host, component, minutes };
    })
    .filter(({ minutes }) => minutes.size > 0)
    .sort(
      (a, b) =>
        FIGURES.indexOf(a.figure) - FIGURES.indexOf(b.figure) ||
        a.host.localeCompare(b.host) ||
        a.component.localeCompare(b.component),
    );
}

function valueOf(figure: FigureName, sums: Sums): number | undefined {
  if (sums.n > 0) return sums.role === 'idle' ? 1 - sums.sum / sums.n : sums.sum / sums.n;
  if (sums.hasOf) return sums.of > 0 ? sums.top / sums.of : undefined;
  const needsWhole = FIGURE_KINDS[figure].unit === 'share' && (figure === 'heap' || figure === 'pool');
  return needsWhole ? undefined : sums.top;
}

function meanByMinute(samples: readonly { atMs: number; value: number }[]): Map<number, number> {
  const minutes = new Map<number, number[]>();
  for (const { atMs, value } of samples) entry(minutes, floorTo(atMs, MINUTE_MS), () => [] as number[]).push(value);
  return new Map([...minutes].map(([minuteMs, values]) => [minuteMs, mean(values)]));
}

function entry<Key, Value>(map: Map<Key, Value>, key: Key, make: () => Value): Value {
  let value = map.get(key);
  if (value === undefined) map.set(key, (value = make()));
  return value;
}
