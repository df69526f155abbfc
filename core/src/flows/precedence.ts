import type { AttemptColumns } from '../telemetry';

/** Share of the sessions with an attempt of `later` that had one of `earlier` before it. */
export type Precedence = (earlier: number, later: number) => number;

/**
 * Learns which flows people do before which, from the order of attempts within sessions.
 *
 * @param rows attempts; rows without a session (0) are passed over
 * @example sessions A→B, A→B, B: precedence(A, B) = 2/3, precedence(B, A) = 0
 */
export function learnPrecedence(rows: AttemptColumns): Precedence {
  const firsts = new Map<number, Map<number, number>>();
  for (let i = 0; i < rows.n; i++) {
    const session = rows.session[i] as number;
    if (session === 0) continue;
    let flows = firsts.get(session);
    if (!flows) firsts.set(session, (flows = new Map<number, number>()));
    const flow = rows.flow[i] as number;
    const startMs = rows.startMs[i] as number;
    if (startMs < (flows.get(flow) ?? Infinity)) flows.set(flow, startMs);
  }
  const sessionsWith = new Map<number, number>();
  const pairs = new Map<string, number>();
  for (const flows of firsts.values())
    for (const [later, laterMs] of flows) {
      sessionsWith.set(later, (sessionsWith.get(later) ?? 0) + 1);
      for (const [earlier, earlierMs] of flows) {
        if (earlierMs >= laterMs || earlier === later) continue;
        const pair = `${earlier}>${later}`;
        pairs.set(pair, (pairs.get(pair) ?? 0) + 1);
      }
    }
  return (earlier, later) => (pairs.get(`${earlier}>${later}`) ?? 0) / (sessionsWith.get(later) ?? 1);
}
