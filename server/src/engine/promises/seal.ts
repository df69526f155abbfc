import { periodBefore } from '@toplens/core/promises';
import { HOUR_MS } from '@toplens/core/time';
import { promisesOf } from '../../settings/promises';
import { sealedPeriods, sealPeriod } from '../../store/sealed-periods';
import type { EngineState } from '../state/engine-state';
import { promisePage } from './promises';
import { reportOf } from './report';
import { firstKnownMs } from './service-level';

/** So long after its end a period is written down: what comes late has come by then, mostly. */
const AFTER_MS = HOUR_MS;

/**
 * Writes down what the last week or month of each promise came to, once it is over. Periods of which the begin is not
 * known are not; the days up to now never end.
 */
export async function sealEnded(state: EngineState): Promise<void> {
  const nowMs = state.judgedMs - AFTER_MS;
  const firstMs = firstKnownMs(state);
  for (const { name, period } of promisesOf(state.settings.at())) {
    if (period.kind === 'rolling') continue;
    const ended = periodBefore(period, nowMs);
    if (ended.fromMs < firstMs) continue;
    const sealed = await sealedPeriods(state.database, name);
    if (sealed.some(({ fromMs }) => fromMs === ended.fromMs)) continue;
    const page = await promisePage(state, { name, window: { fromMs: nowMs - HOUR_MS, toMs: nowMs }, periodsBack: 1 });
    if (!page || page.level.valid === 0) continue;
    const { valid, good } = page.level;
    await sealPeriod(state.database, {
      promise: name,
      ...ended,
      sealedMs: nowMs + AFTER_MS,
      valid,
      good,
      report: reportOf(page),
    });
  }
}
