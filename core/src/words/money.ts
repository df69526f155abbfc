import { count } from './numbers';

/** Whole units (or so many decimals) with the currency's sign: £1,427. A code that is not a currency stands as text. */
export function formatMoney(amount: number, currency: string, decimals = 0): string {
  try {
    return new Intl.NumberFormat('en-GB', {
      style: 'currency',
      currency,
      minimumFractionDigits: decimals,
      maximumFractionDigits: decimals,
    }).format(amount);
  } catch {
    return `${count(amount)} ${currency}`.trim();
  }
}
