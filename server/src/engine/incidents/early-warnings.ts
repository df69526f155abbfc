import { deadReplicas } from '@toplens/core/estate';
import { FIGURE_KINDS, figureWords, ownerWords, type JudgedFigure } from '@toplens/core/hosts';
import { proposeTeam } from '@toplens/core/handoffs';
import { lengthWords } from '@toplens/core/words';
import { HOUR_MS, MINUTE_MS, type Window } from '@toplens/core/time';
import type { EarlyWarningsShape, HostWarningShape } from '../../contract/infrastructure';
import { seenParts } from '../../store/activity';
import { judgedIn, rankedOf } from '../harm/judged';
import { judgeAllFigures } from '../reading/hosts';
import { isPastWindow, resolveWindow } from '../reading/windows';
import { PerVersion } from '../state/per-version';
import type { EngineState } from '../state/engine-state';
import type { FlowsQuestion } from '../state/questions';
import { incidentHosts } from './incident-hosts';
import { scopeOf } from './incident-scope';

/**
 * The last half hour of a window is looked at, beside two hours around the same time of the day before; where nothing is
 * known of that, beside the hours before it.
 */
const NOW_MS = 30 * MINUTE_MS;
const HOURS_BEFORE = 6;
const MOST = 12;

const made = new PerVersion<EarlyWarningsShape>(10);

/** What is not as usual on hosts at the end of a window, and belongs to nothing that hurts anybody. */
export function earlyWarnings(
  state: EngineState,
  { window: asked }: Pick<FlowsQuestion, 'window'>,
): Promise<EarlyWarningsShape> {
  const window = resolveWindow(state, asked);
  return made.get(state, `${window.fromMs}:${window.toMs}`, async () => {
    const all = [...(await silentHosts(state, window)), ...(await oddFigures(state, window))];
    const hurting = await whereItHurts(state, window);
    return { window, warnings: all.filter((one) => !hurting(one)).slice(0, MOST) };
  });
}

/** Whether something stands on the way of an incident that hurts people: there it is told already. */
async function whereItHurts(
  state: EngineState,
  window: Window,
): Promise<(one: { component: string; host: string }) => boolean> {
  const last = { fromMs: Math.max(window.fromMs, window.toMs - HOUR_MS), toMs: window.toMs };
  const components = new Set<string>();
  const odd = new Set<string>();
  for (const { incident } of rankedOf(await judgedIn(state, last, Infinity, { values: {} }), last, 'harm')) {
    for (const component of (await scopeOf(state, incident)).components) components.add(component);
    for (const line of (await incidentHosts(state, incident))?.lines ?? [])
      for (const { host } of line.odd) odd.add(host);
  }
  return ({ component, host }) => (component === '' ? odd.has(host) : components.has(component));
}

const teamOf = (state: EngineState, component: string) =>
  proposeTeam(state.settings.at().ownership, { application: '', component })?.team ?? null;

/** When a host was last heard of is known of now alone. */
async function silentHosts(state: EngineState, window: Window): Promise<HostWarningShape[]> {
  if (isPastWindow(state, window)) return [];
  return deadReplicas(await seenParts(state.database), state.judgedMs).map(({ component, host, lastMs, alive }) => ({
    kind: 'replica',
    component,
    host,
    team: teamOf(state, component),
    sinceMs: lastMs,
    title: `Silent for ${lengthWords(state.judgedMs - lastMs)}: ${component} on ${host}`,
    mayBecome: alive === 1 ? 'One host carries all of it now.' : `${alive} other hosts carry all of it now.`,
  }));
}

async function oddFigures(state: EngineState, { toMs }: Window): Promise<HostWarningShape[]> {
  const now = { fromMs: toMs - NOW_MS, toMs };
  const hoursBefore = { fromMs: toMs - HOURS_BEFORE * HOUR_MS, toMs: now.fromMs - HOUR_MS };
  return (await judgeAllFigures(state, now, hoursBefore))
    .filter(({ verdict }) => verdict === 'raised' || verdict === 'full')
    .sort((a, b) => Number(b.verdict === 'full') - Number(a.verdict === 'full') || ratio(b) - ratio(a))
    .map((one) => ({
      kind: one.verdict === 'full' ? 'full' : 'raised',
      component: one.component,
      host: one.host,
      team: one.component === '' ? null : teamOf(state, one.component),
      sinceMs: null,
      title: `${FIGURE_KINDS[one.figure].words} ${figureWords(one.figure, one.now)}: ${ownerWords(one)}`,
      mayBecome:
        one.verdict === 'full'
          ? 'Nothing is left of it: who needs it will wait or fail.'
          : `${figureWords(one.figure, one.usual)} ${AGAINST_WORDS[one.against]}.`,
    }));
}

const AGAINST_WORDS = { day: 'at the same time of the day before', before: 'in the hours before' } as const;

const ratio = ({ now, usual }: JudgedFigure) => now / Math.max(usual, 1e-9);
