import { normalDeviate, poissonDeviate, quantileSorted, seededRandom, type Random } from '../stats';
import { DAY_MS, floorTo, HOUR_MS } from '../time';
import { budgetOf } from './budget';
import { addTally, NOTHING, type PenaltyStep, type Tally } from './service-promise';

export interface ForecastQuestion {
  target: number;
  penalties: readonly PenaltyStep[];
  /** end of the period, and up to when attempts are counted */
  endMs: number;
  nowMs: number;
  /** of the period up to now */
  soFar: Tally;
  /** what came in whole hours before, by their begin; hours of which nothing is known are left out */
  past: ReadonlyMap<number, Tally>;
  /** does the hour that begins then count? */
  isCounted: (hourMs: number) => boolean;
  /** days that are unlike others: weekends, holidays */
  isOff: (timeMs: number) => boolean;
  /** trouble that goes on: the share of bad attempts that it adds, since when, and how long such took before */
  ongoing?: { addedShare: number; sinceMs: number; tookMs: readonly number[] } | undefined;
  seed?: number;
}

/** Quantiles of what may come: 2.5 %, 10 %, the middle, 90 %, 97.5 %. */
export type Fan = readonly [low95: number, low80: number, middle: number, high80: number, high95: number];
const QUANTILES = [0.025, 0.1, 0.5, 0.9, 0.975] as const;

export interface Forecast {
  /** share of good attempts at the end */
  share: Fan;
  /** attempts of the whole period, middle */
  expectedValid: number;
  /** 0 to 1 */
  chanceOfBreaking: number;
  /** chance that each step is due, as they were given */
  chances: number[];
  /** sum of chance times what each step adds to the one before */
  expectedPenalty: number;
  /** share of the budget that is left, day by day: 1 nothing spent, below 0 broken */
  left: { atMs: number; fan: Fan }[];
}

const RUNS = 1000;
/** So much older, a day is drawn half as often: what is recent is liker to what comes. */
const HALF_LIFE_MS = 14 * DAY_MS;
/** How unlike itself trouble of the same kind is: standard deviation of the logarithm of what it spoils. */
const UNLIKE = 0.9;
/** What a bad day spoils where none was seen yet: a share of its attempts, in the mean. A weak prior of ours. */
const UNSEEN_SHARE = 0.03;
/** Fewer whole days known say too little of what is usual. */
const FEWEST_DAYS = 3;

/**
 * What a period may come to: the rest of it is put together, a thousand times, of whole past days of the same kind, so
 * that days keep their rhythm and their troubles. How sure the past is enters by random weights of its days (the
 * Bayesian bootstrap; D. B. Rubin, The Annals of Statistics 9(1), 1981) and, where hardly anything ever was bad, by half
 * a bad attempt more (the prior of Jeffreys for a rate). The same seed gives the same forecast.
 *
 * @returns `undefined` with fewer than three whole days known
 */
export function forecast(question: ForecastQuestion): Forecast | undefined {
  const { target, penalties, endMs, nowMs, soFar, isCounted, ongoing } = question;
  const days = wholeDays(question.past, nowMs);
  if (days.length < FEWEST_DAYS) return undefined;
  const random = seededRandom(question.seed ?? 1);
  const rest = remainingDays(endMs, nowMs, isCounted).map((day) => ({ ...day, drawn: drawnFor(day, days, question) }));
  const known = days.reduce((sum, { valid }) => sum + valid, 0);
  const badDays = days.filter(({ excess }) => excess > 0).map(({ excess, valid }) => excess / valid);
  const runs = Array.from({ length: RUNS }, () => {
    const weights = days.map(({ dayMs }) => exponential(random) * 0.5 ** ((nowMs - dayMs) / HALF_LIFE_MS));
    const unseen = known > 0 ? gammaHalf(random) / known : 0;
    const unseenDays = gammaHalf(random) / days.length;
    const endOfTrouble = ongoing ? nowMs + lastsFor(ongoing, nowMs, random) : nowMs;
    let [valid, bad] = [soFar.valid, soFar.valid - soFar.good];
    const badByDay = rest.map(({ hours, drawn }) => {
      const day = drawn[pick(drawn, weights, random)];
      if (!day) return bad;
      valid += day.valid;
      // No trouble comes back quite as it was.
      bad += day.usual + day.excess * Math.exp(UNLIKE * normalDeviate(random) - UNLIKE ** 2 / 2);
      bad += poissonDeviate(random, unseen * day.valid);
      if (random() < unseenDays * (hours.length / 24))
        bad +=
          Math.min(
            0.5,
            badDays.length > 0 ? oneOf(badDays, random) * exponential(random) : UNSEEN_SHARE * exponential(random),
          ) * day.valid;
      if (ongoing) bad += ongoing.addedShare * day.valid * partIn(hours, nowMs, endOfTrouble);
      return Math.min(bad, valid);
    });
    return { valid, bad: Math.min(bad, valid), badByDay };
  });
  const expectedValid = middleOf(runs.map(({ valid }) => valid));
  const shares = runs.filter(({ valid }) => valid > 0).map(({ valid, bad }) => 1 - bad / valid);
  const chanceBelow = (share: number) => shares.filter((one) => one < share).length / Math.max(1, shares.length);
  const leftAfter = (bad: number) => budgetOf({ valid: bad, good: 0 }, expectedValid, target).leftShare ?? 1;
  return {
    share: fanOf(shares),
    expectedValid,
    chanceOfBreaking: chanceBelow(target),
    chances: penalties.map(({ below }) => chanceBelow(below)),
    expectedPenalty: expectedOf(penalties, chanceBelow),
    left: rest.map(({ endsMs }, i) => ({
      atMs: endsMs,
      fan: fanOf(runs.map(({ badByDay }) => leftAfter(badByDay[i] as number))),
    })),
  };
}

/** The deepest step that is due counts alone: each adds what it costs beyond the one before. */
function expectedOf(penalties: readonly PenaltyStep[], chanceBelow: (share: number) => number): number {
  let [sum, before] = [0, 0];
  for (const { below, amount } of [...penalties].sort((a, b) => b.below - a.below)) {
    sum += chanceBelow(below) * Math.max(0, amount - before);
    before = Math.max(before, amount);
  }
  return sum;
}

interface PastDay {
  dayMs: number;
  /** by the hour of the day (UTC) */
  hours: readonly (Tally | undefined)[];
  valid: number;
  /** bad attempts beyond what is usual for a day, where that is more than chance makes; else 0 */
  excess: number;
  /** bad attempts but for those */
  usual: number;
}

/** Days (UTC) that are over and of which at least one hour is known. */
function wholeDays(past: ReadonlyMap<number, Tally>, nowMs: number): PastDay[] {
  const days = new Map<number, (Tally | undefined)[]>();
  for (const [hourMs, tally] of past) {
    const dayMs = floorTo(hourMs, DAY_MS);
    if (dayMs + DAY_MS > nowMs) continue;
    let hours = days.get(dayMs);
    if (!hours) days.set(dayMs, (hours = new Array<Tally | undefined>(24).fill(undefined)));
    hours[(hourMs - dayMs) / HOUR_MS] = tally;
  }
  const summed = [...days]
    .sort(([a], [b]) => a - b)
    .map(([dayMs, hours]) => {
      const { valid, good } = hours.reduce<Tally>((sum, one) => (one ? addTally(sum, one) : sum), NOTHING);
      return { dayMs, hours, valid, bad: valid - good };
    });
  const usualShare = middleOf(summed.filter(({ valid }) => valid > 0).map(({ valid, bad }) => bad / valid));
  return summed.map(({ bad, ...day }) => {
    const usual = usualShare * day.valid;
    // Beyond three standard errors of a count it is trouble of that day.
    const excess = bad - usual > 3 * Math.sqrt(Math.max(1, usual)) ? bad - usual : 0;
    return { ...day, excess, usual: bad - excess };
  });
}

interface RemainingDay {
  dayMs: number;
  endsMs: number;
  /** those that are to come and count */
  hours: number[];
}

function remainingDays(endMs: number, nowMs: number, isCounted: (hourMs: number) => boolean): RemainingDay[] {
  const days: RemainingDay[] = [];
  for (let dayMs = floorTo(nowMs, DAY_MS); dayMs < endMs; dayMs += DAY_MS) {
    const hours: number[] = [];
    for (let hourMs = dayMs; hourMs < Math.min(endMs, dayMs + DAY_MS); hourMs += HOUR_MS)
      if (hourMs + HOUR_MS > nowMs && isCounted(hourMs)) hours.push(hourMs);
    days.push({ dayMs, endsMs: Math.min(endMs, dayMs + DAY_MS), hours });
  }
  return days;
}

interface Drawn {
  valid: number;
  /** bad attempts: those of every day, and those of that day's trouble */
  usual: number;
  excess: number;
  /** place among the past days */
  at: number;
}

/** What each past day of the same kind would bring in a remaining day's hours; of all days where too few are alike. */
function drawnFor(
  { dayMs, hours }: RemainingDay,
  days: readonly PastDay[],
  { isOff, nowMs }: Pick<ForecastQuestion, 'isOff' | 'nowMs'>,
): Drawn[] {
  const like = days.flatMap((day, at) => (isOff(day.dayMs) === isOff(dayMs) ? [{ day, at }] : []));
  const some = like.length >= FEWEST_DAYS ? like : days.map((day, at) => ({ day, at }));
  return some.map(({ day, at }) => {
    const drawn = { valid: 0, usual: 0, excess: 0, at };
    const bad = day.usual + day.excess;
    for (const hourMs of hours) {
      const tally = day.hours[(hourMs - dayMs) / HOUR_MS];
      // Of the hour that has begun only the rest is to come.
      const part = Math.min(1, (hourMs + HOUR_MS - nowMs) / HOUR_MS);
      drawn.valid += part * (tally?.valid ?? 0);
      const badThen = part * ((tally?.valid ?? 0) - (tally?.good ?? 0));
      drawn.usual += bad > 0 ? (badThen * day.usual) / bad : 0;
      drawn.excess += bad > 0 ? (badThen * day.excess) / bad : 0;
    }
    return drawn;
  });
}

/** One of them, by the weights of the days that they are. */
function pick(drawn: readonly Drawn[], weights: readonly number[], random: Random): number {
  const all = drawn.reduce((sum, { at }) => sum + (weights[at] as number), 0);
  let left = random() * all;
  for (let i = 0; i < drawn.length; i++) {
    left -= weights[(drawn[i] as Drawn).at] as number;
    if (left <= 0) return i;
  }
  return drawn.length - 1;
}

/** Which part of what is left of some hours lies before a moment. */
function partIn(hours: readonly number[], nowMs: number, toMs: number): number {
  let [inside, all] = [0, 0];
  for (const hourMs of hours) {
    const fromMs = Math.max(nowMs, hourMs);
    all += hourMs + HOUR_MS - fromMs;
    inside += Math.max(0, Math.min(toMs, hourMs + HOUR_MS) - fromMs);
  }
  return all === 0 ? 0 : inside / all;
}

/** How much longer it goes on: as one of those before that took longer; else as long again as it took. */
function lastsFor(
  { sinceMs, tookMs }: NonNullable<ForecastQuestion['ongoing']>,
  nowMs: number,
  random: Random,
): number {
  const elapsed = Math.max(0, nowMs - sinceMs);
  const longer = tookMs.filter((ms) => ms > elapsed);
  return longer.length === 0 ? elapsed : (longer[Math.floor(random() * longer.length)] as number) - elapsed;
}

const exponential = (random: Random): number => -Math.log(1 - random());
const oneOf = <T>(some: readonly T[], random: Random): T => some[Math.floor(random() * some.length)] as T;

/** Gamma deviate of shape one half and scale one: half the square of a normal deviate. */
const gammaHalf = (random: Random): number => exponential(random) * Math.cos(2 * Math.PI * random()) ** 2;

const sorted = (values: readonly number[]) => Float64Array.from(values).sort();
const middleOf = (values: readonly number[]): number => quantileSorted(sorted(values), 0.5) ?? 0;
const fanOf = (values: readonly number[]): Fan => {
  const ordered = sorted(values);
  return QUANTILES.map((p) => quantileSorted(ordered, p) ?? NaN) as unknown as Fan;
};
