import { seededRandom } from '@toplens/core/stats';
import { HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import { planWorld, type WorldPlan } from './plan';

/** Minutes after the first attempt between which troubles begin. */
const EARLIEST = 3;
const LATEST = 60;
const LONGEST_MS = 90 * MINUTE_MS;

/** A world of which nothing is known before a moment of the day: an installation in its first hours. */
export interface FirstHourPlan extends WorldPlan {
  /** when telemetry begins; what went before never came in */
  beginMs: number;
}

/** A world that the seed alone decides, whose troubles begin in the first hour after the first attempt. */
export function planFirstHour(seed: number): FirstHourPlan {
  const random = seededRandom(seed * 6007 + 29);
  const plan = planWorld(seed);
  const beginMs = plan.dayMs + Math.round((8 + 5 * random()) * 60) * MINUTE_MS;
  const troubles = plan.troubles.map((trouble) => {
    const fromMs = beginMs + Math.round((EARLIEST + (LATEST - EARLIEST) * random()) * MINUTE_MS);
    return { ...trouble, fromMs, toMs: fromMs + Math.min(LONGEST_MS, trouble.toMs - trouble.fromMs) };
  });
  const harmless = plan.harmless.map((one) => {
    const fromMs = beginMs + Math.round(3 * HOUR_MS * random());
    return { ...one, fromMs, toMs: fromMs + (one.toMs - one.fromMs) };
  });
  return { ...plan, troubles, harmless, beginMs };
}
