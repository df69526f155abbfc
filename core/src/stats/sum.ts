/** Sum of some numbers; 0 for none. */
export function sum(values: ArrayLike<number>): number {
  let total = 0;
  for (let i = 0; i < values.length; i++) total += values[i] as number;
  return total;
}

/** Arithmetic mean; NaN of none. */
export const mean = (values: ArrayLike<number>): number => sum(values) / values.length;
