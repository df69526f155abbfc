import { cellsOf, compareWork, isLike, type ComparedPerson, type Work } from '@toplens/core/sites';
import { median } from '@toplens/core/stats';
import { FAILED } from '@toplens/core/telemetry';
import { ceilTo, floorTo, MINUTE_MS, type Window } from '@toplens/core/time';
import type { WorkPersonShape } from '../../contract/sites';
import { personIds } from '../../store/persons';
import { eachAttempt, walkedPart } from '../reading/each-attempt';
import { resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';
import type { WorkPersonQuestion } from '../state/questions';
import { againstLike } from './against-like';
import { gather, workIn } from './gather';

const STEP_MS = 30 * MINUTE_MS;

/** One person at work over time, against like people; null when nobody worked on that device. */
export async function workPerson(
  state: EngineState,
  { window: asked, focus, host }: WorkPersonQuestion,
): Promise<WorkPersonShape | null> {
  const window = walkedPart(resolveWindow(state, asked));
  // Like people sit at other devices.
  const gathered = await gather(state, window, { focus, by: 'site' });
  const persons = [...gathered.hosts].flatMap(([person, of]) => (state.names.text(of) === host ? [person] : []));
  const found = [...gathered.work.values()]
    .map(({ columns }) => ({ columns, rows: rowsOf(columns, persons) }))
    .sort((a, b) => b.rows.length - a.rows.length)[0];
  const first = found?.rows[0];
  if (!found || first === undefined) return null;
  const { columns, rows } = found;
  const person = columns.person[first] as number;
  const compared = compareWork(cellsOf(columns)).persons.find(({ cell }) => cell.person === person);
  const ids = await personIds(state.database, [person]);
  const steps = stepsOf(window);
  const like = compared ? likeRows(columns, compared) : [];
  return {
    window,
    host,
    person: state.pseudonyms.of(ids.get(person) ?? ''),
    site: state.names.text(columns.site[first] as number),
    server: state.names.text(columns.server[first] as number),
    station: state.names.text(columns.station[first] as number),
    judged: rows.length,
    compared: compared ? againstLike(compared) : null,
    startMs: steps.startMs,
    stepMs: STEP_MS,
    own: middlesOf(columns, rows, steps),
    like: middlesOf(columns, like, steps),
    ...(await volumeOf(state, { window, focus, persons }, steps)),
  };
}

interface Steps {
  startMs: number;
  length: number;
}

const stepsOf = ({ fromMs, toMs }: Window): Steps => {
  const startMs = floorTo(fromMs, STEP_MS);
  return { startMs, length: (ceilTo(toMs, STEP_MS) - startMs) / STEP_MS };
};

const rowsOf = ({ person }: Work, persons: readonly number[]): number[] =>
  person.flatMap((one, row) => (persons.includes(one) ? [row] : []));

/** Attempts of those whom the person was compared with. */
const likeRows = (work: Work, { likeness, cell }: ComparedPerson): number[] =>
  work.person.flatMap((person, row) =>
    person !== cell.person &&
    isLike(likeness, cell, {
      site: work.site[row] as number,
      server: work.server[row] as number,
      station: work.station[row] as number,
    })
      ? [row]
      : [],
  );

/** So many times as long as usual, by the middle of each step; null where nothing came. */
function middlesOf({ excess, halfHour }: Work, rows: readonly number[], { startMs, length }: Steps): (number | null)[] {
  const steps = Array.from({ length }, (): number[] => []);
  for (const row of rows) steps[(halfHour[row] as number) - startMs / STEP_MS]?.push(excess[row] as number);
  return steps.map((values) => {
    const middle = median(values);
    return middle === undefined ? null : Math.exp(middle);
  });
}

/** All that the person did, whether it can be judged or not. */
async function volumeOf(
  state: EngineState,
  { window, focus, persons }: { window: Window; focus: WorkPersonQuestion['focus']; persons: readonly number[] },
  { startMs, length }: Steps,
): Promise<Pick<WorkPersonShape, 'attempts' | 'failed' | 'volume'>> {
  const { flows, holds } = workIn(state, focus);
  const volume = Array.from({ length }, () => 0);
  let [attempts, failed] = [0, 0];
  await eachAttempt(state, { window, flows }, (rows, row) => {
    if (!persons.includes(rows.person[row] as number) || !holds(rows, row)) return;
    attempts++;
    if ((rows.flags[row] as number) & FAILED) failed++;
    const step = Math.floor(((rows.startMs[row] as number) - startMs) / STEP_MS);
    volume[step] = (volume[step] ?? 0) + 1;
  });
  return { attempts, failed, volume };
}
