import { BUCKET_MS } from '@toplens/core/flows';
import { expectedAttempts, isGoodRow } from '@toplens/core/incidents';
import { isLearned } from '@toplens/core/normal';
import { addVolumes, standingOf, usageOf } from '@toplens/core/promises';
import { histogramQuantile, sum } from '@toplens/core/stats';
import { ceilTo, floorTo, type Window } from '@toplens/core/time';
import type { StandingShape } from '../../contract/standing';
import { eachAttempt, walkedPart } from '../reading/each-attempt';
import { NO_FOCUS } from '../reading/focus';
import { flowSums } from '../reading/flow-sums';
import type { FlowSums } from '../reading/sum-rows';
import { resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';
import { PerVersion } from '../state/per-version';
import type { WindowQuestion } from '../state/questions';

const told = new PerVersion<StandingShape>(20);

/** Every application in three words, and every activity with whom its limit fails, where. */
export function standing(state: EngineState, { window: asked }: { window: WindowQuestion }): Promise<StandingShape> {
  const window = walkedPart(resolveWindow(state, asked));
  return told.get(state, `${window.fromMs}-${window.toMs}`, async () => {
    const sums = await flowSums(state, window, NO_FOCUS);
    const flows = state.names.flows
      .filter(({ kind }) => kind === 'work')
      .map(({ id }) => knownOf(state, id, window, sums.get(id)));
    const sites = await countBySite(state, window, new Set(flows.map(({ id }) => id)));
    return {
      window,
      applications: state.names.applications.flatMap((application) => {
        const own = flows.filter((one) => one.application === application);
        return own.length === 0 ? [] : [{ application, flows: own.length, ...wordsOf(own) }];
      }),
      activities: flows
        .filter(({ sums: own }) => own !== undefined)
        .map((one) => activityOf(state, one, { window, sites: sites.get(one.id) ?? new Map<number, Counts>() })),
    };
  });
}

/** What is known of a flow in a window. */
interface Known {
  id: number;
  application: string;
  sums: FlowSums | undefined;
  /** attempts that would be late or hung, and failed, as usual; NaN while nothing is learned */
  usualLate: number;
  usualFailed: number;
  expected: { mean: number; spread: number; dispersion: number };
}

function knownOf({ history, names }: EngineState, id: number, window: Window, sums: FlowSums | undefined): Known {
  let [attempts, late, failed] = [0, 0, 0];
  for (let at = floorTo(window.fromMs, BUCKET_MS); at < ceilTo(window.toMs, BUCKET_MS); at += BUCKET_MS) {
    const bucket = history.bucket(id, at);
    if (!bucket) continue;
    const normal = history.normalAt(id, at);
    attempts += bucket.attempts;
    late += isLearned(normal) ? bucket.attempts * (1 - normal.failedShare) * normal.lateShare : NaN;
    failed += isLearned(normal) ? bucket.attempts * normal.failedShare : NaN;
  }
  // Begin and end of the window cut through five minutes: the shares of the whole are taken.
  const part = attempts > 0 ? (sums?.attempts ?? 0) / attempts : 0;
  return {
    id,
    application: names.flow(id).application,
    sums,
    usualLate: late * part,
    usualFailed: failed * part,
    expected: expectedAttempts(id, window, {
      normalAt: (flow, timeMs) => history.normalAt(flow, timeMs),
      shareOfFlow: () => 1,
    }),
  };
}

function wordsOf(flows: readonly Known[]): Pick<StandingShape['applications'][number], 'speed' | 'answers' | 'use'> {
  const of = (value: (one: FlowSums) => number) => sum(flows.map(({ sums }) => (sums ? value(sums) : 0)));
  const attempts = of((one) => one.attempts);
  const failed = of((one) => one.failed);
  const isIn = flows.filter(({ sums }) => sums !== undefined);
  const speed = standingOf({
    attempts: attempts - failed,
    wrong: of(({ outcomes }) => outcomes.late + outcomes.hung),
    usual: sum(isIn.map(({ usualLate }) => usualLate)),
  });
  const answers = standingOf({ attempts, wrong: failed, usual: sum(isIn.map(({ usualFailed }) => usualFailed)) });
  return {
    speed: { word: speed.word, good: speed.good ?? null },
    answers: { word: answers.word, good: answers.good ?? null },
    use: { attempts, ...usageOf(attempts, addVolumes(flows.map(({ expected }) => expected))) },
  };
}

interface Counts {
  valid: number;
  good: number;
}

const IN_TIME = { indicator: 'inTime' } as const;

/** Attempts of each flow at each site, and those of them that were neither late nor hung nor failed. */
async function countBySite(
  state: EngineState,
  window: Window,
  flows: ReadonlySet<number>,
): Promise<Map<number, Map<number, Counts>>> {
  const counts = new Map<number, Map<number, Counts>>();
  const normalAt = (flow: number, timeMs: number) => state.history.normalAt(flow, timeMs);
  await eachAttempt(state, { window, flows }, (rows, row) => {
    const site = rows.site[row] as number;
    if (site === 0) return;
    const flow = rows.flow[row] as number;
    let bySite = counts.get(flow);
    if (!bySite) counts.set(flow, (bySite = new Map<number, Counts>()));
    let own = bySite.get(site);
    if (!own) bySite.set(site, (own = { valid: 0, good: 0 }));
    own.valid++;
    if (isGoodRow(IN_TIME, rows, row, normalAt)) own.good++;
  });
  return counts;
}

function activityOf(
  { names, history }: EngineState,
  { id, sums }: Known,
  { window, sites }: { window: Window; sites: ReadonlyMap<number, Counts> },
): StandingShape['activities'][number] {
  const normal = history.normalAt(id, window.toMs - 1);
  const { attempts = 0, people = 0, hurt = 0, durations, outcomes } = sums ?? {};
  return {
    id,
    name: names.flow(id).name,
    application: names.flow(id).application,
    attempts,
    outside: attempts - (outcomes?.onTime ?? 0),
    people,
    peopleOver: hurt,
    usualMs: normal.expectedMs ?? null,
    currentMs: (durations && histogramQuantile(durations, 0.5)) ?? null,
    learnedLimitMs: normal.learnedLimitMs ?? null,
    agreedLimitMs: normal.limitBy === 'owner' ? (normal.limitMs ?? null) : null,
    sites: [...sites]
      .map(([site, counts]) => ({ site: names.text(site), ...counts }))
      .sort((a, b) => a.site.localeCompare(b.site)),
  };
}
