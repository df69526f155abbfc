/**
 * The bits of a random id that must be 0, so that of `n` rows about `most` are left: a fair part, the same each time, and
 * without sorting them all.
 */
export const maskOf = (n: number, most: number): number => 2 ** Math.max(0, Math.ceil(Math.log2(n / most))) - 1;
