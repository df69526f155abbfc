import type { Interval } from '../stats';
import { count, formatMoney } from '../words';

/** Of one step of a journey, in sessions: who came, went on, left, and left beyond the usual. */
export interface StepFacts {
  sessions: number;
  wentOn: number;
  /** of whom it cannot be told yet */
  undecided: number;
  left: number;
  beyondUsual: Interval;
  /** met late, hung or failed attempts here */
  exposed: number;
  usuallyExposed: number;
  /** more left than chance explains */
  isBad: boolean;
}

/** What fixing one bad step brings, in people and units of currency. */
export interface RepairFacts {
  comeBack: number;
  /** of whom so many are lost at a later bad step */
  hidden: number;
  completions: number;
  value: number;
}

/** @example stepWords(step, false) // '194 left because of trouble (150 to 240), 206 as usual; 1,220 went on' */
export function stepWords(
  { sessions, wentOn, undecided, left, beyondUsual, exposed, usuallyExposed, isBad }: StepFacts,
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
    undecided > 0 && `${count(undecided)} may still ${isLast ? 'complete it' : 'go on'}`,
    met,
  ]
    .filter(Boolean)
    .join('; ');
}

/** @example repairWords(repair, 'EUR') // '178 more go on, 154 more come to the end, with €2,640; 24 are lost …' */
export function repairWords({ comeBack, hidden, completions, value }: RepairFacts, currency: string): string {
  const back = `${count(comeBack)} more go on, ${count(completions)} more come to the end${value >= 0.5 ? `, with ${formatMoney(value, currency)}` : ''}`;
  return hidden >= 0.5 ? `${back}; ${count(hidden)} are lost further down until that is fixed too` : back;
}
