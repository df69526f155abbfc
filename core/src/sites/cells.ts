import { robustCentre } from '../stats';
import type { Work, WorkCell } from './work';

/** Fewer attempts do not tell how long something takes a person. */
export const FEWEST_ATTEMPTS = 5;
/** Error of a median against that of a mean, of normal values: √(π/2). */
export const MEDIAN_ERROR = Math.sqrt(Math.PI / 2);
/** The logarithm of one person's durations of one activity is hardly ever closer together. */
const LEAST_SPREAD = 0.1;

/** Attempts gathered by person, site, server and kind of device; what is too little to tell is left out. */
export function cellsOf(work: Work): WorkCell[] {
  const gathered = new Map<string, { row: number; excess: number[] }>();
  for (const [row, excess] of work.excess.entries()) {
    if (work.person[row] === 0) continue;
    const key = `${work.person[row]}:${work.site[row]}:${work.server[row]}:${work.station[row]}`;
    const known = gathered.get(key);
    if (known) known.excess.push(excess);
    else gathered.set(key, { row, excess: [excess] });
  }
  return [...gathered.values()]
    .filter(({ excess }) => excess.length >= FEWEST_ATTEMPTS)
    .map(({ row, excess }) => {
      const { centre = 0, spread = 0 } = robustCentre(excess) ?? {};
      return {
        person: work.person[row] as number,
        site: work.site[row] as number,
        server: work.server[row] as number,
        station: work.station[row] as number,
        middle: centre,
        standardError: (MEDIAN_ERROR * Math.max(spread, LEAST_SPREAD)) / Math.sqrt(excess.length),
        attempts: excess.length,
      };
    });
}
