import { outcomeOf } from '@toplens/core/flows';
import { limitsAt } from '@toplens/core/normal';
import type { PeopleShare } from '@toplens/core/probes';
import { FAILED } from '@toplens/core/telemetry';
import { DAY_MS, HOUR_MS, type Window } from '@toplens/core/time';
import { eachAttempt } from '../reading/each-attempt';
import type { EngineState } from '../state/engine-state';

/** Attempts of people in the last hour of a window, and in the day before it. */
export interface PeopleThen {
  now: PeopleShare;
  before: PeopleShare;
}

/** Of each application: of everybody, and of those who tell from which site they work. */
export interface PeopleOf {
  everywhere: PeopleThen;
  atSites: Map<string, PeopleThen>;
}

const nobody = (): PeopleThen => ({ now: { attempts: 0, bad: 0 }, before: { attempts: 0, bad: 0 } });

/** How people fare with the applications that probes check. */
export async function peopleOf(
  state: EngineState,
  applications: ReadonlySet<string>,
  { toMs }: Pick<Window, 'toMs'>,
): Promise<Map<string, PeopleOf>> {
  const { names, history } = state;
  const nowFromMs = toMs - HOUR_MS;
  const own = names.flows.filter(({ kind, application }) => kind === 'work' && applications.has(application));
  const applicationOf = new Map(own.map(({ id, application }) => [id, application]));
  const result = new Map(
    [...applications].map((one): [string, PeopleOf] => [one, { everywhere: nobody(), atSites: new Map() }]),
  );
  const window = { fromMs: nowFromMs - DAY_MS, toMs };
  await eachAttempt(state, { window, flows: new Set(applicationOf.keys()) }, (rows, row) => {
    const flow = rows.flow[row] as number;
    const site = rows.site[row] as number;
    const startMs = rows.startMs[row] as number;
    const { limitMs } = limitsAt(history.normalAt(flow, startMs), site);
    const failed = ((rows.flags[row] as number) & FAILED) !== 0;
    const isBad = outcomeOf(rows.durationMs[row] as number, failed, limitMs) !== 'onTime';
    const people = result.get(applicationOf.get(flow) ?? '');
    if (!people) return;
    const tallies = [people.everywhere];
    if (site !== 0) {
      const name = names.text(site);
      let atSite = people.atSites.get(name);
      if (!atSite) people.atSites.set(name, (atSite = nobody()));
      tallies.push(atSite);
    }
    for (const tally of tallies) {
      const share = startMs >= nowFromMs ? tally.now : tally.before;
      share.attempts++;
      if (isBad) share.bad++;
    }
  });
  return result;
}
