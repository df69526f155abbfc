import { PROBE, type AttemptColumns, type Dimension } from '@toplens/core/telemetry';
import { floorTo, HOUR_MS, type Window } from '@toplens/core/time';
import { DistinctNumbers } from './distinct';
import { eachAttempt, LONGEST_SCAN_MS } from './each-attempt';
import { conditionsOf, flowsIn, type Focus } from './focus';
import { PerHour } from './per-hour';
import type { World } from './world';

/** Sessions and, of whoever sends none, people: each in as many places as it has attempts. */
interface Came {
  sessions: Uint32Array;
  strangers: Uint32Array;
}

const wholeHours = new PerHour<Came>();

/** How many sessions and attempts a focus leaves of a window; null where nothing is narrowed, or the window is too long to be walked. */
export async function remainingIn(world: World, window: Window, focus: Focus): Promise<{ sessions: number; attempts: number } | null> {
  if (window.toMs - window.fromMs > LONGEST_SCAN_MS) return null;
  const conditions = conditionsOf(world, focus);
  const flows = flowsIn(world, focus);
  if (conditions.length === 0 && !flows) return null;
  const sessions = new DistinctNumbers();
  const strangers = new DistinctNumbers();
  let attempts = 0;
  const see = (rows: AttemptColumns, i: number) => {
    attempts++;
    const session = rows.session[i] as number;
    if (session !== 0) sessions.add(session);
    else strangers.add(rows.person[i] as number);
  };
  for (let hourMs = floorTo(window.fromMs, HOUR_MS); hourMs < window.toMs; hourMs += HOUR_MS) {
    const { columns, ranges } = await world.hours.load(hourMs);
    if (ranges && !flows && hourMs >= window.fromMs && hourMs + HOUR_MS <= window.toMs) {
      const came = wholeHours.get(columns, conditions.join(), () => cameIn(columns, conditions));
      attempts += came.sessions.length + came.strangers.length;
      for (const session of came.sessions) sessions.add(session);
      for (const stranger of came.strangers) strangers.add(stranger);
    } else {
      const part = { fromMs: Math.max(window.fromMs, hourMs), toMs: Math.min(window.toMs, hourMs + HOUR_MS) };
      await eachAttempt(world, part, flows, conditions, see);
    }
  }
  return { sessions: sessions.size + strangers.size, attempts };
}

function cameIn(rows: AttemptColumns, conditions: readonly [Dimension, number][]): Came {
  const sessions: number[] = [];
  const strangers: number[] = [];
  for (let i = 0; i < rows.n; i++) {
    if (conditions.some(([dimension, number]) => rows[dimension][i] !== number) || (rows.flags[i] as number) & PROBE) continue;
    const session = rows.session[i] as number;
    // Whoever sends no session is told apart as a person.
    if (session !== 0) sessions.push(session);
    else strangers.push(rows.person[i] as number);
  }
  return { sessions: Uint32Array.from(sessions), strangers: Uint32Array.from(strangers) };
}
