import { twoSidedP } from './distributions';
import { median } from './robust';

export interface MannWhitney {
  /** of the first sample: pairs in which it is larger, ties count half */
  u: number;
  /** spreads from what chance would give, corrected for ties and continuity; above 0 when the first is larger */
  z: number;
  p: number;
}

/**
 * Does one sample tend to be larger than another? Rank-sum test of Mann & Whitney (1947), normal approximation with
 * corrections for ties and continuity, as R `wilcox.test(exact = FALSE)`.
 *
 * @returns `undefined` when a sample is empty
 */
export function mannWhitney(first: ArrayLike<number>, second: ArrayLike<number>): MannWhitney | undefined {
  const [m, n] = [first.length, second.length];
  if (m === 0 || n === 0) return undefined;
  const all = [
    ...Array.from(first, (value) => ({ value, isFirst: true })),
    ...Array.from(second, (value) => ({ value, isFirst: false })),
  ];
  all.sort((a, b) => a.value - b.value);
  let rankSum = 0;
  let ties = 0;
  for (let i = 0; i < all.length;) {
    let j = i;
    while (j < all.length && all[j]?.value === all[i]?.value) j++;
    const rank = (i + j + 1) / 2;
    for (let k = i; k < j; k++) if (all[k]?.isFirst) rankSum += rank;
    ties += (j - i) ** 3 - (j - i);
    i = j;
  }
  const u = rankSum - (m * (m + 1)) / 2;
  const sd = Math.sqrt(((m * n) / 12) * (m + n + 1 - ties / ((m + n) * (m + n - 1))));
  const off = u - (m * n) / 2;
  const z = sd > 0 ? (Math.sign(off) * Math.max(0, Math.abs(off) - 0.5)) / sd : 0;
  return { u, z, p: twoSidedP(z) };
}

/**
 * By how much the first sample lies above the second: median of all differences (Hodges & Lehmann 1963). Small samples:
 * m × n pairs.
 */
export function hodgesLehmann(first: ArrayLike<number>, second: ArrayLike<number>): number | undefined {
  const differences: number[] = [];
  for (let i = 0; i < first.length; i++)
    for (let j = 0; j < second.length; j++) differences.push((first[i] as number) - (second[j] as number));
  return median(differences);
}

/**
 * Agreement of two orders, -1 to 1: Kendall's τ-b (1945), which allows for ties.
 *
 * @returns `undefined` when one side has no order at all (fewer than two, or all tied)
 */
export function kendallTauB(x: readonly number[], y: readonly number[]): number | undefined {
  if (x.length !== y.length) throw new RangeError(`expected two lists of one length, got: ${x.length} and ${y.length}`);
  let [balance, inX, inY] = [0, 0, 0];
  for (let i = 1; i < x.length; i++)
    for (let j = 0; j < i; j++) {
      const dx = Math.sign((x[i] as number) - (x[j] as number));
      const dy = Math.sign((y[i] as number) - (y[j] as number));
      balance += dx * dy;
      inX += dx * dx;
      inY += dy * dy;
    }
  return inX > 0 && inY > 0 ? balance / Math.sqrt(inX * inY) : undefined;
}
