import { adviceFor, FIGURE_METRICS, figuresOf, judgeFigure, restartsIn, ruledOut, type JudgedFigure, type StoredSeries } from '@toplens/core/hosts';
import { MINUTE_MS, type Window } from '@toplens/core/time';
import type { HostFigureShape, HostsShape } from '../api/shapes';
import { loadSeries } from '../store/metrics';
import { scopeOf } from './incident-scope';
import { PerVersion } from './per-version';
import type { World } from './world';

/** A counter needs the point before its first. */
const LEAD_MS = 5 * MINUTE_MS;
const WANTED: ReadonlySet<string> = new Set(FIGURE_METRICS);

const made = new PerVersion<HostsShape>(30);

/** What hosts, processes and runtimes did while an incident went on; null when there is no such incident. */
export async function incidentHosts(world: World, { id }: { id: number }): Promise<HostsShape | null> {
  const incident = world.register.get(id);
  if (!incident || incident.withdrawn) return null;
  return made.get(world, String(id), async () => {
    const { components, hosts, now, before } = await scopeOf(world, incident);
    const looked = new Set([...hosts.values()].flat());
    return lookAt(world, new Set(components), looked, now, before);
  });
}

/** Series of some components and hosts, and figures made of them, judged in a stretch of time by the time before. */
export async function judgeHosts(
  world: World,
  components: ReadonlySet<string>,
  hosts: ReadonlySet<string>,
  now: Window,
  before: Window,
): Promise<{ series: StoredSeries[]; judged: JudgedFigure[] }> {
  const series = await loadSeries(world.database, ({ metric, component, host }) => WANTED.has(metric) && (components.has(component) || hosts.has(host)), {
    fromMs: before.fromMs - LEAD_MS,
    toMs: now.toMs,
  });
  const judged = figuresOf(series)
    // A neighbour on the same host tells of the host; its own heap is not asked for.
    .filter(({ component }) => component === '' || components.has(component))
    .map((figure) => judgeFigure(figure, now, before));
  return { series, judged };
}

/** What was as usual in a stretch of time, and what was not. */
export async function lookAt(world: World, components: ReadonlySet<string>, hosts: ReadonlySet<string>, now: Window, before: Window): Promise<HostsShape> {
  const { series: all, judged } = await judgeHosts(world, components, hosts, now, before);
  const restarts = restartsIn(all.filter(({ series }) => components.has(series.component)), { fromMs: now.fromMs - 10 * MINUTE_MS, toMs: now.toMs }); // prettier-ignore
  return {
    now,
    before,
    lines: ruledOut(judged).map(({ odd, ...line }) => ({ ...line, odd: odd.map(figureShape) })),
    restarts,
    advice: adviceFor(judged),
    unknown: judged.filter(({ verdict }) => verdict === 'unknown').length,
  };
}

export const figureShape = ({ minutes, usual, now, highest, ...one }: JudgedFigure): HostFigureShape => ({
  ...one,
  usual: told(usual),
  now: told(now),
  highest: told(highest),
  points: [...minutes].map(([atMs, value]) => ({ atMs, value })),
});

const told = (value: number) => (Number.isNaN(value) ? null : value);
