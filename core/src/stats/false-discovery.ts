/**
 * p-values adjusted so that, keeping those at or below a level, the expected share of false ones among them stays at
 * that level (Benjamini & Hochberg 1995).
 *
 * @returns adjusted values in the order of the input
 */
export function benjaminiHochberg(pValues: readonly number[]): number[] {
  const order = pValues.map((_, i) => i).sort((a, b) => (pValues[b] as number) - (pValues[a] as number));
  const adjusted = new Array<number>(pValues.length);
  let least = 1;
  order.forEach((index, fromTop) => {
    const rank = pValues.length - fromTop;
    least = Math.min(least, ((pValues[index] as number) * pValues.length) / rank);
    adjusted[index] = least;
  });
  return adjusted;
}
