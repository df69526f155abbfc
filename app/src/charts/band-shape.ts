import { scaleLinear, type ScaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';

export interface BandSeries {
  startMs: number;
  stepMs: number;
  values: (number | null)[];
  low: (number | null)[];
  high: (number | null)[];
  /** the same measure at the time that is compared with */
  other?: (number | null)[] | null;
}

export interface BandShape {
  /** usual range */
  band: string;
  /** what happened; gaps stay gaps */
  line: string;
  /** what happened at the time that is compared with */
  other: string;
  /** what lies outside the range, between line and bound */
  outside: string;
  x: (timeMs: number) => number;
  y: ScaleLinear<number, number>;
  top: number;
}

type Point = { t: number; value: number | null; low: number | null; high: number | null; other: number | null };

/**
 * Paths of a line over its usual range, in a box of `width` × `height`. The axis begins at 0 and ends a little above
 * the highest of line and range.
 */
export function bandShape(series: BandSeries, width: number, height: number): BandShape {
  const points: Point[] = series.values.map((value, i) => ({
    t: series.startMs + i * series.stepMs,
    value,
    low: series.low[i] ?? null,
    high: series.high[i] ?? null,
    other: series.other?.[i] ?? null,
  }));
  const endMs = series.startMs + Math.max(1, points.length - 1) * series.stepMs;
  const top = Math.max(...points.flatMap((p) => [p.value ?? 0, p.high ?? 0, p.other ?? 0]), 1e-9) * 1.08;
  const x = scaleLinear([series.startMs, endMs], [0, width]);
  const y = scaleLinear([0, top], [height, 0]);
  const hasRange = (p: Point) => p.low !== null && p.high !== null;
  const bound = (p: Point) => Math.min(Math.max(p.value as number, p.low as number), p.high as number);
  return {
    band:
      area<Point>()
        .defined(hasRange)
        .x((p) => x(p.t))
        .y0((p) => y(p.low as number))
        .y1((p) => y(p.high as number))(points) ?? '',
    line:
      line<Point>()
        .defined((p) => p.value !== null)
        .x((p) => x(p.t))
        .y((p) => y(p.value as number))(points) ?? '',
    outside:
      area<Point>()
        .defined((p) => p.value !== null && hasRange(p))
        .x((p) => x(p.t))
        .y0((p) => y(bound(p)))
        .y1((p) => y(p.value as number))(points) ?? '',
    other:
      line<Point>()
        .defined((p) => p.other !== null)
        .x((p) => x(p.t))
        .y((p) => y(p.other as number))(points) ?? '',
    x,
    y,
    top,
  };
}

const LONGEST_STEP_MS = 7 * 86_400_000;

/** Round moments for a time axis: at most `most` of them. */
export function timeTicks(fromMs: number, toMs: number, most: number): number[] {
  const steps = [1 / 12, 1 / 6, 0.5, 1, 2, 5, 10, 15, 30, 60, 120, 180, 360, 720, 1440, 2880].map(
    (minutes) => minutes * 60_000,
  );
  const step = steps.find((candidate) => (toMs - fromMs) / candidate <= most) ?? LONGEST_STEP_MS;
  const ticks: number[] = [];
  for (let t = Math.ceil(fromMs / step) * step; t <= toMs; t += step) ticks.push(t);
  return ticks;
}
