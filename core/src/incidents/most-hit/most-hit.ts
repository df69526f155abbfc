import { hangLimitMs } from '../../flows';
import { GOES_ON_WITHIN_MS, STILL_DECIDING_MS } from '../../journeys';
import { limitsAt } from '../../normal';
import { BACKGROUND, DIMENSIONS, eachRow, FAILED, PROBE, type AttemptColumns, type Dimension } from '../../telemetry';
import { MINUTE_MS, type Window } from '../../time';
import { DEFAULT_RATES } from '../bill/rates';
import { isSamePlace } from './narrowest';
import { contrastValues, type Contrast, type ContrastRules, type Contrasts, type Measured } from './contrast';
import { whereItGoesWrong, type Segment, type WentWrong, type WrongQuestion } from './went-wrong';

/** What one can be hit by: attempts go wrong, people wait, people leave. */
export const HIT_MEASURES = ['wentWrong', 'waited', 'left'] as const;
export type HitMeasure = (typeof HIT_MEASURES)[number];

/** A value whose people are hit more than others, or less. */
export interface HitSegment extends Segment {
  /** by what it stands out */
  by: HitMeasure[];
  /** milliseconds waited longer than usual, mean of an attempt; null where too few can tell */
  waited: Contrast | null;
  /** share of the sessions that went no further, beyond the usual; null where it cannot be told */
  left: Contrast | null;
}

export interface MostHit extends Omit<WentWrong, 'segments' | 'spared' | 'tried'> {
  /** who is hit more than others, worst first */
  segments: HitSegment[];
  /** who is hit less */
  spared: HitSegment[];
  /** what was compared: leaving only where telemetry tells sessions and something usually follows */
  measures: HitMeasure[];
}

export interface HitQuestion extends Omit<WrongQuestion, 'flows'> {
  flow: number;
  /** attempts before the trouble, and when they were: what is usual for each value */
  before: { rows: AttemptColumns; window: Window };
  /** flows that usually follow, if any */
  followers: ReadonlySet<number>;
  /** whoever was there shortly before may still go on */
  knownUntilMs: number;
}

/** A tenth of a second is what people notice (Miller 1968, cited from memory). */
const WAITING: ContrastRules = { fewest: 20, fewestBefore: 20, least: 100, leastRatio: 1.3 };
const LEAVING: ContrastRules = { fewest: 20, fewestBefore: 20, least: 0.02, leastRatio: 1.3 };
const LEAST_SESSION_SHARE = 0.8;
const FALSE_DISCOVERY = 0.05;
const MOST_SEGMENTS = 4;

/**
 * Who is hit most, by three measures: whose attempts go wrong more often, who waits longer beyond their own usual, and
 * who leaves more often beyond their own usual. With nearly everyone late the first tells nobody apart, the others do. A
 * dimension makes no difference only when it makes none by all three.
 *
 * @param question its rows hold the flow and its followers, up to half an hour after each window
 */
export function whoIsHitMost(question: HitQuestion): MostHit {
  const { flow, ...asked } = question;
  const { tried, ...wrong } = whereItGoesWrong({ ...asked, flows: new Set([flow]) });
  const waits = contrastValues(waitsOf(question), DIMENSIONS, WAITING);
  const sessions = leavingOf(question);
  const leaves = sessions && contrastValues(sessions, DIMENSIONS, LEAVING);
  const contrastOf = (contrasts: Contrasts | undefined, place: Segment) =>
    contrasts?.tried.find((one) => isSamePlace(one, place))?.contrast ?? null;
  const whole = (segment: Segment): HitSegment => ({
    ...segment,
    by: [
      ...(wrong.segments.some((one) => isSamePlace(one, segment)) ? (['wentWrong'] as const) : []),
      ...(waits.picked.some((one) => isSamePlace(one, segment)) ? (['waited'] as const) : []),
      ...(leaves?.picked.some((one) => isSamePlace(one, segment)) ? (['left'] as const) : []),
    ],
    waited: contrastOf(waits, segment),
    left: contrastOf(leaves, segment),
  });
  const found = [...wrong.segments];
  for (const place of [...waits.picked, ...(leaves?.picked ?? [])]) {
    const known = tried.find((one) => isSamePlace(one, place));
    if (known && !found.some((one) => isSamePlace(one, place))) found.push(known);
  }
  const segments = found
    .map(whole)
    .sort((a, b) => pointsBeyond(b, question) - pointsBeyond(a, question))
    .slice(0, MOST_SEGMENTS);
  const tells = (dimension: Dimension) =>
    [...waits.tried, ...(leaves?.tried ?? [])].some((one) => one.dimension === dimension && one.p <= FALSE_DISCOVERY);
  const isOver = (dimension: Dimension) => segments.some((one) => one.dimension === dimension);
  return {
    ...wrong,
    segments,
    spared: wrong.spared.filter(({ dimension }) => !isOver(dimension)).map(whole),
    ruledOut: wrong.ruledOut.filter(
      ({ dimension, why }) => why === 'oneValue' || !(isOver(dimension) || tells(dimension)),
    ),
    measures: [
      'wentWrong',
      ...(waits.tried.length > 0 ? (['waited'] as const) : []),
      ...(leaves ? (['left'] as const) : []),
    ],
  };
}

/** Harm beyond what the same people would have had with the others’ share, at the default rates: for the order alone. */
function pointsBeyond({ all, excess, waited, left }: HitSegment, { onlyFailed }: HitQuestion): number {
  const { waiting, failed, left: leaving } = DEFAULT_RATES;
  return (
    (onlyFailed ? failed * excess : 0) +
    (waited ? (waiting * all * (waited.here - waited.elsewhere)) / MINUTE_MS : 0) +
    (left ? leaving * all * (left.here - left.elsewhere) : 0)
  );
}

/** The time before first: a session that goes into the trouble belongs to it. */
const bothTimes = ({ rows, window, before }: Pick<HitQuestion, 'rows' | 'window' | 'before'>) => [
  { ...before, isBefore: true },
  { rows, window, isBefore: false },
];

/** How long each attempt took that did not fail: a failure is quick or slow for reasons of its own. */
function waitsOf({ flow, normalAt, ...question }: HitQuestion): Measured[] {
  const waits: Measured[] = [];
  for (const { rows, window, isBefore } of bothTimes(question))
    eachRow(rows, { flows: flow, window, without: PROBE | BACKGROUND | FAILED }, (i) => {
      const { limitMs } = limitsAt(normalAt(flow, rows.startMs[i] as number), rows.site[i] as number);
      const durationMs = rows.durationMs[i] as number;
      waits.push({
        valueOf: (dimension) => rows[dimension][i] as number,
        isBefore,
        // A hung attempt is charged up to where it began to hang, as in the bill.
        x: limitMs === undefined ? durationMs : Math.min(durationMs, hangLimitMs(limitMs)),
      });
    });
  return waits;
}

/** Whether each session went on from the flow: 1 when it did not. */
function leavingOf({ flow, followers, knownUntilMs, ...question }: HitQuestion): Measured[] | undefined {
  if (followers.size === 0) return undefined;
  const sessions = new Map<number, Measured & { lastMs: number; goesOn: boolean }>();
  let [attempts, known] = [0, 0];
  for (const { rows, window, isBefore } of bothTimes(question))
    eachRow(rows, { flows: flow, window, without: PROBE | BACKGROUND }, (i) => {
      const session = rows.session[i] as number;
      attempts++;
      if (session === 0) return;
      known++;
      const lastMs = Math.max(sessions.get(session)?.lastMs ?? 0, rows.startMs[i] as number);
      sessions.set(session, {
        valueOf: (dimension) => rows[dimension][i] as number,
        isBefore,
        x: 1,
        lastMs,
        goesOn: false,
      });
    });
  if (known === 0 || known < LEAST_SESSION_SHARE * attempts) return undefined;
  for (const { rows } of bothTimes(question))
    eachRow(rows, { flows: followers }, (i) => {
      const passing = sessions.get(rows.session[i] as number);
      const startMs = rows.startMs[i] as number;
      if (passing && startMs >= passing.lastMs && startMs <= passing.lastMs + GOES_ON_WITHIN_MS) passing.goesOn = true;
    });
  return [...sessions.values()]
    .filter(({ goesOn, lastMs }) => goesOn || lastMs < knownUntilMs - STILL_DECIDING_MS)
    .map((one) => ({ ...one, x: one.goesOn ? 0 : 1 }));
}
