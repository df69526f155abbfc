import type { Subject, WatchedKind } from '@toplens/core/alerts';
import { isAccepted, isWithTeam } from '@toplens/core/handoffs';
import { HOUR_MS, MINUTE_MS, type Window } from '@toplens/core/time';
import type { HandoffSummaryShape } from './contract/handoffs';
import type { WorstFirstShape } from './contract/incidents';
import type { Engine } from './engine/engine';
import type { Intake } from './intake/intake';
import type { Search } from './search/search';

/** A source that told much of itself, and nothing for so long, fell silent. */
const SILENT_MS = 10 * MINUTE_MS;
const TOLD_MUCH = 100;
const LAST_HOUR = { lengthMs: HOUR_MS };

const iso = (ms: number) => new Date(ms).toISOString();

/** What most subjects have none of. */
const BLANK = {
  application: '',
  team: '',
  points: 0,
  people: 0,
  priority: '',
  chance: 0,
  withTeam: '',
  isAccepted: false,
  goesOn: true,
} as const;

export interface SubjectSources {
  engine: Engine;
  intake: Intake;
  search: Search;
  handoffs: () => Promise<HandoffSummaryShape[]>;
}

/** What is asked of the present. */
interface Present extends SubjectSources {
  listed: WorstFirstShape;
  window: Window;
}

/** All of these kinds that a rule of alerts may watch, as it stands now; other kinds are not asked for. */
export async function alertSubjects(sources: SubjectSources, kinds: ReadonlySet<WatchedKind>): Promise<Subject[]> {
  const listed = await sources.engine.worstFirst({
    window: LAST_HOUR,
    ranking: 'harm',
    rates: 'then',
    against: 'nothing',
    focus: { values: {} },
  });
  const present = { ...sources, listed, window: { fromMs: listed.window.fromMs, toMs: listed.window.toMs } };
  return (await Promise.all([...kinds].map(async (kind) => SUBJECTS[kind](present)))).flat();
}

const SUBJECTS: Readonly<Record<WatchedKind, (present: Present) => Subject[] | Promise<Subject[]>>> = {
  incident: ({ listed, window }) =>
    listed.rows.map((row) => ({
      ...BLANK,
      kind: 'incident',
      id: `incident-${row.id}`,
      title: row.title,
      application: row.application,
      team: row.proposedTeam ?? '',
      // The moment at which it was told: what came later is a tap away.
      path: `/incident/${row.id}?from=${iso(window.fromMs)}&to=${iso(window.toMs)}`,
      sinceMs: row.onsetMs,
      goesOn: row.inTroubleNow,
      points: row.harmPerHour,
      people: row.people.estimate,
      level: row.level,
      priority: row.priority,
      withTeam: row.handoff && isWithTeam(row.handoff.state) ? row.handoff.team : '',
      isAccepted: row.handoff !== null && isAccepted(row.handoff.state),
    })),
  handoff: async ({ handoffs }) =>
    (await handoffs())
      .filter(({ waits }) => waits?.isLate)
      .map((one) => ({
        ...BLANK,
        kind: 'handoff',
        id: `handoff-${one.id}-${one.waits?.for}`,
        title: `${one.waits?.for === 'fix' ? 'No fix so far' : 'Not accepted so far'}: ${one.title}`,
        team: one.team,
        path: `/handoff/${one.id}`,
        sinceMs: Date.parse(one.stateAt),
        level: 'hurting',
        priority: one.priority ?? '',
        withTeam: one.team,
      })),
  early: async ({ engine, listed, window }) => [
    ...(await engine.ask('earlyWarnings', { window: LAST_HOUR })).warnings.map((one): Subject => ({
      ...BLANK,
      kind: 'early',
      id: `early-${one.title.replace(/\d/g, '')}`,
      title: one.title,
      team: one.team ?? '',
      path: '/standing',
      sinceMs: one.sinceMs ?? window.toMs,
      level: 'strained',
    })),
    ...listed.earlyWarnings.map((one): Subject => ({
      ...BLANK,
      kind: 'early',
      id: `early-${one.id}`,
      title: one.title,
      application: one.application,
      path: `/incident/${one.id}`,
      sinceMs: one.onsetMs,
      goesOn: one.inTroubleNow,
      level: 'strained',
    })),
  ],
  promise: async ({ engine }) =>
    (await engine.ask('promises', { window: LAST_HOUR })).promises.map((one) => ({
      ...BLANK,
      kind: 'promise',
      id: `promise-${one.name}-${one.period.toMs}`,
      title: one.state === 'broken' ? `Broken: ${one.name}` : `In danger: ${one.name}`,
      path: `/promises/${encodeURIComponent(one.name)}`,
      sinceMs: one.period.fromMs,
      goesOn: one.state !== 'noData',
      level: one.state === 'broken' ? 'broken' : 'strained',
      chance: one.state === 'broken' ? 1 : (one.forecast?.chanceOfBreaking ?? 0),
    })),
  probe: async ({ engine, window }) =>
    (await engine.ask('probes', { window: LAST_HOUR })).lines
      .filter(({ standing }) => standing === 'broken' || standing === 'slow')
      .map((one) => ({
        ...BLANK,
        kind: 'probe',
        id: `probe-${one.probe}-${one.site}`,
        title: `Probe ${one.probe} from ${one.site}: ${one.words}`,
        application: one.application,
        team: one.team ?? '',
        path: `/probe/${encodeURIComponent(one.probe)}`,
        sinceMs: one.sinceMs ?? window.toMs,
        level: one.standing === 'broken' ? 'broken' : 'strained',
      })),
  silence: ({ intake }) =>
    intake.senders.list
      .filter(({ came, lastMs }) => came >= TOLD_MUCH && Date.now() - lastMs >= SILENT_MS)
      .map((one) => ({
        ...BLANK,
        kind: 'silence',
        id: `silence-${one.component}`,
        title: `Nothing more comes from ${one.component}`,
        path: '/settings',
        sinceMs: one.lastMs,
        level: 'hurting',
      })),
  crash: async ({ search, window }) => {
    const question = { window, application: undefined, values: {} };
    const phone = await search.ask('phone', question, window.toMs).catch(() => null);
    return (phone?.groups ?? [])
      .filter(({ state }) => state === 'new' || state === 'back')
      .map((one) => ({
        ...BLANK,
        kind: 'crash',
        id: `crash-${one.id}`,
        title: `${one.state === 'new' ? 'New crash' : 'Crash is back'}: ${one.place || one.type}`,
        application: one.application,
        path: `/crash-group/${one.id}`,
        sinceMs: one.firstMs,
        people: one.people,
        level: 'hurting',
      }));
  },
};
