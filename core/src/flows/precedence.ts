import { BUSINESS_EVENT, eachRow, PAGE, PROBE, type AttemptColumns } from '../telemetry';

/** Share of the sessions with an attempt of `later` that had one of `earlier` before it. */
export type Precedence = (earlier: number, later: number) => number;

/** In which order people do things. */
export interface Succession {
  precedes: Precedence;
  /** flows to which at least {@link GOES_ON} of those who did `flow` went on later in their session */
  followersOf: (flow: number) => ReadonlySet<number>;
}

/** Share of sessions that go on from one flow to another for the other to count as what usually follows. */
export const GOES_ON = 0.25;
const FEWEST_SESSIONS = 20;
/** Of more rows, only every so manieth session is looked at: shares need no more. */
const ENOUGH_ROWS = 300_000;
const NONE: ReadonlySet<number> = new Set();

/** Of so many rows every so manieth session is looked at. */
export const sessionsApart = (rows: number): number => Math.max(1, Math.ceil(rows / ENOUGH_ROWS));

/** Tells the sessions that are looked at among so many rows; never 0, which is no session. */
export function sampleOfSessions(rows: number): (session: number) => boolean {
  const every = sessionsApart(rows);
  return (session) => session !== 0 && session % every === 0;
}

/**
 * Learns which flows people do before which, from the order of attempts within sessions.
 *
 * @param rows attempts; probes, business events and rows without a session (0) are passed over; pages come before what
 *   people do on them, never after
 * @param isSampled sessions to look at, when rows are a sample already
 * @example sessions A→B, A→B, B: precedes(A, B) = 2/3, precedes(B, A) = 0; B follows A in all sessions with A
 */
export function learnSuccession(rows: AttemptColumns, isSampled = sampleOfSessions(rows.n)): Succession {
  const firsts = new Map<number, Map<number, number>>();
  const pages = new Set<number>();
  eachRow(rows, { without: PROBE | BUSINESS_EVENT }, (i) => {
    const session = rows.session[i] as number;
    if (!isSampled(session)) return;
    let flows = firsts.get(session);
    if (!flows) firsts.set(session, (flows = new Map<number, number>()));
    const flow = rows.flow[i] as number;
    if ((rows.flags[i] as number) & PAGE) pages.add(flow);
    const startMs = rows.startMs[i] as number;
    if (startMs < (flows.get(flow) ?? Infinity)) flows.set(flow, startMs);
  });
  const sessionsWith = new Map<number, number>();
  const pairs = new Map<number, Map<number, number>>();
  for (const flows of firsts.values())
    for (const [later, laterMs] of flows) {
      sessionsWith.set(later, (sessionsWith.get(later) ?? 0) + 1);
      for (const [earlier, earlierMs] of flows) {
        if (earlierMs >= laterMs || earlier === later || pages.has(later)) continue;
        let laters = pairs.get(earlier);
        if (!laters) pairs.set(earlier, (laters = new Map<number, number>()));
        laters.set(later, (laters.get(later) ?? 0) + 1);
      }
    }
  const followers = new Map<number, ReadonlySet<number>>();
  for (const [earlier, laters] of pairs) {
    const sessions = sessionsWith.get(earlier) ?? 0;
    if (sessions < FEWEST_SESSIONS) continue;
    followers.set(
      earlier,
      new Set([...laters].filter(([, count]) => count >= GOES_ON * sessions).map(([later]) => later)),
    );
  }
  return {
    precedes: (earlier, later) => (pairs.get(earlier)?.get(later) ?? 0) / (sessionsWith.get(later) ?? 1),
    followersOf: (flow) => followers.get(flow) ?? NONE,
  };
}
