/** A factor as it was set, without what computing adds: 0.1, not 0.10000000000000009. */
const figure = (value: number): string => String(Number(value.toPrecision(4)));

/**
 * By what a line of the bill is multiplied: its rate, and the importance of the flows where that is not 1.
 *
 * @example weightWords({ rate: 5, importance: 0.5 }) // '5 × 0.5 (importance)'
 */
export const weightWords = ({ rate, importance }: { rate: number; importance: number }): string =>
  figure(importance) === '1' ? figure(rate) : `${figure(rate)} × ${figure(importance)} (importance)`;
