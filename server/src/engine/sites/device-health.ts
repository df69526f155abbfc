import { FIGURE_KINDS, FIGURE_METRICS, figuresOf } from '@toplens/core/hosts';
import type { DeviceHealth } from '@toplens/core/sites';
import { median } from '@toplens/core/stats';
import type { Window } from '@toplens/core/time';
import { loadSeries } from '../../store/metrics';
import type { EngineState } from '../state/engine-state';

const WANTED: ReadonlySet<string> = new Set(FIGURE_METRICS);

/** What devices tell of themselves in a window, by name; a device that tells nothing is not in it. */
export async function deviceHealth(
  { database }: Pick<EngineState, 'database'>,
  hosts: ReadonlySet<string>,
  window: Window,
): Promise<Map<string, DeviceHealth>> {
  if (hosts.size === 0) return new Map();
  const series = await loadSeries(database, ({ metric, host }) => WANTED.has(metric) && hosts.has(host), window);
  const health = new Map<string, { told: string[]; full: { figure: string; share: number }[] }>();
  for (const { figure, host, minutes } of figuresOf(series)) {
    const { words, full } = FIGURE_KINDS[figure];
    const share = median(
      [...minutes].filter(([ms]) => ms >= window.fromMs && ms < window.toMs).map(([, value]) => value),
    );
    if (share === undefined || full === undefined) continue;
    const known = health.get(host) ?? { told: [], full: [] };
    health.set(host, known);
    known.told.push(words);
    if (share >= full) known.full.push({ figure: words, share });
  }
  return health;
}
