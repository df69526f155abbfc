import { BUCKET_MS } from '../flows';
import { ceilTo, floorTo } from '../time';
import { BUCKETS_PER_SLOT, FEWEST_ATTEMPTS, SLOT_MS } from './learning-days';

/**
 * From when on it is known at the earliest what is usual for a flow that is judged by its first minutes so far: with the
 * half hour that begins once an hour of it is known and enough attempts have come, if they go on coming as they do.
 *
 * @param firstMs when its first attempt began
 * @param attempts that came up to now
 * @returns milliseconds since the epoch; `undefined` while none has come
 */
export function usualKnownFrom({
  firstMs,
  attempts,
  nowMs,
}: {
  firstMs: number;
  attempts: number;
  nowMs: number;
}): number | undefined {
  if (!(attempts > 0) || !(firstMs <= nowMs)) return undefined;
  const anHourMs = floorTo(firstMs, BUCKET_MS) + 2 * BUCKETS_PER_SLOT * BUCKET_MS;
  const lacking = Math.max(0, FEWEST_ATTEMPTS - attempts);
  const enoughMs = nowMs + (lacking / attempts) * Math.max(BUCKET_MS, nowMs - firstMs);
  return ceilTo(Math.max(anHourMs, lacking > 0 ? enoughMs : anHourMs), SLOT_MS);
}
