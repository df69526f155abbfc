import type { Schemas } from '@/data/client';
import type { WorkDimension } from '@/frame/view';
import { count, counted, durationWords, lengthWords, times } from '@/look/format';

export type Sites = Schemas['Sites'];
export type Group = Sites['groups'][number];
export type Person = Sites['persons'][number];
export type Off = Sites['off'][number];
export type SiteChange = Schemas['SiteChange'];

/** One, and several, of what people at work are told apart by. */
export const BY_WORDS: Readonly<Record<WorkDimension, readonly [one: string, several: string]>> = {
  site: ['site', 'sites'],
  department: ['department', 'departments'],
  role: ['role', 'roles'],
  station: ['station', 'stations'],
  server: ['server', 'servers'],
};

/** What a sender tells it by. */
const ATTRIBUTES: Readonly<Record<WorkDimension, string>> = {
  site: 'toplens.site',
  department: 'toplens.department',
  role: 'toplens.role',
  station: 'toplens.station',
  server: 'server.address',
};

/** "240 people at 9 sites; one thing is off." */
export function sitesSentence({ people, groups, off, by, compared }: Sites, isNarrowed = false): string {
  if (groups.length === 0 && isNarrowed)
    return 'No data for this filter: nothing that it leaves tells where it was made in this time.';
  if (groups.length === 0 && by === 'site')
    return 'No data: no attempt of this time tells where it was made (toplens.site), so nothing is known of sites.';
  if (groups.length === 0)
    return `No data: no attempt of this time tells both its site (toplens.site) and its ${BY_WORDS[by][0]} (${ATTRIBUTES[by]}).`;
  const where = counted(groups.length, ...BY_WORDS[by]);
  const wrong =
    off.length === 0
      ? compared === 0
        ? 'too little was done to tell whether anything is off'
        : 'nothing is off beyond what a day brings'
      : off.length === 1
        ? 'one thing is off'
        : `${count(off.length)} things are off`;
  return `${counted(people, 'person', 'people')} at ${where}; ${wrong}.`;
}

/** "2.4× as long (2.1× to 2.7×) · Depot Desk · 28 people compared" */
export const offFigures = ({ factor, low, high, application, people, layer }: Off): string =>
  [
    `${times(factor)} as long (${times(low)} to ${times(high)})`,
    application,
    layer === 'device' ? '' : `${counted(people, 'person', 'people')} compared`,
  ]
    .filter(Boolean)
    .join(' · ');

/** In words where a group stands on the one scale. */
export function scoreWords({ score, standardError }: Pick<Group, 'score' | 'standardError'>): string {
  const of100 = Math.round(score * 100);
  if (Math.abs(score - 0.5) <= 2 * standardError || of100 === 50) return 'as everybody';
  return of100 > 50
    ? `${of100} of 100 take longer than one of anybody`
    : `${100 - of100} of 100 are quicker than one of anybody`;
}

/** Spread on the scale beside that of everybody, 1/√12. */
export function steadyWords({ unsteadiness }: Pick<Group, 'unsteadiness'>): string {
  const spread = unsteadiness * Math.sqrt(12);
  return spread > 1.1 ? 'unsteady' : spread < 0.9 ? 'steady' : 'as steady as everybody';
}

/** "1.8 h waited longer than usual" */
export const overWords = (overMs: number): string =>
  overMs < 60_000 ? 'hardly any waiting' : `${lengthWords(overMs)} waited longer than usual`;

const LIKE_WORDS: Readonly<Record<Person['likeness'], string>> = {
  sameSiteServerStation: 'same site, server and station',
  sameSiteServer: 'same site and server',
  sameSite: 'same site',
  sameServer: 'same server',
  everybody: 'anybody of the application',
};

/** "1.9× as long as 14 like people (same site and server)" */
export const likeWords = ({
  factor,
  low,
  high,
  like,
  likeness,
}: Pick<Person, 'factor' | 'low' | 'high' | 'like' | 'likeness'>): string =>
  `${times(factor)} (${times(low)} to ${times(high)}) as long as ${counted(like, 'like person', 'like people')}: ${LIKE_WORDS[likeness]}`;

type Cell = Sites['cells'][number];

/** Median time of an activity in a group, with how it compares with what is usual for the activity. */
export function timeOf({ medianMs, usualMs, attempts }: Cell): { value: string; detail: string; tone?: 0 | 1 } {
  if (medianMs === null) return { value: '–', detail: count(attempts) };
  const ratio = usualMs === null ? NaN : medianMs / usualMs;
  return {
    value: durationWords(medianMs),
    detail: Number.isNaN(ratio) ? count(attempts) : `${times(ratio)} · ${count(attempts)}`,
    ...(attempts >= FEWEST_TONED && ratio >= 1.15 && { tone: ratio >= 1.5 ? 1 : 0 }),
  };
}

/** Fewer attempts are never toned. */
export const FEWEST_TONED = 20;

/** From 5 % outside toned, from 20 % darker. */
export function toneOf({ attempts, good }: { attempts: number; good: number }): 0 | 1 | undefined {
  if (attempts < FEWEST_TONED) return undefined;
  const outside = 1 - good / attempts;
  return outside >= 0.2 ? 1 : outside >= 0.05 ? 0 : undefined;
}

/** Whether the change made it better or worse, with how sure that is. */
export function changeSentence({ verdict, factor, by, groups }: SiteChange): string {
  const several = BY_WORDS[by][1];
  if (factor === null)
    return `Too little to tell: it takes two ${several} or more with the change, and two without, with twenty attempts before and after each. Each is compared with itself below.`;
  const changed = counted(groups.filter(({ isChanged }) => isChanged).length, ...BY_WORDS[by]);
  const range = `${factor.estimate.toFixed(2)}× (${factor.low.toFixed(2)}× to ${factor.high.toFixed(2)}×)`;
  const than = `the time that it would have become without the change, going by the ${several} without it`;
  if (verdict === 'worse') return `Worse: at ${changed} things take ${range} ${than}.`;
  if (verdict === 'better') return `Better: at ${changed} things take ${range} ${than}.`;
  if (verdict === 'tooLittle') return `Too little to tell: at ${changed} things take ${range} ${than}.`;
  return `No difference shown: at ${changed} things take ${range} ${than}.`;
}

/** "1.8× as long as before · 1.2 % more fail (0.4 to 2.0) · 420 attempts before, 410 after" */
export function changeLine({ isChanged, before, after, factor, failed }: SiteChange['groups'][number]): string {
  const points = (share: number) => (100 * share).toFixed(1);
  return [
    isChanged ? 'changed' : '',
    factor === null ? 'too few to tell' : `${factor.toFixed(2)}× as long as before`,
    failed && (failed.low > 0 || failed.high < 0)
      ? `${points(Math.abs(failed.estimate))} of 100 ${failed.estimate > 0 ? 'more' : 'fewer'} fail`
      : '',
    `${counted(before, 'attempt')} before, ${count(after)} after`,
  ]
    .filter(Boolean)
    .join(' · ');
}

export type Remote = Schemas['Remote'];
export type RemoteGroup = Remote['groups'][number];

/** "64 sessions on remote desktops: the way to Brackwater takes longer, and people there are slower." */
export function remoteSentence({ sessions, groups }: Remote): string {
  const of = (verdict: RemoteGroup['verdict']) =>
    groups.filter((group) => group.verdict === verdict).map(({ group }) => group);
  const said = [
    of('line').length > 0 && `the way takes longer for ${of('line').join(', ')}, and people are slower for it`,
    of('application').length > 0 &&
      `people are slower for ${of('application').join(', ')}, and the way is as before: it is what runs there`,
    of('lineUnfelt').length > 0 && `the way takes longer for ${of('lineUnfelt').join(', ')}, and nobody is slower yet`,
  ].filter(Boolean);
  const all = counted(sessions, 'session');
  const isTold = groups.some(({ verdict }) => verdict !== 'tooLittle');
  const calm = isTold ? 'the way there and what is done there are as before' : 'too few of any one place to tell';
  return `${all} on remote desktops: ${said.length > 0 ? said.join('; ') : calm}.`;
}

/** "round trip 84 ms, before 31 ms · activities 2.4× as long as usual · 7 sessions" */
export const remoteFigures = ({ roundTripMs, beforeMs, activityFactor, sessions }: RemoteGroup): string =>
  [
    roundTripMs !== null &&
      `round trip ${durationWords(roundTripMs)}${beforeMs === null ? ', not known from before' : `, before ${durationWords(beforeMs)}`}`,
    activityFactor !== null && `activities ${times(activityFactor)} as long as usual`,
    counted(sessions, 'session'),
  ]
    .filter(Boolean)
    .join(' · ');

export type WorkPerson = Schemas['WorkPerson'];

/** "east-103 at Eastfen takes 2.4× (1.8× to 3.4×) as long as 10 like people: same site, server and station." */
export function personSentence({ host, site, compared, attempts, failed, judged }: WorkPerson): string {
  const against = compared
    ? `${host} at ${site} takes ${likeWords(compared)}`
    : `${host} at ${site} did too little to be compared, or too few are like them`;
  const all = counted(attempts, 'attempt');
  return `${against}. Of ${all}, ${count(judged)} can be judged${failed > 0 ? `; ${count(failed)} failed` : ''}.`;
}
