import { hodgesLehmann, mannWhitney, median } from '../stats';

/**
 * line: the way to the desktop takes longer, and what people do there too; lineUnfelt: it takes longer, and nobody is
 * slower for it; application: people are slower, and the way is as before; well: neither; tooLittle: too few sessions.
 */
export const REMOTE_VERDICTS = ['line', 'application', 'lineUnfelt', 'well', 'tooLittle'] as const;
export type RemoteVerdict = (typeof REMOTE_VERDICTS)[number];

/** A session in a stretch of time: its median round trip, and how many times as long as usual its activities took. */
export interface RemoteSession {
  roundTripMs: number;
  /** `undefined` when it did nothing that tells */
  activityFactor: number | undefined;
}

export interface RemoteComparison {
  sessions: number;
  /** median over sessions, milliseconds */
  roundTripMs: number | undefined;
  beforeMs: number | undefined;
  /** so many times as long as before (Hodges–Lehmann over sessions, of logarithms); `undefined` without a time before */
  factor: number | undefined;
  /** median over sessions of how many times as long as usual activities take; `undefined` without any */
  activityFactor: number | undefined;
  verdict: RemoteVerdict;
}

/** Fewer sessions tell nothing. Common practice, no source. */
const FEWEST_SESSIONS = 5;
/** So many spreads beyond chance: one group of a thousand would look so by itself. */
const BEYOND_CHANCE = 3.1;
/** Less is more than a day brings. Common practice, no source. */
const LEAST_FACTOR = 1.3;
const LEAST_ACTIVITY_FACTOR = 1.15;

/** Sessions of a group now against the time before: is it the way to the desktop, or what runs there? */
export function compareRemote(now: readonly RemoteSession[], before: readonly RemoteSession[]): RemoteComparison {
  const logs = (sessions: readonly RemoteSession[]) =>
    sessions.map(({ roundTripMs }) => Math.log(Math.max(0.1, roundTripMs)));
  const [logsNow, logsBefore] = [logs(now), logs(before)];
  const shift = hodgesLehmann(logsNow, logsBefore);
  const factor = shift === undefined ? undefined : Math.exp(shift);
  const factors = now.flatMap(({ activityFactor }) => activityFactor ?? []);
  const activityFactor = median(factors);
  const isLine =
    (mannWhitney(logsNow, logsBefore)?.z ?? 0) > BEYOND_CHANCE && factor !== undefined && factor >= LEAST_FACTOR;
  const isSlow = factors.length >= FEWEST_SESSIONS && (activityFactor ?? 0) >= LEAST_ACTIVITY_FACTOR;
  const isTelling = now.length >= FEWEST_SESSIONS && before.length >= FEWEST_SESSIONS;
  return {
    sessions: now.length,
    roundTripMs: median(now.map(({ roundTripMs }) => roundTripMs)),
    beforeMs: median(before.map(({ roundTripMs }) => roundTripMs)),
    factor,
    activityFactor,
    verdict: !isTelling ? 'tooLittle' : isLine ? (isSlow ? 'line' : 'lineUnfelt') : isSlow ? 'application' : 'well',
  };
}
