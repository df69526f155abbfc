import { outcomeOf, type Outcome } from '@toplens/core/flows';
import { limitsAt } from '@toplens/core/normal';
import { WORK_COLUMNS, type WorkDimension } from '@toplens/core/sites';
import { createHistogram, FairColumns, recordInPlace, type LogHistogram } from '@toplens/core/stats';
import { FAILED, USER_SIDE } from '@toplens/core/telemetry';
import { MINUTE_MS, type Window } from '@toplens/core/time';
import { eachAttempt } from '../reading/each-attempt';
import type { RowTest } from '../reading/fair-sample';
import { flowsIn, sliceOf } from '../reading/focus';
import type { EngineState } from '../state/engine-state';
import type { Focus } from '../state/questions';

const HALF_HOUR_MS = 30 * MINUTE_MS;
/** Attempts of an application by which people are compared: more are an even share of all. */
const MOST_COMPARED = 400_000;

/** What was done by some people, or of one activity. */
export class Tally {
  attempts = 0;
  good = 0;
  /** waited longer than usual, milliseconds */
  overMs = 0;
  readonly people = new Set<number>();
  /** durations of what ended well */
  readonly durations: LogHistogram = createHistogram();

  add({ person, outcome, durationMs, expectedMs }: OneAttempt): void {
    this.attempts++;
    if (outcome === 'onTime') this.good++;
    if (person !== 0) this.people.add(person);
    if (outcome === 'failed' || outcome === 'hung') return;
    recordInPlace(this.durations, durationMs);
    this.overMs += Math.max(0, durationMs - (expectedMs ?? Infinity));
  }
}

interface OneAttempt {
  person: number;
  outcome: Outcome;
  durationMs: number;
  /** `undefined`: it is not known yet what is usual */
  expectedMs: number | undefined;
}

export interface Gathered {
  /** by number of the flow, then by number of the group */
  cells: Map<number, Map<number, Tally>>;
  /** by number of the server that people work with */
  servers: Map<number, Tally>;
  /** of people at work, by application */
  work: Map<string, FairColumns<(typeof WORK_COLUMNS)[number]>>;
  /** name of a person's own device, by person */
  hosts: Map<number, number>;
}

function madeOnce<Key, Value>(map: Map<Key, Value>, key: Key, make: () => Value): Value {
  let value = map.get(key);
  if (value === undefined) map.set(key, (value = make()));
  return value;
}

/** What a filter leaves of what people wait for: flows, and whether a row of them holds. */
export function workIn(state: EngineState, focus: Focus): { flows: Set<number>; holds: RowTest } {
  const left = flowsIn(state, focus);
  const work = state.names.flows.filter(({ id, kind }) => kind === 'work' && (left?.has(id) ?? true));
  return { flows: new Set(work.map(({ id }) => id)), holds: sliceOf(state, focus) ?? (() => true) };
}

/** Walks the attempts of a window that tell where people work. */
export async function gather(
  state: EngineState,
  window: Window,
  { focus, by }: { focus: Focus; by: WorkDimension },
): Promise<Gathered> {
  const { names, history } = state;
  const gathered: Gathered = { cells: new Map(), servers: new Map(), work: new Map(), hosts: new Map() };
  const { flows, holds } = workIn(state, focus);
  await eachAttempt(state, { window, flows }, (rows, row) => {
    const at = (column: 'flow' | 'site' | 'person' | 'server' | 'station' | 'host' | 'flags' | WorkDimension) =>
      rows[column][row] as number;
    const [site, group, flow, person] = [at('site'), at(by), at('flow'), at('person')];
    if (site === 0 || group === 0 || !holds(rows, row)) return;
    const durationMs = rows.durationMs[row] as number;
    const normal = history.normalAt(flow, rows.startMs[row] as number);
    const outcome = outcomeOf(durationMs, (at('flags') & FAILED) !== 0, limitsAt(normal, site).limitMs);
    const tally = madeOnce(
      madeOnce(gathered.cells, flow, () => new Map<number, Tally>()),
      group,
      () => new Tally(),
    );
    const { expectedMs } = normal;
    const one = { person, outcome, durationMs, expectedMs };
    tally.add(one);
    if (at('server') !== 0) madeOnce(gathered.servers, at('server'), () => new Tally()).add(one);
    if (outcome === 'failed' || outcome === 'hung' || expectedMs === undefined || durationMs <= 0) return;
    if (at('flags') & USER_SIDE) gathered.hosts.set(person, at('host'));
    madeOnce(gathered.work, names.flow(flow).application, () => new FairColumns(WORK_COLUMNS, MOST_COMPARED)).add({
      person,
      site,
      server: at('server'),
      station: at('station'),
      excess: Math.log(durationMs / expectedMs),
      halfHour: Math.floor((rows.startMs[row] as number) / HALF_HOUR_MS),
    });
  });
  return gathered;
}
