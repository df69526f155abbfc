import type { Schemas } from '@/data/client';
import { count, counted, durationWords, percent, sizeWords, times } from '@/look/format';

export type Version = Schemas['PhoneVersion'];
export type Group = Schemas['CrashGroup'];
export type Frame = Schemas['CrashPage']['frames'][number];

export const versionName = (version: string): string => (version === '' ? 'version not told' : version);

/** "6.0 % of 1,000 launches crashed, between 4.7 % and 7.7 %" */
export function crashRateWords({
  launches,
  crashRate,
  crashes,
}: Pick<Version, 'launches' | 'crashRate' | 'crashes'>): string {
  if (crashRate === null) return `${counted(crashes, 'crash', 'crashes')}; its launches are not told`;
  if (crashes === 0)
    return `None of ${counted(launches, 'launch', 'launches')} crashed; the share is at most ${percent(crashRate.high)}`;
  const range = `between ${percent(crashRate.low)} and ${percent(crashRate.high)}`;
  return `${percent(crashRate.estimate)} of ${counted(launches, 'launch', 'launches')} crashed, ${range}`;
}

/** "for 97 % of 420 people it never crashed" */
export const crashFreeWords = ({ crashFree, people }: Pick<Version, 'crashFree' | 'people'>): string =>
  crashFree === null
    ? 'nobody is named'
    : `it never crashed for ${percent(crashFree.estimate)} of ${counted(people, 'person', 'people')}`;

/** Of fewer nothing is said of 95 in a hundred. */
const FEWEST_OF_A_HUNDRED = 20;

/** "cold start 900 ms, 95 of 100 below 2.4 s" */
export function startWords({ cold, warm }: Pick<Version, 'cold' | 'warm'>): string {
  const told = [
    cold &&
      (cold.starts < FEWEST_OF_A_HUNDRED
        ? `cold start ${durationWords(cold.medianMs)}`
        : `cold start ${durationWords(cold.medianMs)}, 95 of 100 below ${durationWords(cold.p95Ms)}`),
    warm && `warm ${durationWords(warm.medianMs)}`,
  ].filter(Boolean);
  return told.join('; ') || 'no start is told';
}

/** "crashes 12× as often as all other versions" */
export const standsOutWords = ({ standsOut }: Pick<Version, 'standsOut'>): string[] =>
  standsOut.map(({ what, times: ratio, isWorse }) => {
    if (what === 'crashes')
      return ratio === null
        ? 'crashes, all others do not'
        : ratio === 0
          ? 'does not crash, others do'
          : isWorse
            ? `crashes ${times(ratio)} as often as all others`
            : `crashes ${times(1 / ratio)} less often than all others`;
    const { name, more, less } = MEASURE_WORDS[what];
    if (ratio === null) return `${name} where all others have none`;
    if (ratio === 0) return `no ${name}, others have some`;
    return ratio >= 2
      ? `${name} ${times(ratio)} ${COUNTED.has(what) ? 'as often as' : 'as much as'} all others`
      : `${name} ${percent(Math.abs(ratio - 1))} ${isWorse ? more : less} than all others`;
  });

type Measure = Version['standsOut'][number]['what'];
/** Told as how often something happens; all others as how much it is. */
const COUNTED: ReadonlySet<Measure> = new Set(['requestsFailed', 'errors']);
const MEASURE_WORDS: Readonly<Record<Exclude<Measure, 'crashes'>, { name: string; more: string; less: string }>> = {
  coldStart: { name: 'cold start', more: 'slower', less: 'faster' },
  warmStart: { name: 'warm start', more: 'slower', less: 'faster' },
  requestTime: { name: 'requests', more: 'slower', less: 'faster' },
  requestsFailed: { name: 'failed requests', more: 'more often', less: 'less often' },
  errors: { name: 'errors', more: 'more often', less: 'less often' },
  cpu: { name: 'processor', more: 'more', less: 'less' },
  memory: { name: 'memory', more: 'more', less: 'less' },
};

/** "1.2 % of 840 requests failed, median 320 ms; 31 errors in 210 sessions; processor 31 %, memory 240 MB" */
export function demandWords(version: Version): string {
  const { requests, requestsFailed, requestMedianMs, errors, sessions, cpu, memory } = version;
  const asked = [
    requestsFailed === 0
      ? `none of ${counted(requests, 'request')} failed`
      : `${percent(requestsFailed / requests)} of ${counted(requests, 'request')} failed`,
    requestMedianMs !== null && `median ${durationWords(requestMedianMs)}`,
  ].filter(Boolean);
  const took = [cpu !== null && `processor ${percent(cpu)}`, memory !== null && `memory ${sizeWords(memory)}`].filter(
    Boolean,
  );
  return [
    requests > 0 && asked.join(', '),
    errors > 0 && `${counted(errors, 'error')} in ${counted(sessions, 'session')}`,
    took.join(', '),
  ]
    .filter(Boolean)
    .join('; ');
}

/** "31 crashes for 24 people, 1.2 % of launches, on 3 device models" */
export function groupFigures({ crashes, people, shareOfLaunches, devices }: Group): string {
  return [
    `${counted(crashes, 'crash', 'crashes')} for ${counted(people, 'person', 'people')}`,
    shareOfLaunches !== null && `${percent(shareOfLaunches)} of launches`,
    devices > 0 && `on ${counted(devices, 'device model')}`,
  ]
    .filter(Boolean)
    .join(', ');
}

/** "7.3.0: 31 of 1,000 launches; 7.2.0: 4 of 4,000" */
export const byVersionWords = ({ versions }: Group): string =>
  versions
    .map(({ version, crashes, launches }, i) => {
      if (launches === 0) return `${versionName(version)}: ${count(crashes)}`;
      const of = i === 0 ? counted(launches, 'launch', 'launches') : count(launches);
      return `${versionName(version)}: ${count(crashes)} of ${of}`;
    })
    .join('; ');

export const STATE_WORDS: Readonly<Record<Group['state'], string>> = {
  new: 'New in the newest version.',
  gone: 'Gone: the newest version has none, where some were due.',
  back: 'Come back: the version before the newest had none, where some were due.',
  known: '',
};

/** "Camera.take, Camera.kt:88" */
export function frameWords({ module, method, file, line }: Frame): string {
  const name = [module, method].filter(Boolean).join('.');
  const place = [file, line || ''].filter(Boolean).join(':');
  return place === '' || module.endsWith(file) ? [name, line || ''].filter(Boolean).join(':') : `${name}, ${place}`;
}

/** "12× as often as elsewhere (6.1× to 30×)"; where launches are not told, the share alone. */
export function whereWords(
  { crashes, launches, times: ratio, low, high }: Schemas['CrashGroupPage']['where'][number]['values'][number],
  all: number,
): string {
  if (launches === null) return `${count(crashes)}, ${percent(crashes / all)} of them`;
  const of = `${count(crashes)} of ${counted(launches, 'launch', 'launches')}`;
  if (low === null) return of;
  if (ratio === null) return `${of}: here alone`;
  return `${of}: ${times(ratio)} as often as elsewhere (${times(low)} to ${high === null ? 'any' : times(high)})`;
}

/** Frames of others in a row stand for one line. */
export function foldedFrames(frames: readonly Frame[]): ({ frame: Frame } | { others: Frame[] })[] {
  const lines: ({ frame: Frame } | { others: Frame[] })[] = [];
  for (const frame of frames) {
    const last = lines.at(-1);
    if (frame.isOwn) lines.push({ frame });
    else if (last && 'others' in last) last.others.push(frame);
    else lines.push({ others: [frame] });
  }
  return lines;
}
