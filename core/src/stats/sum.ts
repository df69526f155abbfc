/** Sum of some numbers; 0 for none. */
export const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);

/** Arithmetic mean; NaN of none. */
export const mean = (values: readonly number[]): number => sum(values) / values.length;
