import { MONEY_FIGURES, type MoneyFigure } from '@toplens/core/money';
import type { Schemas } from '@/data/client';
import { count, formatMoney, percent } from '@/look/format';

export type Revenue = Schemas['Revenue'];
type Figure = Schemas['MoneyFigure'];

const FIGURE_WORDS: Readonly<Record<MoneyFigure, string>> = {
  orders: 'orders',
  value: 'value',
  size: 'each',
  conversion: 'of those who began',
};
const VERDICT_WORDS = { below: 'below', above: 'above', usual: '', notKnown: '' } as const;

export const figureValue = (figure: MoneyFigure, value: number, currency: string): string => {
  if (figure === 'orders') return count(value);
  if (figure === 'conversion') return percent(value);
  return formatMoney(value, currency, figure === 'size' ? 2 : 0);
};

/** "812 orders, usually 760 to 910" and what it is of that: below, above. */
export function figureWords(
  name: MoneyFigure,
  { value, low, high, verdict }: Figure,
  currency: string,
  words = FIGURE_WORDS[name],
): string | undefined {
  if (value === null) return undefined;
  const shown = figureValue(name, value, currency);
  const told = name === 'conversion' || name === 'orders' ? `${shown} ${words}` : `${words} ${shown}`;
  const usual =
    low === null || high === null
      ? ''
      : `, usually ${figureValue(name, low, currency)} to ${figureValue(name, high, currency)}`;
  return [`${told}${usual}`, VERDICT_WORDS[verdict]].filter(Boolean).join(': ');
}

export const figureLines = (
  revenue: Revenue,
  currency: string,
): { name: MoneyFigure; words: string; isOff: boolean }[] =>
  MONEY_FIGURES.flatMap((name) => {
    // Not every event is an order: it happened so many times.
    const words = figureWords(
      name,
      revenue[name],
      currency,
      revenue.kind === 'businessEvent' && name === 'orders' ? 'times' : FIGURE_WORDS[name],
    );
    if (name !== 'orders' && revenue.kind === 'businessEvent' && !(revenue.value.value ?? 0)) return [];
    return words === undefined ? [] : [{ name, words, isOff: revenue[name].verdict === 'below' }];
  });

/** The figures of a revenue for bars: what each is called, its value in words, and the whole in words. */
export const figureBars = (revenue: Revenue, currency: string) =>
  figureLines(revenue, currency).map(({ name, words, isOff }) => {
    const { value, low, high } = revenue[name];
    const isEvent = revenue.kind === 'businessEvent' && name === 'orders';
    return {
      name,
      words,
      isOff,
      label: name === 'conversion' ? 'ordered' : isEvent ? 'times' : FIGURE_WORDS[name],
      shown: figureValue(name, value ?? 0, currency),
      figure: { value: value ?? 0, low, high },
    };
  });

/** "€3,100 less than usual (€1,900 to €4,400)" */
export const lostWords = ({ lost }: Pick<Revenue, 'lost'>, currency: string): string | undefined =>
  lost.estimate > 0
    ? `${formatMoney(lost.estimate, currency)} less than usual (${formatMoney(lost.low, currency)} to ${formatMoney(lost.high, currency)})`
    : undefined;

/** After the end of an incident: is it all back? */
export function backWords({ name, kind, orders, value }: Revenue, currency: string): string {
  if (orders.value === null || orders.expected === null)
    return `${name}: too little is known yet to say whether it is back.`;
  const share = percent(orders.value / orders.expected);
  const money = value.value === null ? '' : `, ${formatMoney(value.value, currency)}`;
  if (orders.verdict === 'below')
    return `${name}: back in part, ${share} of the usual ${kind === 'businessEvent' ? 'number' : 'orders'}${money}.`;
  return `${name}: back in full, ${share} of the usual ${kind === 'businessEvent' ? 'number' : 'orders'}${money}.`;
}

/** "Trader: €1,240 (€810 to €1,670), 312 people" */
export const tierWords = ({ tier, money, people }: Schemas['LostByTier']['tiers'][number], currency: string): string =>
  `${tier}: ${formatMoney(money.estimate, currency)} (${formatMoney(money.low, currency)} to ${formatMoney(money.high, currency)}), ${count(people.estimate)} people`;
