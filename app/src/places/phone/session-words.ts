import type { Schemas } from '@/data/client';
import { count, counted, durationWords, percent, sizeWords, times } from '@/look/format';

export type Address = Schemas['PhoneAddress'];
export type Session = Schemas['PhoneSession'];
export type SessionPageData = Schemas['PhoneSessionPage'];
export type Entry = SessionPageData['entries'][number];

/** "420 requests, 31 failed (7.4 %), median 180 ms, 95 of 100 below 900 ms, 80 MB sent" */
export function addressWords({ requests, failed, medianMs, p95Ms, bytesIn, bytesOut }: Address): string {
  return [
    counted(requests, 'request'),
    failed === 0 ? 'none failed' : `${count(failed)} failed (${percent(failed / requests)})`,
    `median ${durationWords(medianMs)}`,
    requests > 1 && `95 of 100 below ${durationWords(p95Ms)}`,
    ...bytesWords(bytesIn, bytesOut),
  ]
    .filter(Boolean)
    .join(', ');
}

/** "80 MB sent": what is not told, or nothing, is left out. */
const bytesWords = (bytesIn: number | null, bytesOut: number | null) => [
  bytesOut !== null && bytesOut > 0 && `${sizeWords(bytesOut)} sent`,
  bytesIn !== null && bytesIn > 0 && `${sizeWords(bytesIn)} received`,
];

/** "asked in 210 sessions from 4 countries; it failed in 24 of them" */
export function reachWords({ sessions, sessionsHit, countries }: Address): string {
  if (sessions === 0) return 'its sessions are not told';
  const from = countries > 0 ? ` from ${counted(countries, 'country', 'countries')}` : '';
  const hit = sessionsHit > 0 ? `; it failed in ${count(sessionsHit)} of them` : '';
  return `asked in ${counted(sessions, 'session')}${from}${hit}`;
}

/** "carrier Copperwave: 29 of 60 failed, 40× as often as elsewhere (12× to 180×)" */
export function failsMoreWords({ where }: Pick<Address, 'where'>): string {
  if (where === null) return '';
  const { dimension, value, failed, requests, times: ratio, low, high } = where;
  const of = `${dimension} ${value}: ${count(failed)} of ${count(requests)} failed`;
  if (ratio === null) return `${of}, elsewhere none`;
  return `${of}, ${times(ratio)} as often as elsewhere (${times(low)} to ${high === null ? 'any' : times(high)})`;
}

/** "1 crash, 2 of 24 attempts failed, 3 of 20 requests failed" */
export function sessionWords({ attempts, failed, crashes, requests, requestsFailed, errors }: Session): string {
  const words = [
    crashes > 0 && counted(crashes, 'crash', 'crashes'),
    failed > crashes && `${count(failed)} of ${counted(attempts, 'attempt')} failed`,
    requestsFailed > 0 && `${count(requestsFailed)} of ${counted(requests, 'request')} failed`,
    errors > 0 && `${counted(errors, 'error')} caught`,
  ].filter(Boolean);
  return words.length > 0
    ? words.join(', ')
    : `nothing failed: ${counted(attempts, 'attempt')}, ${counted(requests, 'request')}`;
}

/** A stretch of a session without a long pause. */
export interface Visit {
  fromMs: number;
  toMs: number;
  entries: Entry[];
}

/** After so long without anything a person came back, and did not wait. */
const PAUSE_MS = 10 * 60_000;

/** A session in the stretches in which something happened. */
export function visitsOf(entries: readonly Entry[]): Visit[] {
  const visits: Visit[] = [];
  for (const entry of entries) {
    const endMs = entry.atMs + entry.durationMs;
    const last = visits.at(-1);
    if (last && entry.atMs - last.toMs < PAUSE_MS) {
      last.toMs = Math.max(last.toMs, endMs);
      last.entries.push(entry);
    } else visits.push({ fromMs: entry.atMs, toMs: endMs, entries: [entry] });
  }
  return visits;
}

/** The visit to look at first: the newest in which something failed, else the newest. */
export function visitToShow(visits: readonly Visit[]): number {
  const failed = visits.findLastIndex(({ entries }) => entries.some((entry) => entry.failed));
  return failed >= 0 ? failed : visits.length - 1;
}

const KIND_WORDS: Readonly<Record<Entry['kind'], string>> = {
  launch: '',
  screen: 'screen ',
  work: '',
  crash: 'Crash: ',
  request: '',
  error: 'Error caught: ',
  tap: 'tap ',
  state: '',
};

/** "screen Photo", "Crash: NullPointer on Photo" */
export const entryName = ({ kind, what }: Entry): string => `${KIND_WORDS[kind]}${what}`;

/** "600 ms · status 204 · 100 kB sent" */
export const entryFacts = ({ kind, durationMs, failed, words, bytesIn, bytesOut }: Entry): string =>
  [
    durationMs > 0 && durationWords(durationMs),
    failed && kind !== 'crash' && kind !== 'error' && 'failed',
    words,
    ...bytesWords(bytesIn, bytesOut),
  ]
    .filter(Boolean)
    .join(' · ');

/** "12 things happened, 1 of them failed": what a visit comes to, for those who do not see it drawn. */
export function visitWords({ entries }: Visit): string {
  const failed = entries.filter((entry) => entry.failed).length;
  const of = (kinds: readonly Entry['kind'][]) => entries.filter(({ kind }) => kinds.includes(kind)).length;
  const told = [
    of(['launch', 'screen', 'work']) > 0 &&
      counted(of(['launch', 'screen', 'work']), 'screen or launch', 'screens and launches'),
    of(['request']) > 0 && counted(of(['request']), 'request'),
    of(['tap']) > 0 && counted(of(['tap']), 'tap'),
    of(['error']) > 0 && counted(of(['error']), 'error'),
    of(['crash']) > 0 && counted(of(['crash']), 'crash', 'crashes'),
  ].filter(Boolean);
  const list = told.join(', ') || 'nothing but changes of state';
  return failed === 0 ? `${list}; nothing failed` : `${list}; ${count(failed)} failed`;
}

/** "2 pictures, 1 button": what a screen is made of. */
export function shapeWords({ parts }: SessionPageData['shapes'][number]): string {
  const counts = new Map<string, number>();
  for (const { kind } of parts) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  return [...counts].map(([kind, n]) => counted(n, kind)).join(', ') || 'nothing';
}
