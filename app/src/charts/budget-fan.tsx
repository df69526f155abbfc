import { scaleLinear } from 'd3-scale';
import { View } from 'react-native';
import Svg, { Polygon, Polyline } from 'react-native-svg';
import { clock, percent } from '@/look/format';
import { usePalette } from '@/look/look';
import { useMomentOn } from './moment';
import { Level, Plot, Upright, ValueLines, type ValueScale } from './plot';

export interface Budget {
  /** begin of the period */
  fromMs: number;
  /** from when attempts are known */
  startMs: number;
  stepMs: number;
  /** share of the budget left at the end of each step */
  left: readonly number[];
  nowMs: number;
  endMs: number;
  /** what may come: 2.5 %, 10 %, middle, 90 %, 97.5 % */
  fan: readonly { atMs: number; left: readonly number[] }[];
}

/** Deeper than this nothing more is learned. */
const LOWEST = -1;

/** From the whole budget down to what is spent beyond it. */
function lowestOf({ left, fan }: Budget): number {
  const values = [...left, ...fan.flatMap(({ left: [low = 0] }) => [low])];
  return Math.max(LOWEST, Math.min(-0.1, ...values));
}

const clipped = (value: number) => Math.max(LOWEST, value);

/** Line and fan in a drawing of any size. */
function Shapes({ budget, width, height, y }: { budget: Budget; width: number; height: number; y: ValueScale }) {
  const palette = usePalette();
  const { fromMs, startMs, stepMs, left, nowMs, endMs, fan } = budget;
  const x = (timeMs: number) => ((timeMs - fromMs) / Math.max(1, endMs - fromMs)) * width;
  const point = (timeMs: number, value: number) => `${x(timeMs).toFixed(1)},${y(clipped(value)).toFixed(1)}`;
  const known = left.map((value, i) => point(Math.min(nowMs, startMs + (i + 1) * stepMs), value));
  const last = left.at(-1);
  const from = last === undefined ? [] : [{ atMs: nowMs, left: new Array<number>(5).fill(last) }];
  const ahead = [...from, ...fan];
  const between = (low: number, high: number) =>
    [
      ...ahead.map(({ atMs, left: values }) => point(atMs, values[high] ?? 0)),
      ...[...ahead].reverse().map(({ atMs, left: values }) => point(atMs, values[low] ?? 0)),
    ].join(' ');
  return (
    <>
      {fan.length > 0 && (
        <>
          <Polygon points={between(0, 4)} fill={palette.harm[0]} />
          <Polygon points={between(1, 3)} fill={palette.harm[1]} />
          <Polyline
            points={ahead.map(({ atMs, left: values }) => point(atMs, values[2] ?? 0)).join(' ')}
            fill="none"
            stroke={palette.ink}
            strokeWidth={1.2}
            strokeDasharray="4 3"
          />
        </>
      )}
      <Level y={y(0)} width={width} stroke={palette.harm[3]} strokeDasharray="1 3" strokeWidth={1.5} />
      <Upright x={x(nowMs)} height={height} stroke={palette.hairline} />
      {known.length > 0 && (
        <Polyline points={[point(startMs, 1), ...known].join(' ')} fill="none" stroke={palette.ink} strokeWidth={1.6} />
      )}
    </>
  );
}

const HEIGHT = 170;

/** The budget burning down over its period, and the fan of what may come; dotted: nothing left. */
export function BudgetFan({ name, budget, label }: { name: string; budget: Budget; label: string }) {
  const y = scaleLinear([lowestOf(budget), 1], [HEIGHT - 2, 4]);
  const { fromMs, startMs, stepMs, left, fan, endMs } = budget;
  return (
    <Plot
      name={name}
      figures={() => ({
        heads: ['Up to', 'Left', 'Low, 95 %', 'High, 95 %'],
        rows: [
          ...left.map((value, i) => [clock(startMs + (i + 1) * stepMs, endMs), percentLeft(value), '', '']),
          ...fan.map(({ atMs, left: [low = 0, , middle = 0, , high = 0] }) => [
            clock(atMs, endMs),
            percentLeft(middle),
            percentLeft(low),
            percentLeft(high),
          ]),
        ],
      })}
      y={y}
      height={HEIGHT}
      format={percentLeft}
      fromMs={fromMs}
      toMs={endMs}
    >
      {(width) => <Drawing {...{ budget, width, y, label }} />}
    </Plot>
  );
}

const percentLeft = (share: number) => (share < 0 ? `−${percent(-share)}` : percent(share));

function Drawing({ budget, width, y, label }: { budget: Budget; width: number; y: ValueScale; label: string }) {
  const palette = usePalette();
  const { x, handlers } = useMomentOn(budget.fromMs, budget.endMs, width);
  return (
    <View role="img" aria-label={label} {...handlers}>
      <Svg width={width} height={HEIGHT}>
        <ValueLines y={y} height={HEIGHT} width={width} />
        <Shapes budget={budget} width={width} height={HEIGHT} y={y} />
        {x !== undefined && <Upright x={x} height={HEIGHT} stroke={palette.ink} />}
      </Svg>
    </View>
  );
}

const SMALL = { width: 132, height: 52 };

/** The same in small, beside words that say it. */
export function SmallBudget({ budget }: { budget: Budget }) {
  const y = scaleLinear([lowestOf(budget), 1], [SMALL.height - 2, 3]);
  return (
    <View aria-hidden>
      <Svg width={SMALL.width} height={SMALL.height}>
        <Shapes budget={budget} width={SMALL.width} height={SMALL.height} y={y} />
      </Svg>
    </View>
  );
}
