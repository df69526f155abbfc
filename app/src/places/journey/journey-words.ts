import type { Schemas } from '@/data/client';
import { count, durationWords, formatMoney, percent } from '@/look/format';

export type Journey = Schemas['Journey'];
export type Step = Journey['steps'][number];

const people = (n: number) => `${count(n)} ${Math.round(n) === 1 ? 'person' : 'people'}`;

/** "2,140 people set out; 1,086 came to the end. 196 left because of trouble, with €2,640." */
export function journeySentence({ setOut, completed, beyondUsual, lost, currency }: Journey): string {
  if (setOut === 0) return 'Nobody set out on it in this window: no data.';
  const way = `${people(setOut)} set out; ${count(completed)} came to the end.`;
  if (beyondUsual < 0.5) return `${way} Nobody left because of trouble, beyond what could be chance.`;
  return `${way} ${people(beyondUsual)} left because of trouble${lost >= 0.5 ? `, who would have brought ${formatMoney(lost, currency)}` : ''}.`;
}

/** "1,620 people · 4.8 s · 3 % fail" */
export function stepFigures({ people: n, medianMs, failedShare }: Step): string {
  return [
    people(n),
    medianMs !== null && durationWords(medianMs),
    failedShare !== null && failedShare >= 0.005 && `${percent(failedShare)} fail`,
  ]
    .filter(Boolean)
    .join(' · ');
}
