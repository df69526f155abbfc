import type { StepPart } from '@toplens/core/journeys';
import type { Schemas } from '@/data/client';
import { count, counted, durationWords, formatMoney, percent } from '@/look/format';

export type Journey = Schemas['Journey'];
export type Step = Journey['steps'][number];

const people = (n: number) => `${count(n)} ${Math.round(n) === 1 ? 'person' : 'people'}`;

/** "2,140 people set out; 1,086 came to the end. 196 left because of trouble, with €2,640." */
export function journeySentence(journey: Journey): string {
  const [setOut, completed, left] = journeyFigures(journey).map(({ words }) => words);
  if (journey.setOut === 0) return 'Nobody set out on it in this window: no data.';
  return `${setOut}; ${completed}. ${left ?? 'Nobody left because of trouble, beyond what could be chance'}.`;
}

/** The figures of a journey in words, each with the step (from 1) and the sessions there that it is made of. */
export function journeyFigures({
  setOut,
  completed,
  beyondUsual,
  lost,
  currency,
  steps,
}: Journey): { words: string; step: number; of: StepPart }[] {
  // Most of those who left because of trouble left at this one; at the others its own figures are doors.
  const beyond = steps.map(({ isBad, beyondUsual: here }) => (isBad ? here.estimate : 0));
  const worst = beyond.indexOf(Math.max(...beyond)) + 1;
  return [
    { words: `${people(setOut)} set out`, step: 1, of: 'came' },
    { words: `${count(completed)} came to the end`, step: steps.length, of: 'wentOn' },
    ...(beyondUsual < 0.5
      ? []
      : [
          {
            words: `${people(beyondUsual)} left because of trouble${lost >= 0.5 ? `, who would have brought ${formatMoney(lost, currency)}` : ''}`,
            step: worst,
            of: 'leftAfterTrouble' as const,
          },
        ]),
  ];
}

/** "1,620 people", "4.8 s", "3 % fail", and the sessions that each is made of */
export function stepFigures({ people: n, medianMs, failedShare }: Step): { words: string; of: StepPart }[] {
  return [
    { words: people(n), of: 'came' as const },
    ...(medianMs === null ? [] : [{ words: durationWords(medianMs), of: 'came' as const }]),
    ...(failedShare !== null && failedShare >= 0.005
      ? [{ words: `${percent(failedShare)} fail`, of: 'metTrouble' as const }]
      : []),
  ];
}

type StepPage = Schemas['JourneyStepPage'];

/** What is listed, as a link; at the last step whoever goes on completes it. */
export const ofWords = (of: StepPart, isLast: boolean): string =>
  ({
    came: 'all who came',
    wentOn: isLast ? 'completed it' : 'went on',
    undecided: isLast ? 'may still complete it' : 'may still go on',
    left: 'left',
    leftAfterTrouble: 'met trouble and left',
    metTrouble: 'met trouble',
  })[of];

/** "Pay: met trouble and left" */
export const stepTitle = ({ name, of, step, steps }: Pick<StepPage, 'name' | 'of' | 'step' | 'steps'>): string =>
  `${name}: ${ofWords(of, step === steps)}`;

/** "62 sessions met trouble here and left. 31 people more than usual left because of it (20 to 40): …" */
export function stepSentence({ of, sessions, step, steps, beyondUsual, every }: StepPage): string {
  const isLast = step === steps;
  if (sessions === 0) return NONE[of](isLast);
  const told = `${every > 1 ? 'About ' : ''}${counted(sessions, 'session')} ${SESSIONS[of](isLast)}.`;
  const because =
    beyondUsual && (of === 'left' || of === 'leftAfterTrouble')
      ? ` ${people(beyondUsual.estimate)} left because of trouble, beyond the usual (${count(beyondUsual.low)} to ${count(beyondUsual.high)}): whether a single one would have left anyway, nobody can tell.`
      : '';
  return told + because;
}

const SESSIONS: Readonly<Record<StepPart, (isLast: boolean) => string>> = {
  came: () => 'came here',
  wentOn: (isLast) => (isLast ? 'completed it' : 'went on from here'),
  undecided: (isLast) => `came so lately that they may still ${isLast ? 'complete it' : 'go on'}`,
  left: () => 'ended here',
  leftAfterTrouble: () => 'met a late, hung or failed attempt here and ended here',
  metTrouble: () => 'met a late, hung or failed attempt here',
};
const NONE: Readonly<Record<StepPart, (isLast: boolean) => string>> = {
  came: () => 'Nobody came here in this window: no data.',
  wentOn: (isLast) => (isLast ? 'Nobody completed it.' : 'Nobody went on from here.'),
  undecided: (isLast) => `Of nobody it is still open whether they ${isLast ? 'complete it' : 'go on'}.`,
  left: () => 'Nobody left here.',
  leftAfterTrouble: () => 'Nobody who met trouble here left here.',
  metTrouble: () => 'Nobody met a late, hung or failed attempt here.',
};
