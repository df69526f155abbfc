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

/** "194 left because of trouble (150 to 240), 206 as usual; 1,220 went on" */
export function stepWords(
  { sessions, wentOn, undecided, left, beyondUsual, exposed, usuallyExposed, isBad }: Step,
  isLast: boolean,
): string {
  if (sessions === 0) return 'Nobody came here.';
  const beyond = isBad ? Math.min(left, beyondUsual.estimate) : 0;
  const because = isBad
    ? `${count(beyond)} left because of trouble (${count(beyondUsual.low)} to ${count(beyondUsual.high)})`
    : undefined;
  const usual = left - beyond >= 0.5 ? `${count(left - beyond)} ${because ? 'as usual' : 'left as usual'}` : undefined;
  const asEver = exposed <= usuallyExposed + 3 * Math.sqrt(Math.max(1, usuallyExposed));
  const met =
    !isBad && exposed > 0
      ? `${count(exposed)} met trouble, ${asEver ? 'no more than usual' : 'and hardly more of them left'}`
      : undefined;
  return [
    [because, usual].filter(Boolean).join(', ') || 'nobody left',
    `${count(wentOn)} ${isLast ? 'completed it' : 'went on'}`,
    undecided > 0 && `${count(undecided)} may still`,
    met,
  ]
    .filter(Boolean)
    .join('; ');
}

/** "+ 178 people, €2,640; 24 of them are lost again until Print labels is mended" */
export function repairWords(
  { comeBack, hidden, completions, value }: Journey['repairs'][number],
  currency: string,
): string {
  const back = `${count(comeBack)} more go on, ${count(completions)} more come to the end${value >= 0.5 ? `, with ${formatMoney(value, currency)}` : ''}`;
  return hidden >= 0.5 ? `${back}; ${count(hidden)} are lost further down until that is fixed too` : back;
}
