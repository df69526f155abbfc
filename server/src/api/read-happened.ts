import { newestFirst, type Happening } from '@toplens/core/happened';
import type { HappenedShape } from '../contract/happened';
import type { CrashGroupShape } from '../contract/phones';
import type { ServiceLevelShape } from '../contract/promises';
import type { Engine } from '../engine/engine';
import type { HappenedQuestion } from '../engine/state/questions';
import type { Search } from '../search/search';

const MOST = 500;

/** What happened: what the engine tells, budgets of promises that were spent, and crashes that are new or came back. */
export async function readHappened(
  { engine, search }: { engine: Engine; search: Search },
  question: HappenedQuestion,
): Promise<HappenedShape> {
  const { kind, focus } = question;
  const isAsked = (one: Happening['kind']) => kind === undefined || kind === one;
  const told = await engine.ask('happened', question);
  const { window } = told;
  const [promises, phone] = await Promise.all([
    isAsked('promise') ? engine.ask('promises', { window }) : null,
    // A list is told whether what crashed can be read or not.
    isAsked('crash')
      ? search.ask('phone', { window, application: focus.application, values: {} }, window.toMs).catch(() => null)
      : null,
  ]);
  const wanted = ({ atMs, application, team }: Happening) =>
    atMs >= window.fromMs &&
    atMs < window.toMs &&
    (focus.application === undefined || application === focus.application) &&
    (focus.team === undefined || team === focus.team);
  const others = [...(promises?.promises ?? []).flatMap(ofPromise), ...(phone?.groups ?? []).flatMap(ofCrashes)];
  const all = newestFirst([...told.happenings, ...others.filter(wanted)]);
  return { window, isCut: told.isCut || all.length > MOST, happenings: all.slice(0, MOST) };
}

/** The moment at which nothing was left of a budget. */
export function ofPromise({ name, period, line }: ServiceLevelShape): Happening[] {
  const spent = line.left.findIndex((left) => left <= 0);
  if (spent < 0) return [];
  return [
    {
      id: `promise-${name}-${period.fromMs}`,
      kind: 'promise',
      atMs: line.startMs + spent * line.stepMs,
      title: `The budget of “${name}” is spent`,
      application: '',
      team: '',
      path: `/promises/${encodeURIComponent(name)}`,
    },
  ];
}

/** "New crash in Camera.take: IllegalStateException" */
export function ofCrashes({ id, state, type, place, application, firstMs }: CrashGroupShape): Happening[] {
  if (state !== 'new' && state !== 'back') return [];
  const what = type.split('.').at(-1) ?? type;
  return [
    {
      id: `crash-${id}`,
      kind: 'crash',
      atMs: firstMs,
      title: `${state === 'new' ? 'New crash' : 'A crash came back'}${place === '' ? '' : ` in ${place}`}: ${what}`,
      application,
      team: '',
      path: `/crash-group/${id}`,
    },
  ];
}
