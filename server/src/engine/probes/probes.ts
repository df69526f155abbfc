import { PROBE_STANDINGS, probesSentence } from '@toplens/core/probes';
import type { Window } from '@toplens/core/time';
import type { ProbeLineShape, ProbesShape } from '../../contract/probes';
import { MOST_RUNS, probesAtSites } from '../reading/probe-runs';
import { resolveWindow } from '../reading/windows';
import { PerVersion } from '../state/per-version';
import type { EngineState } from '../state/engine-state';
import type { FlowsQuestion } from '../state/questions';
import { lineOf } from './line';
import { peopleOf, type PeopleOf } from './people-at';

const people = new PerVersion<Map<string, PeopleOf>>(4);
const lines = new PerVersion<Lines>(6);

/** Attempts of a day are walked: once for all who look. */
export const peopleBeside = (state: EngineState, applications: ReadonlySet<string>, { toMs }: Window) =>
  people.get(state, `${toMs} ${[...applications].sort().join('\u001f')}`, () =>
    peopleOf(state, applications, { toMs }),
  );

/** Each probe from each site, beside what people say of the same: made once for all who look. */
export const linesOf = (state: EngineState, window: Window): Promise<Lines> =>
  lines.get(state, `${window.fromMs}:${window.toMs}`, () => makeLines(state, window));

interface Lines {
  lines: readonly ProbeLineShape[];
  isCut: boolean;
}

async function makeLines(state: EngineState, window: Window): Promise<Lines> {
  const { lines: all, isCut } = await probesAtSites(state, window);
  const beside = await peopleBeside(state, new Set(all.map(({ application }) => application)), window);
  return { lines: all.map((line) => lineOf(state, line, { all, people: beside.get(line.application) })), isCut };
}

/** The worst first. */
export const worstFirst = (a: ProbeLineShape, b: ProbeLineShape): number =>
  PROBE_STANDINGS.indexOf(a.standing) - PROBE_STANDINGS.indexOf(b.standing) ||
  b.broken - a.broken ||
  b.slow - a.slow ||
  a.probe.localeCompare(b.probe) ||
  a.site.localeCompare(b.site);

/** Every probe from every site, the worst first. */
export async function probes(
  state: EngineState,
  { window: asked }: Pick<FlowsQuestion, 'window'>,
): Promise<ProbesShape> {
  const window = resolveWindow(state, asked);
  const { lines: unsorted, isCut } = await linesOf(state, window);
  const sorted = [...unsorted].sort(worstFirst);
  return { window, sentence: probesSentence(sorted), most: isCut ? MOST_RUNS : null, lines: sorted };
}
