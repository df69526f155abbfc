import { numberOf, type AttributeValue } from './attributes';
import { isUserSide } from './user-side';

/** Clocks that are off by less are left alone: a request may be under way for some time. */
const LEAST_WRONG_MS = 2 * 60_000;

/**
 * By how much the clock of a person's device is to be put right, microseconds: devices are off by hours or years, and
 * send what happened days ago. Told by what the clock said when the request was sent (`toplens.sent_at`, milliseconds
 * since the epoch), against when it came. 0 where it is not told, is about right, or the sender is a server.
 */
export function clockCorrectionUs(
  resource: Readonly<Record<string, AttributeValue | undefined>>,
  receivedMs: number,
): number {
  const sentMs = numberOf(resource['toplens.sent_at']);
  if (sentMs === undefined || !isUserSide(resource)) return 0;
  const wrongMs = receivedMs - sentMs;
  return Math.abs(wrongMs) < LEAST_WRONG_MS ? 0 : Math.round(wrongMs * 1000);
}
