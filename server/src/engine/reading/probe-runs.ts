import { judgeRun, standingOf, type Probe, type RunJudgement, type Standing } from '@toplens/core/probes';
import { median } from '@toplens/core/stats';
import { DAY_MS, MINUTE_MS, type Window } from '@toplens/core/time';
import { runsWithin, type StoredRun } from '../../store/probes';
import type { EngineState } from '../state/engine-state';

/** How a probe stands is told by the runs of so long, however short the window is. */
const STANDING_MS = DAY_MS;
/** Of more the newest are looked at. */
export const MOST_RUNS = 20_000;

export interface JudgedProbeRun extends StoredRun {
  judgement: RunJudgement;
}

/** The runs of one probe from one site in a window, oldest first, and how it stands at its end. */
export interface ProbeAtSite {
  probe: string;
  application: string;
  site: string;
  /** what the settings say of it at the end; `undefined` for a runner of somebody else */
  setting: Probe | undefined;
  everyMs: number;
  /** without those during maintenance */
  runs: JudgedProbeRun[];
  /** runs during maintenance: they are kept, and neither counted nor judged by */
  inMaintenance: number;
  standing: Standing;
}

/** A run by the limits that were in force when it was made. */
export function judged(state: EngineState, run: StoredRun): JudgedProbeRun {
  const limits = probeIn(state, run.probe, run.atMs)?.limits ?? [];
  return { ...run, judgement: judgeRun(run, limits, run.site) };
}

/** Why work was agreed on at a moment; `undefined` when none was. */
export const maintenanceAt = ({ settings }: EngineState, timeMs: number): string | undefined =>
  settings.calendarAt(timeMs).maintenance?.find(({ fromMs, toMs }) => timeMs >= fromMs && timeMs < toMs)?.reason;

export const probeIn = ({ settings }: EngineState, name: string, atMs?: number): Probe | undefined =>
  settings.at(atMs).probes.find((probe) => probe.name === name);

/** Every probe at every site: those that the settings know, and those that ran in the window. */
export async function probesAtSites(
  state: EngineState,
  window: Window,
  only: { probe?: string; site?: string } = {},
): Promise<{ lines: ProbeAtSite[]; isCut: boolean }> {
  const looked = { fromMs: Math.min(window.fromMs, window.toMs - STANDING_MS), toMs: window.toMs };
  const runs = await runsWithin(state.database, { window: looked, ...only, most: MOST_RUNS });
  const keyOf = (probe: string, site: string) => `${probe}\u001f${site}`;
  const bySite = new Map<string, JudgedProbeRun[]>();
  for (const probe of state.settings.at().probes)
    if (only.probe === undefined || only.probe === probe.name)
      for (const site of probe.sites)
        if (only.site === undefined || only.site === site) bySite.set(keyOf(probe.name, site), []);
  for (const run of runs) {
    const key = keyOf(run.probe, run.site);
    const own = bySite.get(key);
    if (own) own.push(judged(state, run));
    else bySite.set(key, [judged(state, run)]);
  }
  const lines = [...bySite].map(([key, own]): ProbeAtSite => {
    const [probe = '', site = ''] = key.split('\u001f');
    const setting = probeIn(state, probe);
    const everyMs = setting ? 1000 * setting.everyS : usualGapMs(own);
    const outside = own.filter(({ atMs }) => maintenanceAt(state, atMs) === undefined);
    const inWindow = ({ atMs }: StoredRun) => atMs >= window.fromMs;
    const judgements = outside.map(({ atMs, judgement }) => ({ atMs, verdict: judgement.verdict }));
    return {
      probe,
      application: setting?.application ?? own[0]?.application ?? '',
      site,
      setting,
      everyMs,
      runs: outside.filter(inWindow),
      inMaintenance: own.filter(inWindow).length - outside.filter(inWindow).length,
      standing: standingOf(judgements, { everyMs, nowMs: window.toMs, heardMs: own.at(-1)?.atMs }),
    };
  });
  return { lines, isCut: runs.length === MOST_RUNS };
}

/** How often a probe runs of which the settings know nothing. */
function usualGapMs(runs: readonly StoredRun[]): number {
  const gaps = runs.slice(1).map(({ atMs }, i) => atMs - (runs[i] as StoredRun).atMs);
  return median(gaps) ?? 5 * MINUTE_MS;
}
