import { rateWords } from '@toplens/core/words';
import type { Schemas } from '@/data/client';
import { clock, count, counted, exactPercent, formatMoney, percent, percentCut } from '@/look/format';

export type ServiceLevel = Schemas['ServiceLevel'];

type Units = Pick<ServiceLevel, 'unit' | 'units'>;

/** "1,284 page views": as many of what a promise counts. */
export const countedUnits = ({ unit, units }: Units, n: number): string => counted(n, unit, units);

/** A share with two digits, cut and not rounded. */
export const shareWords = (share: number): string => percentCut(share, 2);

export { exactPercent as targetWords } from '@/look/format';

/** Likely enough to be named in the headline. */
const LIKELY = 0.5;
const POSSIBLE = 0.1;

const chanceOf = ({ forecast }: ServiceLevel): number => forecast?.chanceOfBreaking ?? 0;

/** How it stands, for tones and words: the words of the state first, then those of what may come. */
export type Standing = 'broken' | 'likely' | 'possible' | 'safe' | 'noData';
export function standingOf(level: ServiceLevel): Standing {
  if (level.state === 'noData') return 'noData';
  if (level.state === 'broken') return 'broken';
  if (level.state === 'atRisk' || chanceOf(level) >= LIKELY) return 'likely';
  return chanceOf(level) >= POSSIBLE ? 'possible' : 'safe';
}

const are = (n: number) => (n === 1 ? 'is' : 'are');

/** "One promise will probably break; two are at risk." */
export function headline(levels: readonly ServiceLevel[]): string {
  if (levels.length === 0) return 'Nothing is promised yet.';
  const n = (standing: Standing) => levels.filter((level) => standingOf(level) === standing).length;
  const [broken, likely, possible, noData] = [n('broken'), n('likely'), n('possible'), n('noData')];
  const parts = [
    broken > 0 && `${counted(broken, 'promise')} ${are(broken)} broken`,
    likely > 0 && `${broken > 0 ? count(likely) : counted(likely, 'promise')} will probably break`,
    possible > 0 && `${broken + likely > 0 ? count(possible) : counted(possible, 'promise')} ${are(possible)} at risk`,
  ].filter(Boolean);
  if (parts.length > 0) return `${parts.join('; ')}.`;
  return noData === levels.length ? 'No data for any promise.' : 'Every promise is kept so far.';
}

/** "€4,600 of penalties expected · 6 promises, 3 safe, 1 without data" */
export function belowHeadline(levels: readonly ServiceLevel[], currency: string): string {
  const expected = levels.reduce((sum, { forecast }) => sum + (forecast?.expectedPenalty ?? 0), 0);
  const n = (standing: Standing) => levels.filter((level) => standingOf(level) === standing).length;
  return [
    expected >= 0.5 && `${formatMoney(expected, currency)} of penalties expected`,
    `${counted(levels.length, 'promise')}, ${count(n('safe'))} safe${n('noData') > 0 ? `, ${count(n('noData'))} without data` : ''}`,
  ]
    .filter(Boolean)
    .join(' · ');
}

/** "99.31 % of 99.5 %" */
export const keptWords = ({ kept, target }: ServiceLevel): string =>
  kept ? `${shareWords(kept.share)} of ${exactPercent(target)}` : `no data, of ${exactPercent(target)}`;

/** A chance that was found by trying a thousand times: never told as none or for sure. */
export const chanceWords = (chance: number): string =>
  chance < 0.005 ? 'under 1 %' : chance > 0.995 ? 'over 99 %' : percent(Number(chance.toFixed(2)));

/** What comes of it: "breaks with a chance of 87 %, ends 18 Nov 14:00 at this pace, €4,000 expected". */
export function outlookWords(level: ServiceLevel, currency: string, nowMs: number): string {
  if (level.state === 'noData') return `no ${level.unit} counts in this period`;
  const { forecast, endsMs, budget } = level;
  const chance = chanceOf(level);
  const said = [
    level.state === 'broken'
      ? 'broken'
      : !forecast
        ? 'too little is known to forecast'
        : chance < 0.005
          ? 'safe'
          : `breaks with a chance of ${chanceWords(chance)}`,
    level.state !== 'broken' && budget.left < 0 && 'its budget is spent',
    endsMs !== null && chance >= POSSIBLE && `budget ends ${clock(endsMs, nowMs)} at this pace`,
    forecast && forecast.expectedPenalty >= 0.5 && `${formatMoney(forecast.expectedPenalty, currency)} expected`,
  ].filter(Boolean);
  return said.join(' · ');
}

/** How sure the share is, and of how many attempts: "(99.27 to 99.35) of 1,208,400 attempts". */
export const rangeWords = ({ kept, valid, ...level }: ServiceLevel): string =>
  kept
    ? `95 % range ${shareWords(kept.low)} to ${shareWords(kept.high)}, of ${countedUnits(level, valid)}`
    : `No ${level.unit} counts in this period: nothing is known, which is not 100 %.`;

/** "100 of 360 bad attempts spent, 260 left" */
export function budgetWords({ budget: { allowed, spent, left }, unit, units }: ServiceLevel): string {
  const rest = left >= 0 ? `${count(left)} left` : `${count(-left)} more than may be`;
  return `${count(spent)} of about ${counted(allowed, `bad ${unit}`, `bad ${units}`)} spent, ${rest}`;
}

const LENGTHS: Record<number, string> = {
  300_000: '5 min',
  1_800_000: '30 min',
  3_600_000: '1 h',
  21_600_000: '6 h',
  259_200_000: '3 days',
};

/** "2.4× in 1 h": how many periods’ worth is spent in one. */
export const burnWords = ({ burn }: ServiceLevel): string =>
  burn
    .map(({ windowMs, rate }) => `${rate === null ? 'no data' : `${rateWords(rate)}×`} in ${LENGTHS[windowMs]}`)
    .join(', ');

const HOUR_MS = 3_600_000;
const THREE_DAYS_MS = 259_200_000;
const rateOver = ({ burn }: ServiceLevel, lengthMs: number): number | null =>
  burn.find(({ windowMs }) => windowMs === lengthMs)?.rate ?? null;
/** How fast the budget was spent in the last hour, and over three days; null where nothing is known. */
export const lastHour = (level: ServiceLevel) => rateOver(level, HOUR_MS);
export const lastDays = (level: ServiceLevel) => rateOver(level, THREE_DAYS_MS);

/** "spent faster: 5.2× in the last hour, 1.1× over three days" */
export function trendWords(level: ServiceLevel): string {
  const [now, before] = [lastHour(level), lastDays(level)];
  if (now === null) return `no ${level.unit} in the last hour`;
  const rates = `${rateWords(now)}× in the last hour, ${before === null ? 'not known' : `${rateWords(before)}×`} over three days`;
  if (before === null) return rates;
  if (now === 0 && before === 0) return 'nothing spent in three days';
  // Twice the pace is beyond what an hour differs from the next; of less the figures alone speak.
  if (now > 2 * before) return `spent faster: ${rates}`;
  return now < before / 2 ? `spent more slowly: ${rates}` : `spent ${rates}`;
}

const PACES = { fast: 'fast', medium: 'steadily', slow: 'slowly' } as const;
export const paceWords = ({ pace }: ServiceLevel): string | undefined =>
  pace === null ? undefined : `The budget is being spent ${PACES[pace]} beyond what its period allows.`;

/** The line and the fan in words, for those who do not see them. */
export function fanWords(level: ServiceLevel, nowMs: number): string {
  const { line, forecast } = level;
  const left = line.left.at(-1);
  const end = forecast?.fan.at(-1);
  const now = left === undefined ? 'nothing known yet' : `${leftWords(left)} now`;
  const then = end
    ? `; at ${clock(end.atMs, nowMs)} probably ${leftWords(end.left[2])}, in 95 % of cases from ${leftWords(end.left[0])} to ${leftWords(end.left[4])}`
    : '';
  return `Budget: ${now}${then}`;
}

export const leftWords = (left: number | undefined): string =>
  left === undefined ? 'not known' : left < 0 ? `${percent(-left)} overspent` : `${percent(left)} left`;

type Before = Pick<Schemas['PromisePage']['periods'][number], 'valid' | 'good' | 'isKept' | 'sealed'>;

/** "kept: 99.31 % of 99.2 %" */
export const periodWords = ({ isKept, valid, good }: Before, target: number): string =>
  isKept === null ? 'no data' : `${isKept ? 'kept' : 'broken'}: ${shareWords(good / valid)} of ${exactPercent(target)}`;

/** "sealed Mon 2 Nov 01:00", and what it was then where it is counted differently now. */
export function sealedWords(
  { valid, good }: Pick<Before, 'valid' | 'good'>,
  sealed: NonNullable<Before['sealed']>,
  { level, nowMs }: { level: Units; nowMs: number },
): string {
  const isSame = sealed.valid === valid && sealed.good === good;
  const then = isSame
    ? ''
    : ` as ${shareWords(sealed.good / sealed.valid)} of ${countedUnits(level, sealed.valid)}; now ${countedUnits(level, valid)}`;
  return `sealed ${clock(sealed.atMs, nowMs)}${then}`;
}
