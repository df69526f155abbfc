import { stepEnds, stepWords } from '@toplens/core/journeys';
import { count } from '@/look/format';
import type { Journey, Step } from './journey-words';

/** What a bar for each step is drawn of, all on one scale, and what became of its sessions in words. */
export function stepBars({ steps }: Pick<Journey, 'steps'>) {
  const most = Math.max(1, ...steps.map(({ sessions }) => sessions));
  return steps.map((step: Step, k) => {
    const beyond = step.isBad ? Math.min(step.left, step.beyondUsual.estimate) : 0;
    const isLast = k === steps.length - 1;
    const words = stepWords(step, isLast);
    return {
      step,
      words,
      ends: stepEnds(step, isLast),
      bar: {
        most,
        wentOn: step.wentOn,
        undecided: step.undecided,
        beyondUsual: beyond,
        asUsual: step.left - beyond,
        label: `Of ${count(step.sessions)} sessions ${words}`,
      },
    };
  });
}
