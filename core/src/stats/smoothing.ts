/**
 * Level of a series by simple exponential smoothing (Brown 1956), started at the first value.
 *
 * @param alpha weight of the newest value, 0 to 1
 * @returns `undefined` for an empty series; `sse` is the sum of squared one-step errors
 * @example smoothedLevel(nile, 0.2) // level 821.317, sse 2043111.45
 */
export function smoothedLevel(values: ArrayLike<number>, alpha: number): { level: number; sse: number } | undefined {
  if (!(alpha >= 0 && alpha <= 1)) throw new RangeError(`expected 0 <= alpha <= 1, got: ${alpha}`);
  if (values.length === 0) return undefined;
  let level = values[0] as number;
  let sse = 0;
  for (let i = 1; i < values.length; i++) {
    const error = (values[i] as number) - level;
    sse += error * error;
    level += alpha * error;
  }
  return { level, sse };
}
