import type { Signal } from '../normal';
import { capital, counted, inWords } from '../words';
import { count, formatMoney, percent, times } from '../words';

/** The figures from which an incident's sentences are made. */
export interface IncidentFacts {
  signal: Signal;
  flow: string;
  application: string;
  /** the flow is the load of a page */
  isPage?: boolean;
  /** the whole application fell silent */
  wholeApplication: boolean;
  /** duration now against usual, 1 = as usual */
  slowness: number;
  /** share of attempts gone wrong now and usually, 0 to 1 */
  badShare: number;
  usualShare: number;
  /** share of the expected attempts that still come, 0 to 1 */
  volumeShare: number;
  /** dimension and value that hold nearly all that went wrong, if there are such */
  only?: { dimension: string; value: string };
}

const people = (n: number) => counted(n, 'person', 'people');
const attempts = (n: number, which = '') => counted(n, `${which}attempt`);

/** What happens, in words that need no chart: the headline of a row. */
export function incidentTitle(facts: IncidentFacts): string {
  const only = facts.only ? ` for ${facts.only.dimension} ${facts.only.value}` : '';
  if (facts.signal === 'missing') {
    if (facts.volumeShare < 0.1)
      return facts.wholeApplication ? `Nobody gets in to ${facts.application}` : `Nobody gets to ${facts.flow}`;
    // A little later as many came as usual: how many are missing is not told by the whole.
    const missing = facts.volumeShare < 1 ? `${percent(1 - facts.volumeShare)} fewer` : 'Fewer';
    return `${missing} than usual get to ${facts.flow}`;
  }
  if (facts.signal === 'failing') {
    const fails = facts.isPage ? 'comes incomplete' : 'fails';
    if (facts.only) return `${facts.flow} ${fails}${only}`;
    return `${facts.flow} ${fails} for ${percent(facts.badShare)}, usually ${percent(facts.usualShare)}`;
  }
  if (facts.slowness >= 1.3) return `${facts.flow} is ${times(facts.slowness)} slower than usual${only}`;
  return `${facts.flow} is slow for ${percent(facts.badShare)}${only}, usually ${percent(facts.usualShare)}`;
}

/** Second sentence of an incident: what it did to people. */
export function hurtSentence(hurt: {
  people: number;
  keyPeople: number;
  gaveUp: number;
  left: number;
  missing: number;
  signal: Signal;
}): string {
  const parts: string[] = [];
  const verb = hurt.signal === 'missing' ? 'could not get in' : hurt.signal === 'slow' ? 'waited' : 'met a failure';
  if (hurt.people >= 0.5)
    parts.push(
      `${people(hurt.people)} ${verb}${hurt.keyPeople > 0 ? `, ${count(hurt.keyPeople)} of them key customers` : ''}`,
    );
  if (hurt.gaveUp >= 0.5) parts.push(`${attempts(hurt.gaveUp)} failed for good`);
  if (hurt.left >= 0.5) parts.push(`${people(hurt.left)} left because of it`);
  if (hurt.signal !== 'missing' && hurt.missing >= 0.5) parts.push(`${attempts(hurt.missing, 'later ')} never came`);
  return parts.length > 0 ? `${parts.join('; ')}.` : 'Nobody was hurt so far.';
}

export interface WindowFacts {
  people: number;
  harmPerHour: number;
  flows: number;
  money: number;
  currency: string;
  withoutTeam: number;
  incidents: number;
}

/** The one sentence that sums a window up, and the line under it. */
export function windowSentence(facts: WindowFacts): { headline: string; detail: string } {
  if (facts.incidents === 0) return { headline: 'Nobody is being hurt.', detail: '' };
  const verb = Math.round(facts.people) === 1 ? 'is' : 'are';
  const headline = `${capital(people(facts.people))} ${verb} hurt: ${count(facts.harmPerHour)} minutes of harm an hour, in ${inWords(facts.flows)} ${facts.flows === 1 ? 'flow' : 'flows'}.`;
  const money = facts.money >= 0.5 ? `${formatMoney(facts.money, facts.currency)} not earned. ` : '';
  return { headline, detail: money + whoHasThem(facts.incidents, facts.withoutTeam) };
}

function whoHasThem(incidents: number, withoutTeam: number): string {
  if (incidents === 1) return withoutTeam === 0 ? 'It is with a team.' : 'It is with nobody yet.';
  if (withoutTeam === 0) return `All ${inWords(incidents)} are with a team.`;
  if (withoutTeam === incidents) return `None of the ${inWords(incidents)} is with a team yet.`;
  return `${capital(inWords(withoutTeam))} of the ${inWords(incidents)} ${withoutTeam === 1 ? 'is' : 'are'} with nobody yet.`;
}
