import { proposeTeam } from '@toplens/core/handoffs';
import {
  cellsOf,
  compareWork,
  healthWords,
  offWords,
  onOneScale,
  type DeviceHealth,
  type Off,
  type WorkCell,
} from '@toplens/core/sites';
import { createHistogram, histogramQuantile, mergeHistograms, sum, type LogHistogram } from '@toplens/core/stats';
import type { SitesShape } from '../../contract/sites';
import { personIds } from '../../store/persons';
import { walkedPart } from '../reading/each-attempt';
import { resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';
import type { SitesQuestion } from '../state/questions';
import { againstLike } from './against-like';
import { deviceHealth } from './device-health';
import { gather, Tally, type Gathered } from './gather';

/** People that are listed; all of them are compared. */
const MOST_PERSONS = 40;

/** What people at work do, where, and what is off: the application, a server, a line, or one person's device. */
export async function sites(state: EngineState, { window: asked, focus, by }: SitesQuestion): Promise<SitesShape> {
  const window = walkedPart(resolveWindow(state, asked));
  const gathered = await gather(state, window, { focus, by });
  const compared = [...gathered.work].map(([application, work]) => {
    const cells = cellsOf(work.columns);
    return { application, cells, ...compareWork(cells) };
  });
  const listed = compared
    .flatMap(({ persons }) => persons)
    .sort((a, b) => b.shift - a.shift)
    .slice(0, MOST_PERSONS);
  const ids = await personIds(state.database, [
    ...listed.map(({ cell }) => cell.person),
    ...compared.flatMap(({ off }) => off.filter(({ layer }) => layer === 'device').map(({ id }) => id)),
  ]);
  const health = await deviceHealth(
    state,
    new Set(
      compared.flatMap(({ off }) =>
        off.filter(({ layer }) => layer === 'device').map(({ id }) => state.names.text(gathered.hosts.get(id) ?? 0)),
      ),
    ),
    window,
  );
  const cells = [...gathered.cells].flatMap(([id, groups]) =>
    [...groups].map(([group, tally]) => ({ id, group: state.names.text(group), tally })),
  );
  const everybody = new Set(cells.flatMap(({ tally }) => [...tally.people]));
  return {
    window,
    by,
    activities: [...gathered.cells]
      .map(([id, groups]) => {
        const { name, application } = state.names.flow(id);
        return { id, name, application, ...countsOf([...groups.values()]) };
      })
      .sort((a, b) => b.overMs - a.overMs || a.id - b.id),
    groups: groupsOf(gathered, (group) => state.names.text(group)),
    cells: cells.map(({ id, group, tally }) => {
      const { overMs: _overMs, ...counts } = countsOf([tally]);
      return {
        id,
        group,
        ...counts,
        medianMs: histogramQuantile(tally.durations, 0.5) ?? null,
        usualMs: state.history.normalAt(id, window.toMs - 1).expectedMs ?? null,
      };
    }),
    servers: [...gathered.servers]
      .map(([server, tally]) => ({ server: state.names.text(server), ...countsOf([tally]) }))
      .sort((a, b) => b.overMs - a.overMs || a.server.localeCompare(b.server)),
    off: compared.flatMap(({ application, cells: own, off }) =>
      off.map((one) => offShape(state, one, { application, cells: own, hosts: gathered.hosts, ids, health })),
    ),
    persons: listed.map((one) => ({
      person: state.pseudonyms.of(ids.get(one.cell.person) ?? ''),
      ...placeOf(state, one.cell, gathered.hosts),
      attempts: one.cell.attempts,
      ...againstLike(one),
    })),
    people: everybody.size,
    compared: sum(compared.map(({ persons }) => persons.length)),
  };
}

function placeOf({ names }: EngineState, { site, server, station, person }: WorkCell, hosts: Gathered['hosts']) {
  return {
    site: names.text(site),
    server: names.text(server),
    station: names.text(station),
    host: names.text(hosts.get(person) ?? 0),
  };
}

function countsOf(tallies: readonly Tally[]) {
  return {
    attempts: sum(tallies.map(({ attempts }) => attempts)),
    good: sum(tallies.map(({ good }) => good)),
    people: new Set(tallies.flatMap(({ people }) => [...people])).size,
    overMs: sum(tallies.map(({ overMs }) => overMs)),
  };
}

/** Each group over all its activities, on one scale. */
function groupsOf({ cells }: Gathered, nameOf: (group: number) => string): SitesShape['groups'] {
  const everybody = new Map<number, LogHistogram>();
  const byGroup = new Map<number, Map<number, Tally>>();
  for (const [flow, groups] of cells) {
    let all = createHistogram();
    for (const [group, tally] of groups) {
      all = mergeHistograms(all, tally.durations);
      byGroup.set(group, (byGroup.get(group) ?? new Map<number, Tally>()).set(flow, tally));
    }
    everybody.set(flow, all);
  }
  return [...byGroup]
    .flatMap(([group, flows]) => {
      const scale = onOneScale(
        [...flows].map(([flow, { durations }]) => ({
          everybody: everybody.get(flow) as LogHistogram,
          group: durations,
        })),
      );
      if (!scale) return [];
      const { attempts: _attempts, ...told } = scale;
      return [{ group: nameOf(group), ...countsOf([...flows.values()]), ...told }];
    })
    .sort((a, b) => weightOf(b) - weightOf(a) || a.group.localeCompare(b.group));
}

/** How far off the norm, and how much is done. */
const weightOf = ({ score, attempts }: SitesShape['groups'][number]): number => (score - 0.5) * attempts;

function offShape(
  state: EngineState,
  off: Off,
  {
    application,
    cells,
    hosts,
    ids,
    health,
  }: {
    application: string;
    cells: readonly WorkCell[];
    hosts: Gathered['hosts'];
    ids: ReadonlyMap<number, string>;
    health: ReadonlyMap<string, DeviceHealth>;
  },
): SitesShape['off'][number] {
  const { names } = state;
  const { layer, id, serverId, factor, people, attempts } = off;
  const cell = layer === 'device' ? cells.find(({ person }) => person === id) : undefined;
  const site = cell ? names.text(cell.site) : '';
  const host = names.text(hosts.get(id) ?? 0);
  const name =
    layer === 'application'
      ? application
      : layer === 'device'
        ? state.pseudonyms.of(ids.get(id) ?? '')
        : names.text(id);
  const component = {
    application: undefined,
    server: name,
    line: `line of ${name}`,
    serverOrLine: `line of ${name}`,
    device: `device of ${site}`,
  }[layer];
  return {
    layer,
    name: layer === 'device' && host !== '' ? `${name} on ${host}` : name,
    group: site,
    words: [
      offWords(off, { application, name, server: names.text(serverId) }),
      ...(layer === 'device' ? [healthWords(health.get(host) ?? { told: [], full: [] })] : []),
    ].join(' '),
    application,
    factor: factor.estimate,
    low: factor.low,
    high: factor.high,
    people,
    attempts,
    team:
      proposeTeam(state.settings.at().ownership, { application, ...(component !== undefined && { component }) })
        ?.team ?? null,
  };
}
