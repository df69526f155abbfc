import type { Session } from './sessions';

/** An ordered way to a goal: flows that people do one after the other. */
export interface FoundJourney {
  /** flows, first step first; at least two */
  steps: number[];
  /** sessions that set out on it */
  sessions: number;
}

/** A way is shown when so many sessions set out on it, and a step when this share of those before it goes on to it. */
const FEWEST_SESSIONS = 20;
const LEAST_SHARE = 0.25;
/** Of the sessions with a flow, so many begin with it where a way begins. */
const BEGINS_WITH = 0.5;
const LONGEST = 15;

/**
 * Journeys as people really walk them: from each flow that sessions begin with, on to whatever most of those who are
 * there do next, as long as enough of them go on. A way that is the end of a longer one is not told again.
 *
 * @returns in order of sessions that set out, most first
 */
export function discoverJourneys(sessions: readonly Session[]): FoundJourney[] {
  const withFlow = new Map<number, number>();
  const begins = new Map<number, number>();
  for (const { visits } of sessions) {
    const first = visits[0];
    if (first) add(begins, first.flow);
    for (const { flow } of visits) add(withFlow, flow);
  }
  const found: FoundJourney[] = [];
  for (const [flow, n] of begins) {
    if (n < FEWEST_SESSIONS || n < BEGINS_WITH * (withFlow.get(flow) ?? 0)) continue;
    const steps = wayFrom(flow, sessions);
    if (steps.length > 1) found.push({ steps, sessions: n });
  }
  return found
    .filter(
      (one) =>
        !found.some(
          (other) => other !== one && other.steps.length > one.steps.length && endsWith(other.steps, one.steps),
        ),
    )
    .sort((a, b) => b.sessions - a.sessions || (a.steps[0] as number) - (b.steps[0] as number));
}

function wayFrom(begin: number, sessions: readonly Session[]): number[] {
  const steps = [begin];
  let on = sessions.filter(({ visits }) => visits.some(({ flow }) => flow === begin));
  while (steps.length < LONGEST) {
    const at = steps.at(-1) as number;
    const next = new Map<number, number>();
    for (const { visits } of on) {
      const here = visits.findIndex(({ flow }) => flow === at);
      const then = visits.slice(here + 1).find(({ flow }) => !steps.includes(flow));
      if (then) add(next, then.flow);
    }
    const [best] = [...next].sort((a, b) => b[1] - a[1] || a[0] - b[0]);
    if (!best || best[1] < FEWEST_SESSIONS || best[1] < LEAST_SHARE * on.length) break;
    steps.push(best[0]);
    on = on.filter(({ visits }) => visits.some(({ flow }) => flow === best[0]));
  }
  return steps;
}

const add = (counts: Map<number, number>, key: number) => counts.set(key, (counts.get(key) ?? 0) + 1);
const endsWith = (whole: readonly number[], end: readonly number[]) =>
  end.every((step, i) => step === whole[whole.length - end.length + i]);
