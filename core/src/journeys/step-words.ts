import type { Interval } from '../stats';
import type { StepPart } from './judge-journey';
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

/** A figure of a step in words, and the sessions that it counts. */
export interface StepFigure {
  words: string;
  of: StepPart;
}

/**
 * What became of those who came to a step, figure by figure; none where nobody came.
 *
 * @example stepEnds(step, false)[0] // { words: '194 left because of trouble (150 to 240)', of: 'leftAfterTrouble' }
 */
export function stepEnds(
  { sessions, wentOn, undecided, left, beyondUsual, exposed, usuallyExposed, isBad }: StepFacts,
  isLast: boolean,
): StepFigure[] {
  if (sessions === 0) return [];
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
  const figures: { words: string | undefined; of: StepPart }[] = [
    { words: because, of: 'leftAfterTrouble' },
    { words: usual, of: 'left' },
    { words: because || usual ? undefined : 'nobody left', of: 'left' },
    { words: `${count(wentOn)} ${isLast ? 'completed it' : 'went on'}`, of: 'wentOn' },
    {
      words: undecided > 0 ? `${count(undecided)} may still ${isLast ? 'complete it' : 'go on'}` : undefined,
      of: 'undecided',
    },
    { words: met, of: 'metTrouble' },
  ];
  return figures.flatMap(({ words, of }) => (words === undefined ? [] : [{ words, of }]));
}

/** @example stepWords(step, false) // '194 left because of trouble (150 to 240); 206 as usual; 1,220 went on' */
export const stepWords = (facts: StepFacts, isLast: boolean): string =>
  stepEnds(facts, isLast)
    .map(({ words }) => words)
    .join('; ') || 'Nobody came here.';

/** @example repairWords(repair, 'EUR') // '178 more go on, 154 more come to the end, with €2,640; 24 are lost …' */
export function repairWords({ comeBack, hidden, completions, value }: RepairFacts, currency: string): string {
  const back = `${count(comeBack)} more go on, ${count(completions)} more come to the end${value >= 0.5 ? `, with ${formatMoney(value, currency)}` : ''}`;
  return hidden >= 0.5
    ? `${back}; ${count(hidden)} ${Math.round(hidden) === 1 ? 'is' : 'are'} lost further down until that is fixed too`
    : back;
}
