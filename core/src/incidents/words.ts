import { DIMENSION_WORDS, type Dimension } from '../telemetry';
import type { Signal } from '../normal';
import { capital, count, counted, formatMoney, inWords, lengthWords, percent, times } from '../words';

/** The figures from which an incident's sentences are made. */
export interface IncidentFacts {
  signal: Signal;
  flow: string;
  application: string;
  /** it is over, or the window that is looked at is: told in the past */
  isOver: boolean;
  /** how long it went on in the window */
  lengthMs: number;
  /** the flow is the load of a page */
  isPage?: boolean;
  /** most of what failed ended by a crash of the application */
  isCrash?: boolean;
  /** the whole application fell silent */
  wholeApplication: boolean;
  /** duration now against usual, 1 = as usual */
  slowness: number;
  /** share of attempts gone wrong now and usually, 0 to 1 */
  badShare: number;
  usualShare: number;
  /** share of the expected attempts that still come, 0 to 1 */
  volumeShare: number;
  /** what it is held against: what is usual, its own first minutes, or nothing of its own; what is usual when left out */
  against?: 'usual' | 'first' | 'nothing';
  /** dimension and value that hold nearly all that went wrong, if there are such */
  only?: { dimension: Dimension; value: string };
}

const people = (n: number) => counted(n, 'person', 'people');
const attempts = (n: number, which = '') => counted(n, `${which}attempt`);

/**
 * What happens, in words that need no chart: the headline of a row. What happens comes first and whom it happens to
 * after it, so that cutting it off loses nothing. What is over is told in the past.
 */
export function incidentTitle(facts: IncidentFacts): string {
  const { flow, application, isOver } = facts;
  const of = facts.only ? `${flow}, ${DIMENSION_WORDS[facts.only.dimension]} ${facts.only.value}` : flow;
  if (facts.signal === 'missing') {
    if (facts.volumeShare < 0.1) {
      const nobody = isOver ? `Nobody got in for ${lengthWords(facts.lengthMs)}` : 'Nobody gets in';
      return `${nobody}: ${facts.wholeApplication ? application : flow}`;
    }
    // A little later as many came as usual: how many are missing is not told by the whole.
    const missing = facts.volumeShare < 1 ? `${percent(1 - facts.volumeShare)} fewer attempts` : 'Fewer attempts';
    return `${missing} than ${facts.against === 'first' ? 'at first' : 'usual'}: ${flow}`;
  }
  if (facts.signal === 'failing') {
    const fails = failsWords(facts);
    if (facts.only) return `${fails} for ${DIMENSION_WORDS[facts.only.dimension]} ${facts.only.value}: ${flow}`;
    return `${fails} for ${percent(facts.badShare)}${usuallyWords(facts)}: ${flow}`;
  }
  if (facts.slowness >= 1.3 && facts.against !== 'nothing')
    return `${isOver ? 'Took' : 'Takes'} ${times(facts.slowness)} as long as ${facts.against === 'first' ? 'at first' : 'usual'}: ${of}`;
  return `${isOver ? 'Was slow' : 'Is slow'} for ${percent(facts.badShare)}${usuallyWords(facts)}: ${of}`;
}

/** ", usually 0.4 %": of what has shown nothing of its own yet nothing is said. */
function usuallyWords({ against = 'usual', usualShare }: IncidentFacts): string {
  if (against === 'nothing') return '';
  return `, ${against === 'first' ? 'at first' : 'usually'} ${percent(usualShare)}`;
}

function failsWords({ isPage, isCrash, isOver }: IncidentFacts): string {
  if (isPage) return isOver ? 'Came incomplete' : 'Comes incomplete';
  if (isCrash) return isOver ? 'Crashed' : 'Crashes';
  return isOver ? 'Failed' : 'Fails';
}

/** Second sentence of an incident: what it did to people. */
export function hurtSentence(hurt: {
  people: number;
  keyPeople: number;
  gaveUp: number;
  left: number;
  missing: number;
  signal: Signal;
  /** many attempts do not say whose they are: people are known roughly */
  isAbout?: boolean;
}): string {
  const parts: string[] = [];
  const verb = hurt.signal === 'missing' ? 'could not get in' : hurt.signal === 'slow' ? 'waited' : 'met a failure';
  if (hurt.people >= 0.5)
    parts.push(
      `${hurt.isAbout ? 'About ' : ''}${people(hurt.people)} ${verb}${hurt.keyPeople > 0 ? `, ${count(hurt.keyPeople)} of them key customers` : ''}`,
    );
  if (hurt.gaveUp >= 0.5) parts.push(`${attempts(hurt.gaveUp)} failed for good`);
  if (hurt.left >= 0.5) parts.push(`${people(hurt.left)} left because of it`);
  if (hurt.signal !== 'missing' && hurt.missing >= 0.5) parts.push(`${attempts(hurt.missing, 'later ')} never came`);
  return parts.length > 0 ? `${parts.join('; ')}.` : 'Nobody was hurt so far.';
}

export interface WindowFacts {
  people: number;
  /** many attempts do not say whose they are: people are known roughly */
  isAbout?: boolean;
  harmPerHour: number;
  flows: number;
  money: number;
  currency: string;
  withoutTeam: number;
  incidents: number;
  /** the window ended a while ago: told in the past */
  isPast: boolean;
  /** anything came in at all */
  hasData: boolean;
  /** something of it was judged */
  isJudged: boolean;
  /** flows that are judged by their first minutes alone, of those that are used; null when none are */
  learning: { flows: number; of: number } | null;
}

/** The one sentence that sums a window up, and the line under it. */
export function windowSentence(facts: WindowFacts): { headline: string; detail: string } {
  if (facts.incidents === 0) return calmSentence(facts);
  const isOne = Math.round(facts.people) === 1;
  const verb = facts.isPast ? (isOne ? 'was' : 'were') : isOne ? 'is' : 'are';
  const who = facts.isAbout ? `About ${people(facts.people)}` : capital(people(facts.people));
  const headline = `${who} ${verb} hurt: ${counted(facts.harmPerHour, 'harm point')} an hour, in ${inWords(facts.flows)} ${facts.flows === 1 ? 'flow' : 'flows'}.`;
  const money = facts.money >= 0.5 ? `${formatMoney(facts.money, facts.currency)} not earned. ` : '';
  return {
    headline,
    detail: money + whoHasThem(facts.incidents, facts.withoutTeam) + learningWords(facts, ' '),
  };
}

/** Nobody is called unhurt of whom it is not known. */
function calmSentence(facts: WindowFacts): { headline: string; detail: string } {
  const { isPast, hasData, isJudged, learning } = facts;
  if (!hasData) return { headline: 'No data has come in yet.', detail: '' };
  if (!isJudged) return { headline: 'What has come in is being judged.', detail: '' };
  if (learning && learning.flows >= learning.of)
    return {
      headline: isPast ? 'What is usual was not known yet.' : 'Learning what is usual: nothing stands out so far.',
      detail: `${counted(learning.of, 'flow')} ${byFirstMinutes(learning.of, isPast)}, and by how long people wait and how often services fail in general.`,
    };
  const headline = isPast ? 'Nobody was hurt' : 'Nobody is being hurt';
  return learning
    ? { headline: `${headline}, as far as is known.`, detail: learningWords(facts) }
    : { headline: `${headline}.`, detail: '' };
}

/** "are judged by their first minutes" */
function byFirstMinutes(flows: number, isPast: boolean): string {
  const verb = isPast ? (flows === 1 ? 'was' : 'were') : flows === 1 ? 'is' : 'are';
  return `${verb} judged by ${flows === 1 ? 'its' : 'their'} first minutes`;
}

function learningWords({ learning, isPast }: Pick<WindowFacts, 'learning' | 'isPast'>, before = ''): string {
  if (!learning) return '';
  const { flows, of } = learning;
  const all = flows === 1 ? 'The flow' : flows === 2 ? 'Both flows' : `All ${counted(of, 'flow')}`;
  const who = flows < of ? `${capital(inWords(flows))} of ${counted(of, 'flow')}` : all;
  return `${before}${who} ${byFirstMinutes(flows, isPast)} alone.`;
}

function whoHasThem(incidents: number, withoutTeam: number): string {
  if (incidents === 1) return withoutTeam === 0 ? 'It is with a team.' : 'It is with nobody yet.';
  if (withoutTeam === 0) return `All ${inWords(incidents)} are with a team.`;
  if (withoutTeam === incidents) return `None of the ${inWords(incidents)} is with a team yet.`;
  return `${capital(inWords(withoutTeam))} of the ${inWords(incidents)} ${withoutTeam === 1 ? 'is' : 'are'} with nobody yet.`;
}
