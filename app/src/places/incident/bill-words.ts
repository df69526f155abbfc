import type { Incident, Schemas } from '@/data/client';
import { count, counted, formatMoney } from '@/look/format';
import { weightWords } from '@toplens/core/incidents';
import { nth } from '@toplens/core/words';

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

/** "318 min × 1", "70 attempts × 5 × 0.5 (importance)" */
export function lineQuantity(line: Line, currency: string): string {
  const n = line.quantity.estimate;
  const unit =
    line.name === 'failed' || line.name === 'missing'
      ? counted(n, 'attempt')
      : line.name === 'left'
        ? counted(n, 'person', 'people')
        : line.name === 'money'
          ? formatMoney(n, currency)
          : line.name === 'keyCustomers'
            ? counted(n, 'point')
            : `${count(n)} min`;
  return `${unit} × ${weightWords(line)}`;
}

/** "280 to 340" */
export const rangeWords = ({ low, high }: { low: number; high: number }): string => `${count(low)} to ${count(high)}`;

/** Where a line’s attempts and people are: the flow that hurts most, the one that is missing, or the money of all. */
export function doorOf(name: Line['name'], { parts }: Pick<Incident, 'parts'>): string {
  const bad = parts.find(({ signal }) => signal !== 'missing') ?? parts[0];
  const missing = parts.find(({ signal }) => signal === 'missing') ?? bad;
  if (name === 'money') return '/flows';
  return `/flow/${(name === 'missing' ? missing : bad)?.flowId ?? ''}`;
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
      ? `${nth(best)} whichever rate you double or halve.`
      : `${nth(best)} to ${nth(worst)} whichever rate you double or halve.`;
  return nearTie ? `${stable} Its range overlaps with a neighbour’s: a near tie.` : stable;
}
