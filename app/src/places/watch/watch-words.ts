import type { Schemas } from '@/data/client';
import type { WatchPage, WatchPoint } from '@/data/watch';
import { textColumn, timeColumn, type Column } from '@/frame/table/columns';
import { clock, counted } from '@/look/format';

export type Reading = WatchPage['readings'][number];
type Service = Schemas['WatchPoints']['services'][number];

/** "surcharge.js:24 in parcel-scales" */
export const placeWords = ({ component, file, line }: Pick<WatchPoint, 'component' | 'file' | 'line'>): string =>
  `${file}:${line} in ${component}`;

/** "12 readings · until 14:20 · watched by Kit Lowe" */
export function pointWords(
  { readings, most, isInForce, endsMs, stoppedMs, stoppedBy, madeMs, madeBy }: WatchPoint,
  nowMs: number,
): string {
  const end = isInForce
    ? `until ${clock(endsMs, nowMs)} at most`
    : stoppedMs !== null
      ? `stopped ${clock(stoppedMs, nowMs)} by ${stoppedBy}`
      : readings >= most
        ? 'over: it has all that were wanted'
        : `over since ${clock(endsMs, nowMs)}`;
  return [counted(readings, 'reading'), end, `since ${clock(madeMs, nowMs)} by ${madeBy}`].join(' · ');
}

/** "parcel-scales 2.4.0, 2 processes" */
export const serviceWords = ({ component, version, instances }: Service): string =>
  `${component}${version === '' ? '' : ` ${version}`}, ${instances === 1 ? '1 process' : `${instances} processes`}`;

/** What is under way where nothing was read yet, in a sentence. */
export function waitingWords({ point, places }: Pick<WatchPage, 'point' | 'places'>): string {
  const { component, isInForce } = point;
  if (places.length === 0)
    return isInForce
      ? `Nothing was read yet: no process of ${component} has taken it up.`
      : `Nothing was read: no process of ${component} took it up.`;
  if (!places.some(({ state }) => state === 'set' || state === 'done'))
    return `Nothing ${isInForce ? 'is' : 'was'} read: see below why.`;
  return isInForce
    ? 'Nothing was read yet: the line was not passed since.'
    : 'Nothing was read: the line was not passed meanwhile.';
}

/** A column for each variable, beside when and where. */
export const columnsOf = (variables: readonly string[]): Column<Reading>[] => [
  timeColumn('atMs', 'When', ({ atMs }) => atMs),
  textColumn('instance', 'Process', ({ instance }) => instance),
  ...variables.map((name, i) => textColumn(`value${i}`, name, ({ values }: Reading) => values[i] ?? '')),
];

/** Of the parts of an address: `scales`, then `src` and `weigh.js:24`. */
export function askedOf(at: readonly string[]): Pick<WatchPoint, 'component' | 'file'> & { line: string } {
  const [component = '', ...parts] = at;
  const place = parts.join('/');
  const { file = place, line = '' } = /^(?<file>.*):(?<line>\d+)$/.exec(place)?.groups ?? {};
  return { component, file, line };
}

export const watchPath = (component: string, file = '', line = 0): string =>
  `/watch/at/${encodeURIComponent(component)}${file === '' ? '' : `/${encodeURIComponent(line > 0 ? `${file}:${line}` : file)}`}`;
