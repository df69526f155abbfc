import { deadReplicas } from '@toplens/core/estate';
import { FIGURE_KINDS, figureWords, ownerWords, type JudgedFigure } from '@toplens/core/hosts';
import { proposeTeam } from '@toplens/core/handoffs';
import { BUCKET_MS } from '@toplens/core/flows';
import { isNextToNothing } from '@toplens/core/normal';
import { histogramQuantile } from '@toplens/core/stats';
import { DAY_MS, floorTo, HOUR_MS, MINUTE_MS, type Window } from '@toplens/core/time';
import { durationWords, lengthWords } from '@toplens/core/words';
import type { EarlyWarningsShape, PartWarningShape } from '../../contract/infrastructure';
import { seenParts } from '../../store/activity';
import { judgedIn, rankedOf } from '../harm/judged';
import { flowSums } from '../reading/flow-sums';
import { NO_FOCUS } from '../reading/focus';
import { judgeAllFigures } from '../reading/hosts';
import { isPastWindow, resolveWindow } from '../reading/windows';
import { PerVersion } from '../state/per-version';
import type { EngineState } from '../state/engine-state';
import type { FlowsQuestion } from '../state/questions';
import { incidentHosts } from './incident-hosts';
import { probeWarnings } from './probe-warnings';
import { scopeOf } from './incident-scope';

/**
 * The last half hour of a window is looked at, beside two hours around the same time of the day before; where nothing is
 * known of that, beside the hours before it.
 */
const NOW_MS = 30 * MINUTE_MS;
const HOURS_BEFORE = 6;
const LONGEST_EMPTY_MS = DAY_MS;
const MOST = 12;

const made = new PerVersion<EarlyWarningsShape>(10);

/** What is not as usual at the end of a window, and belongs to nothing that hurts anybody. */
export function earlyWarnings(
  state: EngineState,
  { window: asked }: Pick<FlowsQuestion, 'window'>,
): Promise<EarlyWarningsShape> {
  const window = resolveWindow(state, asked);
  return made.get(state, `${window.fromMs}:${window.toMs}`, async () => {
    const probes = await probeWarnings(state, window);
    const all = [
      ...(await emptyAnswers(state, window)),
      ...(await silentHosts(state, window)),
      ...(await oddFigures(state, window)),
    ];
    const hurting = await whereItHurts(state, window);
    return { window, warnings: [...probes, ...all.filter((one) => !hurting(one))].slice(0, MOST) };
  });
}

/** Whether something stands on the way of an incident that hurts people: there it is told already. */
async function whereItHurts(
  state: EngineState,
  window: Window,
): Promise<(one: Pick<PartWarningShape, 'flow' | 'component' | 'host'>) => boolean> {
  const last = { fromMs: Math.max(window.fromMs, window.toMs - HOUR_MS), toMs: window.toMs };
  const components = new Set<string>();
  const odd = new Set<string>();
  const flows = new Set<number>();
  for (const { incident } of rankedOf(await judgedIn(state, last, Infinity, { values: {} }), last, 'harm')) {
    for (const { flow } of incident.parts) flows.add(flow);
    for (const component of (await scopeOf(state, incident)).components) components.add(component);
    for (const line of (await incidentHosts(state, incident))?.lines ?? [])
      for (const { host } of line.odd) odd.add(host);
  }
  return ({ flow, component, host }) =>
    flow === null ? (component === '' ? odd.has(host) : components.has(component)) : flows.has(flow);
}

const teamOf = (state: EngineState, component: string) =>
  proposeTeam(state.settings.at().ownership, { application: '', component })?.team ?? null;

/** Flows that answer in next to no time: perhaps an outage that counts as a success. */
async function emptyAnswers(state: EngineState, { toMs }: Window): Promise<PartWarningShape[]> {
  const sums = await flowSums(state, { fromMs: toMs - NOW_MS, toMs }, NO_FOCUS);
  return [...sums].flatMap(([flow, { attempts, failed, durations }]) => {
    if (state.names.kindOf(flow) === 'businessEvent') return [];
    const medianMs = histogramQuantile(durations, 0.5);
    const { expectedMs } = state.history.normalAt(flow, toMs - 1);
    if (medianMs === undefined || !isNextToNothing({ answered: attempts - failed, medianMs }, expectedMs)) return [];
    const { name, application } = state.names.flow(flow);
    return [
      {
        kind: 'empty' as const,
        flow,
        component: '',
        host: '',
        probe: null,
        team: proposeTeam(state.settings.at().ownership, { application, flow: name })?.team ?? null,
        sinceMs: emptySince(state, flow, toMs),
        title: `Answers in ${durationWords(medianMs)} in place of ${durationWords(expectedMs as number)}: ${name}`,
        mayBecome: 'So quick an answer has hardly done its work: perhaps an outage that counts as a success.',
      },
    ];
  });
}

/** From which five minutes on it answered so quickly without a break. */
function emptySince({ history }: EngineState, flow: number, toMs: number): number {
  let sinceMs = floorTo(toMs - 1, BUCKET_MS);
  for (let atMs = sinceMs; atMs > toMs - LONGEST_EMPTY_MS; atMs -= BUCKET_MS) {
    const bucket = history.bucket(flow, atMs);
    const { expectedMs } = history.normalAt(flow, atMs);
    // A few answers of five minutes tell enough once the half hour told it.
    if (bucket && !isNextToNothing({ answered: Infinity, medianMs: bucket.medianMs }, expectedMs)) break;
    if (bucket) sinceMs = atMs;
  }
  return sinceMs;
}

/** When a host was last heard of is known of now alone. */
async function silentHosts(state: EngineState, window: Window): Promise<PartWarningShape[]> {
  if (isPastWindow(state, window)) return [];
  return deadReplicas(await seenParts(state.database), state.judgedMs).map(({ component, host, lastMs, alive }) => ({
    kind: 'replica',
    flow: null,
    component,
    host,
    probe: null,
    team: teamOf(state, component),
    sinceMs: lastMs,
    title: `Silent for ${lengthWords(state.judgedMs - lastMs)}: ${component} on ${host}`,
    mayBecome: alive === 1 ? 'One host carries all of it now.' : `${alive} other hosts carry all of it now.`,
  }));
}

async function oddFigures(state: EngineState, { toMs }: Window): Promise<PartWarningShape[]> {
  const now = { fromMs: toMs - NOW_MS, toMs };
  const hoursBefore = { fromMs: toMs - HOURS_BEFORE * HOUR_MS, toMs: now.fromMs - HOUR_MS };
  return (await judgeAllFigures(state, now, hoursBefore))
    .filter(({ verdict }) => verdict === 'raised' || verdict === 'full')
    .sort((a, b) => Number(b.verdict === 'full') - Number(a.verdict === 'full') || ratio(b) - ratio(a))
    .map((one) => ({
      kind: one.verdict === 'full' ? 'full' : 'raised',
      flow: null,
      component: one.component,
      host: one.host,
      probe: null,
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
