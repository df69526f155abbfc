import { sum } from '@toplens/core/stats';
import { eachRow, type AttemptColumns } from '@toplens/core/telemetry';
import { floorTo, HOUR_MS, type Window } from '@toplens/core/time';
import { countDistinct } from '../state/distinct';
import { LONGEST_SCAN_MS } from './each-attempt';
import { conditionsOf, flowsIn } from './focus';
import type { Focus } from '../state/questions';
import { PerHour } from '../state/per-hour';
import type { EngineState } from '../state/engine-state';

/** Sessions and, of whoever sends none, people: in order, each as often as it has attempts. */
interface Came {
  sessions: Uint32Array;
  strangers: Uint32Array;
}

const wholeHours = new PerHour<Came>();

/**
 * How many sessions and attempts a focus leaves of a window; null where nothing is narrowed, or the window is too long
 * to be walked.
 */
export async function remainingIn(
  state: EngineState,
  window: Window,
  focus: Focus,
): Promise<{ sessions: number; attempts: number } | null> {
  if (window.toMs - window.fromMs > LONGEST_SCAN_MS) return null;
  const conditions = conditionsOf(state, focus);
  const flows = flowsIn(state, focus);
  if (conditions.length === 0 && !flows) return null;
  const slice = `${conditions.join()};${flows ? [...flows].join() : ''}`;
  const came: Came[] = [];
  for (let hourMs = floorTo(window.fromMs, HOUR_MS); hourMs < window.toMs; hourMs += HOUR_MS) {
    const { columns, ranges } = await state.hours.load(hourMs);
    const walk = () =>
      cameIn(columns, (see) =>
        eachRow(columns, { window, conditions, ...(flows && { flows }) }, (row) => see(columns, row)),
      );
    const isWhole = ranges !== undefined && hourMs >= window.fromMs && hourMs + HOUR_MS <= window.toMs;
    came.push(isWhole ? wholeHours.get(columns, slice, walk) : walk());
  }
  const sessions = came.map((hour) => hour.sessions);
  const strangers = came.map((hour) => hour.strangers);
  return {
    sessions: countDistinct(sessions) + countDistinct(strangers),
    attempts: sum([...sessions, ...strangers].map((list) => list.length)),
  };
}

function cameIn(
  { session, person }: AttemptColumns,
  walk: (see: (rows: AttemptColumns, row: number) => void) => void,
): Came {
  const sessions: number[] = [];
  const strangers: number[] = [];
  walk((_rows, row) => {
    // Whoever sends no session is told apart as a person.
    if (session[row] !== 0) sessions.push(session[row] as number);
    else strangers.push(person[row] as number);
  });
  return { sessions: Uint32Array.from(sessions).sort(), strangers: Uint32Array.from(strangers).sort() };
}
