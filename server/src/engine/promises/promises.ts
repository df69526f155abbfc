import { periodBefore, type PeriodReport, type ServicePromise, type Tally } from '@toplens/core/promises';
import { HOUR_MS, type Window } from '@toplens/core/time';
import type { EndangeredPromisesShape, PromisePageShape, PromisesShape } from '../../contract/promises';
import { promisesOf } from '../../settings/promises';
import { sealedPeriods, type SealedPeriod } from '../../store/sealed-periods';
import { valueWords } from '../../settings/value-words';
import { resolveWindow } from '../reading/windows';
import { PerVersion } from '../state/per-version';
import type { PromiseQuestion, ReportQuestion, WindowQuestion } from '../state/questions';
import type { EngineState } from '../state/engine-state';
import { excludedIn } from './excluded';
import { addTo, countPromise, countTogether, flowsOf, tallyByHour, tallyIn } from './promise-counts';
import { reportOf, sealedReport } from './report';
import { countedAt, countedWindow, firstKnownMs, levelOf, spentIn, type Counted } from './service-level';

const MOST_LISTED = 12;
const PERIODS_BEFORE = 3;
/** Less than half an attempt is none. */
const LEAST_SPENT = 0.5;

const listed = new PerVersion<PromisesShape>(20);

/** All that was promised, as it stands at the end of a window: what costs most first. */
export function promises(state: EngineState, { window: asked }: { window: WindowQuestion }): Promise<PromisesShape> {
  const window = resolveWindow(state, asked);
  return listed.get(state, `${window.fromMs}-${window.toMs}`, async () => {
    const all = promisesOf(state.settings.at());
    await countTogether(
      state,
      all.map((promise) => ({ promise, window: countedWindow(state, promise, window.toMs) })),
    );
    const levels = [];
    for (const promise of all) levels.push(levelOf(state, await countedAt(state, promise, window.toMs)));
    return {
      window,
      nowMs: window.toMs,
      currency: state.settings.at().currency,
      promises: levels.sort(
        (a, b) =>
          (b.forecast?.expectedPenalty ?? 0) - (a.forecast?.expectedPenalty ?? 0) ||
          (b.forecast?.chanceOfBreaking ?? 0) - (a.forecast?.chanceOfBreaking ?? 0) ||
          a.name.localeCompare(b.name),
      ),
    };
  });
}

/** One promise: who spent its budget, where, and how it was kept before; null when nothing is called that. */
export async function promisePage(state: EngineState, question: PromiseQuestion): Promise<PromisePageShape | null> {
  const promise = promisesOf(state.settings.at()).find(({ name }) => name === question.name);
  if (!promise) return null;
  const window = resolveWindow(state, question.window);
  const counted = await countedAt(state, promise, window.toMs, question.periodsBack);
  const { period, nowMs, tally: all } = counted;
  const bad = all.valid - all.good;
  const partOf = (one: number) => ({ bad: one, share: bad === 0 ? 0 : one / bad });
  const { spenders, byIncident, unexplained } = spentIn(state, counted);
  const inPeriod = placesIn(counted);
  return {
    nowMs,
    currency: state.settings.at().currency,
    level: levelOf(state, counted),
    incidents: [...byIncident]
      .sort(([, a], [, b]) => b - a)
      .slice(0, MOST_LISTED)
      .flatMap(([id, spent]) => {
        const incident = state.register.get(id);
        const spender = spenders.find((one) => one.id === id);
        if (!incident || !spender || spent < LEAST_SPENT) return [];
        const worst = incident.parts
          .filter(({ flow }) => spender.flows.has(flow))
          .reduce((most, part) => (part.excess > most.excess ? part : most));
        return [
          {
            id,
            onsetMs: incident.onsetMs,
            endMs: Math.min(incident.endMs, nowMs),
            flows: spender.flows.size,
            name: state.names.flow(worst.flow).name,
            ...partOf(spent),
          },
        ];
      }),
    unexplained: partOf(unexplained),
    flows: mostBad(inPeriod.flows).map(([id, tally]) => {
      const { name, application } = state.names.flow(id);
      return { id, name, application, valid: tally.valid, ...partOf(tally.valid - tally.good) };
    }),
    sites: mostBad(inPeriod.sites).map(([site, tally]) => ({
      site: state.names.text(site),
      valid: tally.valid,
      ...partOf(tally.valid - tally.good),
    })),
    versions: mostBad(inPeriod.versions).map(([version, tally]) => ({
      version: state.names.text(version),
      valid: tally.valid,
      ...partOf(tally.valid - tally.good),
    })),
    hours: mostBad(inPeriod.hours)
      .filter(([, { valid, good }]) => valid > good)
      .map(([startMs, tally]) => ({ startMs, valid: tally.valid, ...partOf(tally.valid - tally.good) })),
    cells: [...inPeriod.cells]
      .map(([key, tally]) => {
        const [flow, site] = key.split(':').map(Number) as [number, number];
        const { name, application } = state.names.flow(flow);
        return { flowId: flow, flow: name, application, site: state.names.text(site), ...tally };
      })
      .sort((a, b) => a.flow.localeCompare(b.flow) || a.site.localeCompare(b.site)),
    excluded: excludedIn(state, promise, period),
    periods: await periodsBefore(state, counted),
    changes: state.settings
      .changesOf('promises')
      .map(({ atMs, who, key, value }) => ({ atMs, who, words: valueWords(key, value) }))
      .reverse(),
  };
}

const mostBad = (counts: ReadonlyMap<number, Tally>): [number, Tally][] =>
  [...counts].sort(([, a], [, b]) => b.valid - b.good - (a.valid - a.good) || b.valid - a.valid).slice(0, MOST_LISTED);

/** What was counted in the period, by flow, site, version, hour, and flow at site. */
function placesIn({ counts, steps, period, nowMs }: Counted) {
  const places = {
    flows: new Map<number, Tally>(),
    hours: tallyByHour(steps),
    sites: new Map<number, Tally>(),
    versions: new Map<number, Tally>(),
    cells: new Map<string, Tally>(),
  };
  for (let at = 0; at < steps.n; at++)
    addTo(places.flows, steps.flow[at] as number, { valid: steps.valid[at] as number, good: steps.good[at] as number });
  for (const { hourMs, byFlow } of counts.hours) {
    // Sites and versions are known by whole hours: those that count from begin to end.
    if (hourMs < period.fromMs || hourMs >= nowMs || !counts.isCounted(hourMs)) continue;
    for (const [flow, { sites, versions }] of byFlow) {
      for (const [site, [valid, good]] of sites) {
        addTo(places.sites, site, { valid, good });
        if (site !== 0) addTo(places.cells, `${flow}:${site}`, { valid, good });
      }
      for (const [version, [valid, good]] of versions) addTo(places.versions, version, { valid, good });
    }
  }
  return places;
}

/** Reports of one promise, or of all; none where nothing is called that. */
export async function promiseReports(
  state: EngineState,
  { name, window, periodsBack }: ReportQuestion,
): Promise<PeriodReport[]> {
  const wanted = promisesOf(state.settings.at()).filter((promise) => name === undefined || promise.name === name);
  const reports: PeriodReport[] = [];
  for (const promise of wanted) {
    const page = await promisePage(state, { name: promise.name, window, periodsBack });
    if (!page) continue;
    const sealed = periodsBack > 0 ? await sealedOf(state, page) : undefined;
    reports.push(sealed ? sealedReport(sealed, page) : reportOf(page));
  }
  return reports;
}

/** The period of a page as it was written down when it was over. */
const sealedOf = async (
  { database }: EngineState,
  { level: { name, period } }: PromisePageShape,
): Promise<SealedPeriod | undefined> =>
  (await sealedPeriods(database, name)).find(({ fromMs, toMs }) => fromMs === period.fromMs && toMs === period.toMs);

/** Promises of the flows of an incident that it spent something of; null when there is no such incident. */
export async function endangeredBy(
  state: EngineState,
  { id, window: asked }: { id: number; window: WindowQuestion },
): Promise<EndangeredPromisesShape | null> {
  const incident = state.register.get(id);
  if (!incident || incident.withdrawn) return null;
  const nowMs = resolveWindow(state, asked).toMs;
  const touched = new Set(incident.parts.map(({ flow }) => flow));
  const found: EndangeredPromisesShape['promises'] = [];
  for (const promise of promisesOf(state.settings.at())) {
    if (!flowsOf(state, promise).some((flow) => touched.has(flow))) continue;
    const counted = await countedAt(state, promise, nowMs);
    const bad = spentIn(state, counted).byIncident.get(incident.id) ?? 0;
    if (bad < LEAST_SPENT) continue;
    const { name, to, budget, forecast } = levelOf(state, counted);
    found.push({
      name,
      to,
      bad,
      tookShare: budget.allowed > 0 ? bad / budget.allowed : null,
      leftShare: budget.leftShare,
      chanceOfBreaking: forecast?.chanceOfBreaking ?? null,
      expectedPenalty: forecast?.expectedPenalty ?? 0,
    });
  }
  return {
    currency: state.settings.at().currency,
    promises: found.sort((a, b) => (b.tookShare ?? 0) - (a.tookShare ?? 0)),
  };
}

/** How a promise that is not saved yet stands now, and was kept before. */
export async function keptBefore(state: EngineState, promise: ServicePromise) {
  const { toMs } = resolveWindow(state, { lengthMs: HOUR_MS });
  const counted = await countedAt(state, promise, toMs);
  return { tally: counted.tally, periods: await periodsBefore(state, counted) };
}

/** How it was kept before: periods of which the whole is known, by attempts or their sums. */
async function periodsBefore(state: EngineState, { promise, period }: Counted): Promise<PromisePageShape['periods']> {
  const told: PromisePageShape['periods'] = [];
  const sealed = await sealedPeriods(state.database, promise.name);
  const firstMs = firstKnownMs(state);
  let before: Window = period;
  for (let k = 0; k < PERIODS_BEFORE; k++) {
    before = periodBefore(promise.period, promise.period.kind === 'rolling' ? before.toMs : before.fromMs);
    // Of a period that began before anything was known nobody can say whether it was kept.
    if (before.fromMs < firstMs) break;
    const { steps } = await countPromise(state, promise, before);
    const { valid, good } = tallyIn(steps, before);
    const then = sealed.find(({ fromMs }) => fromMs === before.fromMs);
    told.push({
      period: before,
      valid,
      good,
      isKept: valid === 0 ? null : good / valid >= promise.target,
      sealed: then ? { atMs: then.sealedMs, valid: then.valid, good: then.good } : null,
    });
  }
  return told;
}
