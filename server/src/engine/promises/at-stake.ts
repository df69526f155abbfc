import { BUCKET_MS } from '@toplens/core/flows';
import type { PromiseAtStake } from '@toplens/core/incidents';
import { spendersOn, usualBadShare, type ServicePromise } from '@toplens/core/promises';
import { floorTo } from '@toplens/core/time';
import { promisesOf } from '../../settings/promises';
import type { EngineState } from '../state/engine-state';
import { PerVersion } from '../state/per-version';
import { countedIn, countTogether } from './promise-counts';
import { budgetIn, countedAt, countedWindow, expectedOf, spendersOf } from './service-level';

const atStake = new PerVersion<PromiseAtStake[]>(40);

/**
 * What was promised, as bills ask of it, at a moment.
 *
 * @param settingsMs promises as they were set then; Infinity for those of today
 */
export function promisesAtStake(state: EngineState, atMs: number, settingsMs: number): Promise<PromiseAtStake[]> {
  const promised = promisesOf(state.settings.at(settingsMs));
  if (promised.length === 0) return Promise.resolve([]);
  const nowMs = floorTo(atMs, BUCKET_MS);
  return atStake.get(state, `${nowMs}-${settingsMs}`, async () => {
    await countTogether(
      state,
      promised.map((promise) => ({ promise, window: countedWindow(state, promise, nowMs) })),
    );
    const made = [];
    for (const promise of promised) made.push(await staked(state, promise, nowMs));
    return made;
  });
}

async function staked(state: EngineState, promise: ServicePromise, nowMs: number): Promise<PromiseAtStake> {
  const counted = await countedAt(state, promise, nowMs);
  const spenders = spendersOf(state, counted, { fromMs: counted.period.fromMs, toMs: Infinity });
  const onIn = spendersOn(spenders);
  const { forecast, price } = expectedOf(state, counted);
  return {
    name: promise.name,
    indicator: promise.indicator,
    limitMs: promise.limitMs,
    personShare: promise.personShare,
    flows: new Set(counted.counts.flows),
    // What is being charged may be newer than the last whole step.
    isCounted: countedIn(state, promise, { ...countedWindow(state, promise, nowMs), toMs: nowMs + BUCKET_MS }),
    usualShare: usualBadShare(counted.steps, spenders),
    allowed: budgetIn(counted, forecast).allowed,
    price,
    sharers: (flow, timeMs) => Math.max(1, onIn(flow, timeMs).length),
  };
}
