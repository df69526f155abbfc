import type { Schemas } from '@/data/client';
import { clock, count, counted, durationWords, percentCut } from '@/look/format';

export type Probes = Schemas['Probes'];
export type ProbeLine = Schemas['ProbeLine'];
export type ProbePage = Schemas['ProbePage'];
export type StepLine = Schemas['ProbeStepLine'];
export type Run = ProbePage['runs'][number];

export const capital = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}`;

/** "Slow: Sign in took longer than 900 ms, since 09:42" */
export function standingWords({ standing, words, sinceMs }: ProbeLine, nowMs: number): string {
  const said = capital(words);
  return sinceMs === null || standing === 'good' ? said : `${said}, since ${clock(sinceMs, nowMs)}`;
}

/** "12 runs: 10 well, 2 slow · reachable 100 % (76 to 100 %) · half within 1.2 s" */
export function countWords(line: ProbeLine): string {
  const { runs, good, slow, broken, probeTrouble, missed, inMaintenance, reachable, medianMs } = line;
  const during = inMaintenance > 0 && `${counted(inMaintenance, 'run')} during maintenance, not counted`;
  if (runs === 0) return during || 'No run in this time.';
  const of = [
    good > 0 && `${count(good)} well`,
    slow > 0 && `${count(slow)} slow`,
    broken > 0 && `${count(broken)} broken`,
    probeTrouble > 0 && `${count(probeTrouble)} of a probe in trouble`,
  ].filter(Boolean);
  return [
    `${counted(runs, 'run')}: ${of.join(', ')}`,
    missed > 0 && `${counted(missed, 'run')} did not come`,
    reachable &&
      `reachable ${percentCut(reachable.estimate, 2)} (${percentCut(reachable.low, 1)} to ${percentCut(reachable.high, 1)})`,
    medianMs !== null && `half within ${durationWords(medianMs)}`,
    during,
  ]
    .filter(Boolean)
    .join(' · ');
}

/** What the strip of a line shows, for those who do not see it. */
export function stripWords({ recent, probe, site }: ProbeLine): string {
  const of = (wanted: string) => recent.filter(({ verdict }) => verdict === wanted).length;
  return `${probe} from ${site}, the last ${counted(recent.length, 'run')}: ${count(of('good'))} well, ${count(of('slow'))} slow, ${count(of('broken'))} broken, ${count(of('probeTrouble'))} of a probe in trouble`;
}

/** "slow from 900 ms, broken from 6 s; for this site alone" */
export const limitWords = ({ slowMs, brokenMs, isOwnLimit }: StepLine): string =>
  slowMs === null || brokenMs === null
    ? 'no limit: judged by failing alone'
    : `slow from ${durationWords(slowMs)}, broken from ${durationWords(brokenMs)}${isOwnLimit ? '; for this site alone' : ''}`;

/** "288 times, 2 failed · half within 420 ms, 19 of 20 within 610 ms" */
export function stepWords({ runs, failed, medianMs, p95Ms, overSlow, overBroken }: StepLine): string {
  if (runs === 0) return 'never came so far';
  return [
    `${count(runs)} ${runs === 1 ? 'time' : 'times'}${failed > 0 ? `, ${count(failed)} failed` : ''}`,
    medianMs !== null &&
      p95Ms !== null &&
      `half within ${durationWords(medianMs)}, 19 of 20 within ${durationWords(p95Ms)}`,
    overSlow > 0 && `${count(overSlow)} slower than the first limit`,
    overBroken > 0 && `${count(overBroken)} than the second`,
  ]
    .filter(Boolean)
    .join(' · ');
}

type Step = Readonly<Record<string, unknown>>;
const textIn = (step: Step, name: string): string | undefined => {
  const value = step[name];
  return typeof value === 'string' || typeof value === 'number' ? String(value) : undefined;
};

/** A step of a script in one line: "asks GET https://desk.example/, expects status 200" */
export function scriptWords(step: Step): string {
  const text = (name: string) => textIn(step, name);
  const json = Array.isArray(step.json) ? (step.json as { path: string; equals: unknown }[]) : [];
  const expects = [
    text('status') && `status ${text('status')}`,
    text('contains') && `“${text('contains')}” in the answer`,
    ...json.map(({ path, equals }) => `${path} to be ${JSON.stringify(equals)}`),
  ].filter(Boolean);
  const does: Readonly<Record<string, string>> = {
    request: `asks ${text('method') ?? 'GET'} ${text('url')}`,
    open: `opens ${text('url')} in a browser`,
    type: `types “${text('text')}” into ${text('selector')}`,
    tap: `taps ${text('selector')}`,
    see: `waits until “${text('text')}” is shown`,
  };
  return [does[text('kind') ?? ''] ?? text('kind'), expects.length > 0 && `expects ${expects.join(' and ')}`]
    .filter(Boolean)
    .join(', ');
}
