import type { Incident, Schemas } from '@/data/client';
import { count, formatMoney } from '@/look/format';

type Line = Schemas['BillLine'];

const NAMES: Record<Line['name'], string> = {
  waiting: 'Waited longer than usual',
  failed: 'Failed or hung, no second try worked',
  left: 'Left because of it',
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
      : line.name === 'left'
        ? `${count(n)} ${Math.round(n) === 1 ? 'person' : 'people'}`
        : line.name === 'money'
          ? formatMoney(n, currency)
          : `${count(n)} min`;
  return `${unit} × ${line.rate}`;
}

/** Half the width of an interval: "±22". */
export const plusMinus = (interval: { low: number; high: number }): string =>
  `±${count((interval.high - interval.low) / 2)}`;

/** "1st", "2nd", "3rd", "4th" */
export function ordinal(n: number): string {
  const rest = n % 100;
  const ending = rest >= 11 && rest <= 13 ? 'th' : (['th', 'st', 'nd', 'rd'][n % 10] ?? 'th');
  return `${n}${ending}`;
}

/** How sure the rank is: under other opinions about the rates, and beside its neighbours. */
export function sureWords({
  rank,
  best,
  worst,
  nearTie,
}: Pick<Incident, 'rank' | 'best' | 'worst' | 'nearTie'>): string {
  if (rank === null || best === null || worst === null) return 'It does not count in the rank.';
  const stable =
    best === worst
      ? `${ordinal(best)} whichever rate you double or halve.`
      : `${ordinal(best)} to ${ordinal(worst)} whichever rate you double or halve.`;
  return nearTie ? `${stable} Its range overlaps with a neighbour’s: a near tie.` : stable;
}
