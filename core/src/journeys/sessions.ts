import type { Outcome } from '../flows';
import { BACKGROUND, BUSINESS_EVENT, FAILED, HANDHELD, PAGE, PROBE, type AttemptColumns } from '../telemetry';

/**
 * What a session did of one flow: attempts of the same are one step, whether tried again at once or come back to later.
 */
export interface Visit {
  flow: number;
  firstMs: number;
  lastMs: number;
  /** an attempt was late, hung or failed */
  exposed: boolean;
  /** milliseconds of its longest attempt */
  longestMs: number;
  attempts: number;
  failed: number;
  /** some attempt did not fail */
  succeeded: boolean;
  /** what it completed, minor units */
  valueMinor: number;
}

const LEFT_OUT = PROBE | BACKGROUND | PAGE | BUSINESS_EVENT;

/** One person's way through some flows, in order of their first attempts. */
export interface Session {
  session: number;
  /** 0 where not told */
  person: number;
  tier: number;
  /** any of it on a phone or tablet */
  isHandheld: boolean;
  visits: Visit[];
}

/**
 * Sessions from attempts, in order of their begin. Loops are folded: a flow that is come back to is one visit. Probes,
 * background work, loads of pages, business events (what people did for them counts) and attempts without a session are
 * left out. Pure in the set of rows.
 *
 * @param outcomeOf of a row; rows without people waiting are not asked
 */
export function sessionsOf(rows: AttemptColumns, outcomeOf: (row: number) => Outcome): Session[] {
  const sessions = new Map<number, Session & { visited: Map<number, Visit>; fromMs: number }>();
  for (let i = 0; i < rows.n; i++) {
    const session = rows.session[i] as number;
    const flags = rows.flags[i] as number;
    if (session === 0 || flags & LEFT_OUT) continue;
    const startMs = rows.startMs[i] as number;
    let own = sessions.get(session);
    if (!own)
      sessions.set(
        session,
        (own = { session, person: 0, tier: 0, isHandheld: false, visits: [], visited: new Map(), fromMs: Infinity }),
      );
    own.person = Math.max(own.person, rows.person[i] as number);
    own.tier = Math.max(own.tier, rows.tier[i] as number);
    own.isHandheld ||= (flags & HANDHELD) !== 0;
    own.fromMs = Math.min(own.fromMs, startMs);
    const flow = rows.flow[i] as number;
    let visit = own.visited.get(flow);
    if (!visit)
      own.visited.set(
        flow,
        (visit = {
          flow,
          firstMs: Infinity,
          lastMs: 0,
          exposed: false,
          longestMs: 0,
          attempts: 0,
          failed: 0,
          succeeded: false,
          valueMinor: 0,
        }),
      );
    const isFailed = (flags & FAILED) !== 0;
    visit.firstMs = Math.min(visit.firstMs, startMs);
    visit.lastMs = Math.max(visit.lastMs, startMs);
    visit.exposed ||= outcomeOf(i) !== 'onTime';
    visit.longestMs = Math.max(visit.longestMs, rows.durationMs[i] as number);
    visit.attempts++;
    if (isFailed) visit.failed++;
    else {
      visit.succeeded = true;
      const value = rows.valueMinor[i] as number;
      if (!Number.isNaN(value)) visit.valueMinor += value;
    }
  }
  return [...sessions.values()]
    .sort((a, b) => a.fromMs - b.fromMs || a.session - b.session)
    .map(({ visited, fromMs: _fromMs, ...own }) => ({
      ...own,
      visits: [...visited.values()].sort((a, b) => a.firstMs - b.firstMs || a.flow - b.flow),
    }));
}
