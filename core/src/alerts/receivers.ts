import { DateTime, IANAZone } from 'luxon';

/** Who is told, by what ways. */
export interface Receiver {
  /** a team's own is called like the team */
  name: string;
  mail?: string | undefined;
  /** telephone number for short messages, as +353… */
  phone?: string | undefined;
  /** takes CloudEvents 1.0 by HTTP POST */
  webhook?: string | undefined;
  /** nothing but what is broken between these times of the day */
  quiet?: { from: string; to: string; zone: string } | undefined;
  /** a calendar (RFC 5545) whose events name the receiver who is on duty */
  rota?: string | undefined;
  /** handoffs go to this mail address and not to the desk; the team answers by a link */
  takesHandoffs?: boolean | undefined;
}

const minutesOf = (time: string): number => {
  const [hours = 0, minutes = 0] = time.split(':').map(Number);
  return hours * 60 + minutes;
};

/**
 * Does somebody want nothing but what is broken at a moment? Hours go by the clock of their zone, over midnight too.
 *
 * @example isQuietAt({ from: '22:00', to: '06:00', zone: 'Europe/Dublin' }, Date.UTC(2026, 0, 5, 23)) // true
 */
export function isQuietAt(quiet: Receiver['quiet'], timeMs: number): boolean {
  if (!quiet) return false;
  const zone = IANAZone.create(quiet.zone);
  const local = DateTime.fromMillis(timeMs, { zone: zone.isValid ? zone : 'utc' });
  const now = local.hour * 60 + local.minute;
  const [from, to] = [minutesOf(quiet.from), minutesOf(quiet.to)];
  return from <= to ? now >= from && now < to : now >= from || now < to;
}

/** An event of a rota. */
export interface Duty {
  fromMs: number;
  toMs: number;
  /** name of the receiver on duty */
  who: string;
}

/** Who is on duty; of several the one whose turn began last. `undefined` in a hole. */
export const onDutyAt = (rota: readonly Duty[], timeMs: number): string | undefined =>
  rota.filter(({ fromMs, toMs }) => fromMs <= timeMs && timeMs < toMs).sort((a, b) => b.fromMs - a.fromMs)[0]?.who;

/** Stretches of a window in which nobody is on duty, in order of time. */
export function holesIn(
  rota: readonly Duty[],
  window: { fromMs: number; toMs: number },
): { fromMs: number; toMs: number }[] {
  const holes: { fromMs: number; toMs: number }[] = [];
  let reachedMs = window.fromMs;
  for (const { fromMs, toMs } of [...rota].sort((a, b) => a.fromMs - b.fromMs)) {
    if (toMs <= reachedMs || fromMs >= window.toMs) continue;
    if (fromMs > reachedMs) holes.push({ fromMs: reachedMs, toMs: fromMs });
    reachedMs = Math.max(reachedMs, toMs);
  }
  if (reachedMs < window.toMs) holes.push({ fromMs: reachedMs, toMs: window.toMs });
  return holes;
}
