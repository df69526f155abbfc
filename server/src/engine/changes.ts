import { suddenChanges, type RecentActivity, type RecentCounts } from '@toplens/core/normal';
import { FAILED } from '@toplens/core/telemetry';
import { MINUTE_MS } from '@toplens/core/time';
import { times } from '@toplens/core/incidents';
import type { ChangeShape } from '../api/shapes';
import { componentActivity } from '../store/activity';
import { eachAttempt } from './each-attempt';
import type { World } from './world';

const LAST_MINUTES = 5;
const BEFORE_MINUTES = 60;

interface Subject {
  kind: 'flow' | 'component';
  name: string;
  id: number | null;
}

const nothing = (): RecentCounts & { sum: number; squares: number } => ({ attempts: 0, failed: 0, logMean: NaN, logSd: NaN, sum: 0, squares: 0 });

/** The last five minutes against the hour before, for every flow and component. */
export async function changesNow(world: World): Promise<ChangeShape[]> {
  const toMs = world.judgedMs;
  if (toMs === 0) return [];
  const lastFromMs = toMs - LAST_MINUTES * MINUTE_MS;
  const beforeFromMs = lastFromMs - BEFORE_MINUTES * MINUTE_MS;
  const flows = await flowActivity(world, beforeFromMs, lastFromMs, toMs);
  const components = (await componentActivity(world.database, beforeFromMs, lastFromMs, toMs)).map(({ component, last, before }): RecentActivity<Subject> => ({
    subject: { kind: 'component', name: component, id: null },
    last,
    before,
  }));
  return suddenChanges([...flows, ...components], LAST_MINUTES, BEFORE_MINUTES).map(({ subject, measure, ratio }) => ({
    ...subject,
    measure,
    ratio: Number.isFinite(ratio) ? ratio : null,
    words: wordsOf(measure, ratio),
  }));
}

function wordsOf(measure: string, ratio: number): string {
  const what = measure === 'attempts' ? 'as many attempts' : measure === 'failures' ? 'as many failures' : 'as long';
  if (ratio === 0) return measure === 'attempts' ? 'no attempts at all' : 'no failures any more';
  if (!Number.isFinite(ratio)) return `${measure} where there were none`;
  return `${times(ratio)} ${what}`;
}

async function flowActivity(world: World, beforeFromMs: number, lastFromMs: number, toMs: number): Promise<RecentActivity<Subject>[]> {
  const activity = new Map<number, { last: ReturnType<typeof nothing>; before: ReturnType<typeof nothing> }>();
  await eachAttempt(world, { fromMs: beforeFromMs, toMs }, undefined, [], (rows, i) => {
    const flow = rows.flow[i] as number;
    let own = activity.get(flow);
    if (!own) activity.set(flow, (own = { last: nothing(), before: nothing() }));
    const counts = (rows.startMs[i] as number) >= lastFromMs ? own.last : own.before;
    counts.attempts++;
    if ((rows.flags[i] as number) & FAILED) counts.failed++;
    else {
      const log = Math.log(Math.max(0.01, rows.durationMs[i] as number));
      counts.sum += log;
      counts.squares += log * log;
    }
  });
  const finished = ({ attempts, failed, sum, squares }: ReturnType<typeof nothing>): RecentCounts => {
    const n = attempts - failed;
    const logMean = sum / n;
    return { attempts, failed, logMean, logSd: Math.sqrt(Math.max(0, squares / n - logMean ** 2)) };
  };
  return [...activity].map(([id, { last, before }]) => ({
    subject: { kind: 'flow', name: world.names.flow(id).name, id },
    last: finished(last),
    before: finished(before),
  }));
}
