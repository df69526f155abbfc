import type { Subject } from '@toplens/core/alerts';
import { isWithTeam } from '@toplens/core/handoffs';
import { HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import type { HandoffSummaryShape } from './contract/handoffs';
import type { Engine } from './engine/engine';
import type { Intake } from './intake/intake';
import type { Search } from './search/search';

const NO_FOCUS = { focus: { values: {} } };
/** A source that told much of itself, and nothing for so long, fell silent. */
const SILENT_MS = 10 * MINUTE_MS;
const TOLD_MUCH = 100;

const iso = (ms: number) => new Date(ms).toISOString();

/** What most subjects have none of. */
const BLANK = { points: 0, people: 0, priority: '', chance: 0, withTeam: '', isAccepted: false, goesOn: true } as const;

/** All that a rule of alerts may watch, as it stands now. */
export async function alertSubjects({
  engine,
  intake,
  search,
  handoffs,
}: {
  engine: Engine;
  intake: Intake;
  search: Search;
  handoffs: () => Promise<HandoffSummaryShape[]>;
}): Promise<Subject[]> {
  const window = { lengthMs: HOUR_MS };
  const listed = await engine.worstFirst({ window, ranking: 'harm', rates: 'then', against: 'nothing', ...NO_FOCUS });
  const moment = { fromMs: listed.window.fromMs, toMs: listed.window.toMs };
  const [early, promises, probes, phone] = await Promise.all([
    engine.ask('earlyWarnings', { window }),
    engine.ask('promises', { window }),
    engine.ask('probes', { window }),
    search.ask('phone', { window: moment, application: undefined, values: {} }, moment.toMs).catch(() => null),
  ]);
  return [
    ...listed.rows.map((row): Subject => ({
      ...BLANK,
      kind: 'incident',
      id: `incident-${row.id}`,
      title: row.title,
      application: row.application,
      team: row.proposedTeam ?? '',
      // The moment at which it was told: what came later is a tap away.
      path: `/incident/${row.id}?from=${iso(moment.fromMs)}&to=${iso(moment.toMs)}`,
      sinceMs: row.onsetMs,
      goesOn: row.inTroubleNow,
      points: row.harmPerHour,
      people: row.people.estimate,
      level: row.level,
      priority: row.priority,
      withTeam: row.handoff && isWithTeam(row.handoff.state) ? row.handoff.team : '',
      isAccepted:
        row.handoff !== null && isWithTeam(row.handoff.state) && !['draft', 'sent'].includes(row.handoff.state),
    })),
    ...(await handoffs())
      .filter(({ waits }) => waits?.isLate)
      .map((one): Subject => ({
        ...BLANK,
        kind: 'handoff',
        id: `handoff-${one.id}-${one.waits?.for}`,
        title: `${one.waits?.for === 'fix' ? 'No fix so far' : 'Not accepted so far'}: ${one.title}`,
        application: '',
        team: one.team,
        path: `/handoff/${one.id}`,
        sinceMs: Date.parse(one.stateAt),
        level: 'hurting',
        priority: one.priority ?? '',
        withTeam: one.team,
      })),
    ...[...early.warnings, ...listed.earlyWarnings].map((one): Subject => {
      const isIncident = 'id' in one;
      return {
        ...BLANK,
        kind: 'early',
        id: isIncident ? `early-${one.id}` : `early-${one.title.replace(/\d/g, '')}`,
        title: one.title,
        application: isIncident ? one.application : '',
        team: isIncident ? '' : (one.team ?? ''),
        path: isIncident ? `/incident/${one.id}` : '/standing',
        sinceMs: (isIncident ? one.onsetMs : one.sinceMs) ?? moment.toMs,
        goesOn: isIncident ? one.inTroubleNow : true,
        level: 'strained',
      };
    }),
    ...promises.promises.map((one): Subject => ({
      ...BLANK,
      kind: 'promise',
      id: `promise-${one.name}-${one.period.toMs}`,
      title: one.state === 'broken' ? `Broken: ${one.name}` : `In danger: ${one.name}`,
      application: '',
      team: '',
      path: `/promises/${encodeURIComponent(one.name)}`,
      sinceMs: one.period.fromMs,
      goesOn: one.state !== 'noData',
      level: one.state === 'broken' ? 'broken' : 'strained',
      chance: one.state === 'broken' ? 1 : (one.forecast?.chanceOfBreaking ?? 0),
    })),
    ...probes.lines
      .filter(({ standing }) => standing === 'broken' || standing === 'slow')
      .map((one): Subject => ({
        ...BLANK,
        kind: 'probe',
        id: `probe-${one.probe}-${one.site}`,
        title: `Probe ${one.probe} from ${one.site}: ${one.words}`,
        application: one.application,
        team: one.team ?? '',
        path: `/probe/${encodeURIComponent(one.probe)}`,
        sinceMs: one.sinceMs ?? moment.toMs,
        level: one.standing === 'broken' ? 'broken' : 'strained',
      })),
    ...intake.senders.list
      .filter(({ came, lastMs }) => came >= TOLD_MUCH && Date.now() - lastMs >= SILENT_MS)
      .map((one): Subject => ({
        ...BLANK,
        kind: 'silence',
        id: `silence-${one.component}`,
        title: `Nothing more comes from ${one.component}`,
        application: '',
        team: '',
        path: '/settings',
        sinceMs: one.lastMs,
        level: 'hurting',
      })),
    ...(phone?.groups ?? [])
      .filter(({ state }) => state === 'new' || state === 'back')
      .map((one): Subject => ({
        ...BLANK,
        kind: 'crash',
        id: `crash-${one.id}`,
        title: `${one.state === 'new' ? 'New crash' : 'Crash is back'}: ${one.place || one.type}`,
        application: one.application,
        team: '',
        path: `/crash-group/${one.id}`,
        sinceMs: one.firstMs,
        people: one.people,
        level: 'hurting',
      })),
  ];
}
