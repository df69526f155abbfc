import { learnSuccession, sampleOfSessions, type Succession } from '@toplens/core/flows';
import type { Window } from '@toplens/core/time';
import type { Hours } from '../state/hours';

/**
 * The order in which people do things in a window (with some flows alone, when told); from some of the sessions when
 * there are many.
 */
export async function successionIn(hours: Hours, window: Window, flows?: ReadonlySet<number>): Promise<Succession> {
  let n = 0;
  await hours.visit(window, flows, (_rows, from, to) => (n += to - from));
  const isSampled = sampleOfSessions(n);
  return learnSuccession(
    await hours.rows(window, flows, (rows, row) => isSampled(rows.session[row] as number)),
    isSampled,
  );
}
