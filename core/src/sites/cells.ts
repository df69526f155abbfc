import { median, robustCentre } from '../stats';
import type { Work, WorkCell } from './work';

/** Fewer attempts do not tell how long something takes a person. */
export const FEWEST_ATTEMPTS = 5;
/** Error of a median against that of a mean, of normal values: √(π/2). */
export const MEDIAN_ERROR = Math.sqrt(Math.PI / 2);
/** The logarithm of one person's durations of one activity is hardly ever closer together. */
const LEAST_SPREAD = 0.1;

/** So many people, and attempts, tell how a site fared in half an hour. */
const FEWEST_PEOPLE_THEN = 4;
const FEWEST_ATTEMPTS_THEN = 8;

/** Attempts gathered by person, site, server and kind of device; what is too little to tell is left out. */
export function cellsOf(work: Work): WorkCell[] {
  const thenOf = siteThen(work);
  const gathered = new Map<string, { row: number; excess: number[]; own: number[] }>();
  for (const [row, excess] of work.excess.entries()) {
    if (work.person[row] === 0) continue;
    const key = `${work.person[row]}:${work.site[row]}:${work.server[row]}:${work.station[row]}`;
    const known = gathered.get(key);
    const own = excess - thenOf(row);
    if (known) {
      known.excess.push(excess);
      known.own.push(own);
    } else gathered.set(key, { row, excess: [excess], own: [own] });
  }
  return [...gathered.values()]
    .filter(({ excess }) => excess.length >= FEWEST_ATTEMPTS)
    .map(({ row, excess, own }) => {
      const { centre = 0, spread = 0 } = robustCentre(excess) ?? {};
      return {
        person: work.person[row] as number,
        site: work.site[row] as number,
        server: work.server[row] as number,
        station: work.station[row] as number,
        middle: centre,
        ownMiddle: median(own) ?? centre,
        standardError: (MEDIAN_ERROR * Math.max(spread, LEAST_SPREAD)) / Math.sqrt(excess.length),
        attempts: excess.length,
      };
    });
}

/** By how much a site was off its own middle in the half hour of a row; 0 where too few tell. */
function siteThen({ site, halfHour, person, excess }: Work): (row: number) => number {
  const bySite = new Map<number, number[]>();
  const byTime = new Map<string, { excess: number[]; people: Set<number> }>();
  const keyOf = (row: number) => `${site[row]}:${halfHour[row]}`;
  for (const [row, value] of excess.entries()) {
    const of = site[row] as number;
    const all = bySite.get(of) ?? [];
    all.push(value);
    bySite.set(of, all);
    const then = byTime.get(keyOf(row)) ?? { excess: [], people: new Set<number>() };
    then.excess.push(value);
    then.people.add(person[row] as number);
    byTime.set(keyOf(row), then);
  }
  const middles = new Map([...bySite].map(([of, values]) => [of, median(values) ?? 0]));
  const off = new Map(
    [...byTime].map(([key, { excess: values, people }]) => {
      const isTold = people.size >= FEWEST_PEOPLE_THEN && values.length >= FEWEST_ATTEMPTS_THEN;
      return [key, isTold ? (median(values) ?? 0) - (middles.get(Number(key.split(':')[0])) ?? 0) : 0];
    }),
  );
  return (row) => off.get(keyOf(row)) ?? 0;
}
