import { shareDifference } from '../stats';

/** What probes and people say of the same thing. Where only one of them sees it, that is news. */
export const AGREEMENTS = ['bothWell', 'bothOff', 'probesAlone', 'peopleAlone', 'tooFewPeople', 'noProbe'] as const;
export type Agreement = (typeof AGREEMENTS)[number];

/** Fewer attempts of people tell nothing. Common practice, no source. */
const FEWEST_ATTEMPTS = 20;
/** So much more of the attempts must have gone wrong than before, at the least. */
const LEAST_MORE = 0.03;

/** Attempts of people: how many did not go well. */
export interface PeopleShare {
  attempts: number;
  bad: number;
}

/**
 * Are people off now? Told by the share of attempts that failed or were late, against the time before: beyond chance
 * (95 % interval of the difference of two shares, Newcombe 1998) and by more than a little.
 *
 * @returns `undefined` when too few came in either time
 */
export function arePeopleOff(now: PeopleShare, before: PeopleShare): boolean | undefined {
  if (now.attempts < FEWEST_ATTEMPTS || before.attempts < FEWEST_ATTEMPTS) return undefined;
  const more = shareDifference([now.bad, now.attempts], [before.bad, before.attempts]);
  return more && more.low > 0 && more.estimate > LEAST_MORE;
}

/** @param isProbeOff `undefined` while the probe says nothing */
export function agreementOf(isProbeOff: boolean | undefined, people: boolean | undefined): Agreement {
  if (isProbeOff === undefined) return 'noProbe';
  if (people === undefined) return 'tooFewPeople';
  if (isProbeOff) return people ? 'bothOff' : 'probesAlone';
  return people ? 'peopleAlone' : 'bothWell';
}
