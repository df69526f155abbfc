import { rankWorstFirst, type HarmBill, type Ranking, type StoredIncident } from '@toplens/core/incidents';
import type { Window } from '@toplens/core/time';
import { billOf } from './bills';
import { NO_FOCUS, sliceKey } from '../reading/focus';
import { type Focus } from '../state/questions';
import { PerVersion } from '../state/per-version';
import type { EngineState } from '../state/engine-state';

export interface Judged {
  id: number;
  incident: StoredIncident;
  bill: HarmBill;
}

const FEWEST_PEOPLE = 1;

/** An incident hurts people beyond the usual; a deviation that nobody feels is an early notice. */
export const hurtsSomebody = ({ bill }: Judged): boolean => bill.people.estimate >= FEWEST_PEOPLE;

/** Set aside by a person, until a moment of event time. */
export const isSetAside = ({ setAside }: StoredIncident, window: Window): boolean =>
  setAside !== null && window.toMs <= setAside.untilMs;

const judgedBefore = new PerVersion<Judged[]>(80);

/** @param ratesAtMs rates as they were set then; Infinity: as they are today */
export const judgedIn = (
  state: EngineState,
  window: Window,
  ratesAtMs: number,
  focus: Focus = NO_FOCUS,
): Promise<Judged[]> =>
  judgedBefore.get(state, `${window.fromMs}-${window.toMs}-${ratesAtMs}-${sliceKey(focus)}`, () =>
    Promise.all(
      state.register.within(window).map(async (incident) => ({
        id: incident.id,
        incident,
        bill: await billOf(state, incident, { window, focus, ratesAtMs }),
      })),
    ),
  );

/** Those that count in the rank of a window, worst first. */
export const rankedOf = (judged: readonly Judged[], window: Window, ranking: Ranking): Judged[] =>
  rankWorstFirst(
    judged.filter((one) => hurtsSomebody(one) && !isSetAside(one.incident, window)),
    ranking,
  );

/** People of two incidents count once in the total; shares beyond the usual are carried over. */
export function peopleOnce(ranked: readonly Judged[]): number {
  const distinct = new Set(ranked.flatMap(({ bill }) => [...bill.hurtPersons])).size;
  const seen = ranked.reduce((sum, { bill }) => sum + bill.hurtPersons.size, 0);
  const estimated = ranked.reduce((sum, { bill }) => sum + bill.people.estimate, 0);
  return seen > 0 ? estimated - (seen - distinct) * Math.min(1, estimated / seen) : estimated;
}
