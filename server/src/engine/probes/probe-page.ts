import { isDeepStrictEqual } from 'node:util';
import { limitOf, type Probe } from '@toplens/core/probes';
import { quantileSorted, sortedCopy } from '@toplens/core/stats';
import type { ProbePageShape, ProbeStepLineShape } from '../../contract/probes';
import type { SettingChange } from '../../settings/settings-book';
import { limitWords } from '../../settings/value-words';
import { probeIn, probesAtSites, type ProbeAtSite } from '../reading/probe-runs';
import { resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';
import type { ProbeQuestion } from '../state/questions';
import { lineOf, runWords } from './line';
import { peopleBeside, worstFirst } from './probes';

/** The newest runs are listed; all of the window are counted. */
const MOST_LISTED = 200;

/** One probe: from which sites, step by step, its runs, its script and its limits; null when nobody knows it. */
export async function probePage(
  state: EngineState,
  { name, site, window: asked }: ProbeQuestion,
): Promise<ProbePageShape | null> {
  const window = resolveWindow(state, asked);
  const { lines: all } = await probesAtSites(state, window, { probe: name });
  const [first] = all;
  if (!first) return null;
  const setting = probeIn(state, name);
  const people = await peopleBeside(state, new Set([first.application]), window);
  const shown = site === undefined ? all : all.filter((line) => line.site === site);
  const runs = shown.flatMap((line) => line.runs).sort((a, b) => b.atMs - a.atMs);
  return {
    window,
    name,
    application: first.application,
    everyMs: first.everyMs,
    script: setting ? setting.steps.map((step) => JSON.parse(JSON.stringify(step)) as object) : null,
    limits: (setting?.limits ?? []).map(({ site: of = null, ...limit }) => ({ ...limit, site: of })),
    changes: changesOf(state.settings.changesOf('probes'), state.settings.file.probes, name),
    sites: all.map((line) => lineOf(state, line, { all, people: people.get(line.application) })).sort(worstFirst),
    steps: shown.flatMap(stepsOf),
    runs: runs.slice(0, MOST_LISTED).map((run) => ({
      id: run.id,
      atMs: run.atMs,
      site: run.site,
      durationMs: run.durationMs,
      verdict: run.judgement.verdict,
      words: runWords(run),
    })),
    all: runs.length,
  };
}

/** Each step from a site, in the order of the script. */
function stepsOf({ site, setting, runs }: ProbeAtSite): ProbeStepLineShape[] {
  const telling = runs.filter(({ fault }) => fault === '').flatMap(({ steps }) => steps);
  const names = setting ? setting.steps.map(({ name }) => name) : [...new Set(telling.map(({ name }) => name))];
  return names.map((step) => {
    const own = telling.filter(({ name }) => name === step);
    const answered = sortedCopy(own.filter(({ failed }) => !failed).map(({ durationMs }) => durationMs));
    const limit = limitOf(setting?.limits ?? [], step, site);
    const over = (ms: number | undefined) => (ms === undefined ? 0 : answered.filter((one) => one > ms).length);
    return {
      site,
      step,
      runs: own.length,
      failed: own.length - answered.length,
      medianMs: quantileSorted(answered, 0.5) ?? null,
      p95Ms: quantileSorted(answered, 0.95) ?? null,
      slowMs: limit?.slowMs ?? null,
      brokenMs: limit?.brokenMs ?? null,
      isOwnLimit: limit?.site !== undefined,
      overSlow: over(limit?.slowMs),
      overBroken: over(limit?.brokenMs),
    };
  });
}

/** Who changed this probe, when, and to what: of all changes of probes those that touch it, newest first. */
function changesOf(changes: readonly SettingChange[], file: readonly Probe[], name: string): ProbePageShape['changes'] {
  let before = file.find((probe) => probe.name === name);
  const told: ProbePageShape['changes'] = [];
  for (const { atMs, who, value } of changes) {
    const now = ((value as Probe[] | null) ?? file).find((probe) => probe.name === name);
    if (!isDeepStrictEqual(now, before)) told.push({ atMs, who, words: differenceWords(before, now) });
    before = now;
  }
  return told.reverse();
}

function differenceWords(before: Probe | undefined, now: Probe | undefined): string {
  if (!now) return 'taken away';
  if (!before) return 'added';
  const wordsOf = ({ limits }: Probe) => limits.map(limitWords);
  const [old, fresh] = [wordsOf(before), wordsOf(now)];
  const said = [
    ...fresh.filter((words) => !old.includes(words)),
    ...(before.limits.length > now.limits.length ? ['a limit taken away'] : []),
    before.everyS !== now.everyS && `every ${now.everyS} s`,
    !isDeepStrictEqual(before.sites, now.sites) && `from ${now.sites.join(', ')}`,
    !isDeepStrictEqual(before.steps, now.steps) && 'another script',
  ].filter(Boolean);
  return said.join('; ') || 'written anew';
}
