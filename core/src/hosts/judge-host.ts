import { median, robustCentre } from '../stats';
import { MINUTE_MS, type Window } from '../time';
import { FIGURE_KINDS, type FigureName } from './figures';
import type { HostFigure, StoredSeries } from './minutes';

/** usual: ruled out; full: nothing left to give; unknown: too little was told before or during the trouble. */
export type FigureVerdict = 'usual' | 'raised' | 'lowered' | 'full' | 'unknown';

export interface JudgedFigure extends HostFigure {
  verdict: FigureVerdict;
  /** median before the trouble and during it; NaN when not told */
  usual: number;
  now: number;
  /** highest minute of the trouble */
  highest: number;
}

/** So many minutes before, and during, are needed to tell. */
const LEAST_BEFORE = 10;
const LEAST_NOW = 2;
/**
 * Spreads by which the median of the trouble lies outside; the same bound that makes a flow's signal far outside is 6,
 * strained 3.
 */
const OUTSIDE = 4;
/** Besides, it must be a change that means something: of the usual value, and of a share in itself. */
const CHANGE = 0.25;
const SHARE_CHANGE = 0.1;
/** A figure that never moves has no spread: so much of its value is taken at least. */
const LEAST_SPREAD = 0.03;

/**
 * Was a figure as usual during the trouble? Common practice, no source: robust centre and spread of the hours before.
 */
export function judgeFigure(figure: HostFigure, trouble: Window, before: Window): JudgedFigure {
  const inside = ({ fromMs, toMs }: Window) =>
    [...figure.minutes].filter(([ms]) => ms + MINUTE_MS > fromMs && ms < toMs).map(([, value]) => value);
  const [earlier, during] = [inside(before), inside(trouble)];
  const centre = robustCentre(earlier);
  const now = median(during) ?? NaN;
  const usual = centre?.centre ?? NaN;
  const highest = during.length > 0 ? Math.max(...during) : NaN;
  const { full, unit } = FIGURE_KINDS[figure.figure];
  const isFull = during.length >= LEAST_NOW && full !== undefined && now >= full;
  const told = { ...figure, usual, now, highest };
  if (during.length < LEAST_NOW) return { ...told, verdict: 'unknown' };
  // Full is full, whatever was usual; unless it was just as full before.
  if (isFull && !(usual >= full)) return { ...told, verdict: 'full' };
  if (!centre || earlier.length < LEAST_BEFORE) return { ...told, verdict: 'unknown' };
  const spread = Math.max(centre.spread, LEAST_SPREAD * Math.abs(usual), unit === 'share' ? 0.005 : 0);
  const change = now - usual;
  const isLarge = unit === 'share' ? Math.abs(change) >= SHARE_CHANGE : Math.abs(change) >= CHANGE * Math.abs(usual);
  const isOutside = spread > 0 ? Math.abs(change) >= OUTSIDE * spread : change !== 0;
  return { ...told, verdict: isOutside && isLarge ? (change > 0 ? 'raised' : 'lowered') : 'usual' };
}

export interface Restart {
  component: string;
  host: string;
  atMs: number;
}

/**
 * Processes that began anew in a window, as the start of their counters tells; the first start that is known is no
 * restart.
 */
export function restartsIn(all: readonly StoredSeries[], window: Window): Restart[] {
  const restarts = new Map<string, Restart>();
  const earliest = new Map<string, number>();
  const ownerOf = ({ series }: StoredSeries) => `${series.component}\u001f${series.host}`;
  for (const one of all)
    for (const { atUs } of one.points)
      earliest.set(ownerOf(one), Math.min(atUs / 1000, earliest.get(ownerOf(one)) ?? Infinity));
  for (const one of all) {
    if (one.series.temporality !== 'cumulative') continue;
    for (const { startUs } of one.points) {
      const atMs = startUs / 1000;
      if (!(atMs >= window.fromMs && atMs < window.toMs) || !((earliest.get(ownerOf(one)) as number) < atMs)) continue;
      // Counters of one process begin within moments of each other.
      restarts.set(`${ownerOf(one)}\u001f${Math.round(atMs / MINUTE_MS)}`, {
        component: one.series.component,
        host: one.series.host,
        atMs,
      });
    }
  }
  return [...restarts.values()].sort(
    (a, b) => a.atMs - b.atMs || a.component.localeCompare(b.component) || a.host.localeCompare(b.host),
  );
}

/** What is looked at of one figure over all hosts: ruled out as a whole, or what is left over. */
export interface FigureLine {
  figure: FigureName;
  words: string;
  isLeftOver: boolean;
  /** hosts that were not as usual, worst first */
  odd: JudgedFigure[];
  /** how many were looked at */
  looked: number;
}

/** "CPU as usual on 4 hosts (31 %, now 33 %)", "CPU of coast-3 34 % usually, 97 % now; 3 others as usual" */
export function ruledOut(judged: readonly JudgedFigure[]): FigureLine[] {
  const lines: FigureLine[] = [];
  for (const figure of Object.keys(FIGURE_KINDS) as FigureName[]) {
    const own = judged.filter((one) => one.figure === figure && one.verdict !== 'unknown');
    if (own.length === 0) continue;
    const odd = own
      .filter(({ verdict }) => verdict !== 'usual')
      .sort((a, b) => distance(b) - distance(a) || ownerWords(a).localeCompare(ownerWords(b)));
    lines.push({ figure, odd, looked: own.length, isLeftOver: odd.length > 0, words: lineWords(figure, own, odd) });
  }
  return lines.sort((a, b) => Number(b.isLeftOver) - Number(a.isLeftOver));
}

const distance = ({ usual, now, verdict }: JudgedFigure) =>
  (verdict === 'full' ? 10 : 0) + Math.abs(now - usual) / Math.max(Math.abs(usual), 0.05);
export const ownerWords = ({ component, host }: Pick<HostFigure, 'component' | 'host'>): string =>
  component === '' ? host || 'a host without a name' : host === '' ? component : `${component} on ${host}`;

function lineWords(figure: FigureName, own: readonly JudgedFigure[], odd: readonly JudgedFigure[]): string {
  const { words } = FIGURE_KINDS[figure];
  const others = own.length - odd.length;
  if (odd.length === 0) {
    const [usual, now] = [median(own.map((one) => one.usual)) ?? NaN, median(own.map((one) => one.now)) ?? NaN];
    const where =
      own.length === 1
        ? ownerWords(own[0] as JudgedFigure)
        : `${own.length} ${own.every(({ component }) => component === '') ? 'hosts' : 'processes'}`;
    return `${words} as usual on ${where} (${figureWords(figure, usual)}, now ${figureWords(figure, now)})`;
  }
  const told = odd.slice(0, 3).map((one) => {
    const full = one.verdict === 'full' ? ', nothing left' : '';
    const before = Number.isNaN(one.usual) ? '' : `${figureWords(figure, one.usual)} usually, `;
    return `${ownerWords(one)}: ${before}${figureWords(figure, one.now)} now${full}`;
  });
  if (odd.length > 3) told.push(`${odd.length - 3} more`);
  if (others > 0) told.push(`${others} ${others === 1 ? 'other' : 'others'} as usual`);
  return `${words}, ${told.join('; ')}`;
}

/** A value of a figure as people read it. */
export function figureWords(figure: FigureName, value: number): string {
  const { unit } = FIGURE_KINDS[figure];
  if (Number.isNaN(value)) return 'not told';
  if (unit === 'share') return `${Math.round(value * 100)} %`;
  if (unit === 'ms') return `${value < 10 ? value.toFixed(1) : Math.round(value)} ms`;
  if (unit === 'B/s')
    return value >= 1e6
      ? `${(value / 1e6).toFixed(1)} MB/s`
      : value >= 1e3
        ? `${(value / 1e3).toFixed(1)} kB/s`
        : `${Math.round(value)} B/s`;
  return `${value >= 100 ? Math.round(value) : Number(value.toPrecision(2))}${unit === '' ? '' : ` ${unit}`}`;
}
