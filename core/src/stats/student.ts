import { betaI, invertIncreasing } from './distributions';

/**
 * Two-sided point of Student's t distribution: |T| lies below it with probability `level`.
 *
 * @param df degrees of freedom, at least 1
 * @throws RangeError for fewer degrees of freedom, or a level outside 0 to 1
 * @example studentPoint(4, 0.95) // 2.776, as in the tables (NIST/SEMATECH e-Handbook 1.3.6.7.2)
 */
export function studentPoint(df: number, level: number): number {
  if (!(df >= 1)) throw new RangeError(`expected at least 1 degree of freedom, got: ${df}`);
  if (!(level > 0 && level < 1)) throw new RangeError(`expected 0 < level < 1, got: ${level}`);
  return invertIncreasing((t) => 1 - betaI(df / (df + t * t), df / 2, 0.5), level, 0, 1e4);
}
