import { counted, durationWords, exactPercent, formatMoney } from '../words';
import { clockOf } from './service-hours';
import type { Period } from './period';
import type { ServicePromise } from './service-promise';
import { unitsOf } from './units';
import { VITAL_LIMITS } from '../pages';

/** "30 days", "a calendar month (Europe/Dublin)" */
export const periodWords = (period: Period): string =>
  period.kind === 'rolling' ? counted(period.days, 'day') : `a calendar ${period.kind} (${period.zone})`;

const GOOD_VITALS = `LCP within ${durationWords(VITAL_LIMITS.lcp[0])}, INP within ${durationWords(VITAL_LIMITS.inp[0])}, CLS up to ${VITAL_LIMITS.cls[0]}`;

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

function hoursWords({ days, fromMinute, toMinute, zone }: NonNullable<ServicePromise['hours']>): string {
  const named = [...days].sort((a, b) => a - b);
  const isRun = named.length > 2 && named.every((day, i) => i === 0 || day === (named[i - 1] as number) + 1);
  const words = isRun
    ? `${DAYS[(named[0] as number) - 1]} to ${DAYS[(named.at(-1) as number) - 1]}`
    : named.map((day) => DAYS[day - 1]).join(', ');
  return `${words} ${clockOf(fromMinute)} to ${clockOf(toMinute)} (${zone})`;
}

const inTimeWords = (limitMs: number | undefined): string =>
  limitMs === undefined ? 'in time, by the limit that judges each' : `in time: within ${durationWords(limitMs)}`;

/** What is good, as the end of a sentence about what counts. */
function goodWords({ indicator, limitMs, personShare = 1 }: ServicePromise): string {
  switch (indicator) {
    case 'inTime':
      return inTimeWords(limitMs);
    case 'people':
      return `(people, each counted once an hour and flow) with ${personShare >= 1 ? 'all' : `at least ${exactPercent(personShare)}`} of their attempts ${inTimeWords(limitMs)}`;
    case 'views':
      return `good by every vital told: ${GOOD_VITALS}`;
    case 'crashFree':
      return 'that neither fail nor end in a crash';
    default:
      return 'answered: neither failed nor hung';
  }
}

/**
 * The rule by which a promise is counted, in one sentence.
 *
 * @example "99.5 % of the attempts of “Print labels” in time (within 1.2 s) in 30 days, Mon to Fri 08:00 to 18:00 (UTC)."
 */
export function ruleWords(promise: ServicePromise): string {
  const { application, flow, target, period, hours } = promise;
  const whose = flow
    ? `of “${flow}”${application ? ` (${application})` : ''}`
    : application
      ? `of ${application}`
      : 'of everything';
  return `${exactPercent(target)} of the ${unitsOf(promise.indicator)} ${whose} ${goodWords(promise)}, over ${periodWords(period)}${hours ? `, ${hoursWords(hours)}` : ''}.`;
}

/** "below 99.5 %: €4,000; below 99 %: €10,000"; '' without any. */
export const penaltyWords = (penalties: ServicePromise['penalties'], currency: string): string =>
  penalties.map(({ below, amount }) => `below ${exactPercent(below)}: ${formatMoney(amount, currency)}`).join('; ');
