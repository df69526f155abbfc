import { newestFirst, type Happening } from '@toplens/core/happened';
import type { HappenedShape } from '../../contract/happened';
import { changesIn } from '../../store/changes';
import { handoffEventsIn } from '../../store/handoffs';
import { messagesIn } from '../../store/outbox';
import { describe, rootOf } from '../harm/describe';
import { hurtsSomebody, isSetAside, judgedIn } from '../harm/judged';
import { proposalFor } from '../harm/proposal';
import { resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';
import type { HappenedQuestion } from '../state/questions';

/** So many are told; a feed is for what is new. */
const MOST = 500;

/** What happened in a window: incidents that opened or ended, early warnings, handoffs, releases, changes. */
export async function happened(
  state: EngineState,
  { window: asked, focus, kind }: HappenedQuestion,
): Promise<HappenedShape> {
  const window = resolveWindow(state, asked);
  const within = ({ atMs }: Happening) => atMs >= window.fromMs && atMs < window.toMs;
  const wanted = (one: Happening) =>
    within(one) &&
    (kind === undefined || one.kind === kind) &&
    (focus.application === undefined || one.application === focus.application) &&
    (focus.team === undefined || one.team === focus.team);
  // Bills and titles take long; releases and changes have none.
  const incidents = kind === 'release' || kind === 'change' ? [] : await ofIncidents(state, window);
  const all = newestFirst(
    [
      ...incidents.flatMap(({ happenings }) => happenings),
      ...(await ofHandoffs(state, window, new Map(incidents.map((one) => [one.id, one])))),
      ...(await ofAlerts(state, window)),
      ...ofReleases(state),
      ...(await ofChanges(state, window)),
    ].filter(wanted),
  );
  return { window, isCut: all.length > MOST, happenings: all.slice(0, MOST) };
}

interface ToldIncident {
  id: number;
  title: string;
  application: string;
  happenings: Happening[];
}

async function ofIncidents(state: EngineState, window: HappenedShape['window']): Promise<ToldIncident[]> {
  const judged = await judgedIn(state, window, window.toMs);
  return Promise.all(
    judged
      .filter(({ incident }) => !isSetAside(incident, window))
      .map(async (one) => {
        const { id, incident } = one;
        const { title } = await describe(state, one, window);
        const { application } = state.names.flow(rootOf(incident).flow);
        const about = { title, application, team: proposalFor(state, incident)?.team ?? '', path: `/incident/${id}` };
        const isFelt = hurtsSomebody(one);
        const happenings: Happening[] = [
          { id: `opened-${id}`, kind: isFelt ? 'opened' : 'early', atMs: incident.onsetMs, ...about },
          ...(isFelt && !incident.active
            ? [{ id: `over-${id}`, kind: 'over' as const, atMs: incident.endMs, ...about, title: `Over: ${title}` }]
            : []),
        ];
        return { id, title, application, happenings };
      }),
  );
}

async function ofHandoffs(
  { database }: EngineState,
  window: HappenedShape['window'],
  incidents: ReadonlyMap<number, ToldIncident>,
): Promise<Happening[]> {
  return (await handoffEventsIn(database, window, MOST)).map(({ id, atMs, what, handoff, incident, team }) => {
    const known = incidents.get(incident);
    return {
      id: `handoff-${id}`,
      kind: what === 'proven' ? 'proven' : 'handoff',
      atMs,
      title: [(HANDOFF_WORDS[what] ?? ((one: string) => `${one}: ${what}`))(team), known?.title]
        .filter(Boolean)
        .join(': '),
      application: known?.application ?? '',
      team,
      path: `/handoff/${handoff}`,
    };
  });
}

const HANDOFF_WORDS: Readonly<Record<string, (team: string) => string>> = {
  written: (team) => `Sent to ${team}`,
  'sent again': (team) => `Sent again to ${team}`,
  delivered: (team) => `Delivered to ${team}`,
  'not delivered': (team) => `Not delivered to ${team}`,
  taken: (team) => `Accepted by ${team}`,
  returned: (team) => `Returned by ${team}`,
  moved: (team) => `Moved to ${team}`,
  merged: (team) => `Merged by ${team}`,
  fixReported: (team) => `Fix reported by ${team}`,
  watching: (team) => `The fix of ${team} is watched`,
  proven: (team) => `Back to normal, proven, with ${team}`,
  inPart: (team) => `Fixed in part by ${team}`,
  notProven: (team) => `Not proven: it goes on, with ${team}`,
};

/** A message that went out by several ways is one alert. */
async function ofAlerts({ database }: EngineState, window: HappenedShape['window']): Promise<Happening[]> {
  const once = new Map<string, Happening>();
  for (const { id, receiver, conversation, stage, message, path, madeMs } of await messagesIn(database, window, MOST)) {
    const key = `${conversation ?? id} ${stage} ${madeMs}`;
    if (stage === 'test' || once.has(key)) continue;
    once.set(key, {
      id: `alert-${id}`,
      kind: 'alert',
      atMs: madeMs,
      title: `Told ${receiver}: ${message.subject}`,
      application: '',
      team: receiver,
      path,
    });
  }
  return [...once.values()];
}

const ofReleases = ({ releases }: EngineState): Happening[] =>
  releases.map(({ application, version, firstMs }) => ({
    id: `release-${application}-${version}`,
    kind: 'release',
    atMs: firstMs,
    title: `${application} ${version} was first seen`,
    application,
    team: '',
    path: '/flows',
  }));

const KIND_WORDS: Readonly<Record<string, string>> = {
  release: 'released',
  commit: 'commit',
  setting: 'setting',
  flag: 'flag',
};

async function ofChanges({ database }: EngineState, window: HappenedShape['window']): Promise<Happening[]> {
  return (await changesIn(database, window, MOST)).map(({ id, kind, component, atMs, title, by }) => ({
    id: `change-${id}`,
    kind: kind === 'release' ? 'release' : 'change',
    atMs,
    title: `${component} ${KIND_WORDS[kind] ?? kind}: ${title}${by === '' ? '' : `, by ${by}`}`,
    application: '',
    team: '',
    path: `/component/${encodeURIComponent(component)}`,
  }));
}
