/** How a value in another currency becomes one in the currency of the bills. */
export interface Exchange {
  /** currency of all bills, ISO 4217 */
  currency: string;
  /** units of it for a unit of each other currency */
  rates: ReadonlyMap<string, number>;
}

/**
 * A value in the currency of the bills; without a currency it is taken for one already.
 *
 * @param value in any unit
 * @returns in the same unit of the bills' currency; NaN when there is none, or no rate for its currency is known: never
 *   added up as if it were the same
 * @example inBillCurrency(1_500, 'JPY', { currency: 'EUR', rates: new Map([['JPY', 0.006]]) }) // 9
 */
export function inBillCurrency(value: number, currency: string, { currency: own, rates }: Exchange): number {
  if (currency === '' || currency === own) return value;
  return value * (rates.get(currency) ?? NaN);
}
