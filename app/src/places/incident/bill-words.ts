import type { Schemas } from '@/data/client';
import { count, formatMoney } from '@/look/format';

type Line = Schemas['BillLine'];

const NAMES: Record<Line['name'], string> = {
  waiting: 'Waited longer than usual',
  failed: 'Failed or hung, no second try worked',
  missing: 'Never came',
  money: 'Money not earned',
  keyCustomers: 'Key customers, counted again',
};

export const lineName = (line: Line): string => NAMES[line.name];

/** "318 min × 1" */
export function lineQuantity(line: Line, currency: string): string {
  const n = line.quantity.estimate;
  const unit =
    line.name === 'failed' || line.name === 'missing'
      ? `${count(n)} ${Math.round(n) === 1 ? 'attempt' : 'attempts'}`
      : line.name === 'money'
        ? formatMoney(n, currency)
        : `${count(n)} min`;
  return `${unit} × ${line.rate}`;
}

/** Half the width of an interval: "±22". */
export const plusMinus = (interval: { low: number; high: number }): string => `±${count((interval.high - interval.low) / 2)}`;
