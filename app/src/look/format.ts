/** Numbers and times as they stand on the screen: never more digits than the data supports. */

export {
  count,
  counted,
  durationWords,
  formatMoney,
  lengthWords,
  exactPercent,
  percent,
  percentCut,
  sizeWords,
  times,
} from '@toplens/core/words';

const clockFormat = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });
const dayFormat = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short' });
const dayKey = new Intl.DateTimeFormat('en-CA', { year: 'numeric', month: '2-digit', day: '2-digit' });

/** Clock time in the viewer's zone, with the date when it is another day than `today`. */
export const clock = (timeMs: number, todayMs: number = Date.now()): string =>
  onDay(clockFormat.format(timeMs), timeMs, todayMs);

const wholeSecondsFormat = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', second: '2-digit' });

/** "11:02:07", with the date when it is another day than `today`. */
export const clockWithSeconds = (timeMs: number, todayMs: number = Date.now()): string =>
  onDay(wholeSecondsFormat.format(timeMs), timeMs, todayMs);

const onDay = (time: string, timeMs: number, todayMs: number): string =>
  dayKey.format(timeMs) === dayKey.format(todayMs) ? time : `${dayFormat.format(timeMs)} ${time}`;

const dateFormat = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short' });

/** "Tue 17 Nov": a day of the viewer's zone. */
export const dayWords = (timeMs: number): string => dayFormat.format(timeMs);
/** "5 Nov": a day of the viewer's zone. */
export const dateWords = (timeMs: number): string => dateFormat.format(timeMs);
/** Does a day of the viewer's zone begin then? */
export const isMidnight = (timeMs: number): boolean => clockFormat.format(timeMs) === '00:00';

const secondsFormat = new Intl.DateTimeFormat('en-GB', {
  hour: '2-digit',
  minute: '2-digit',
  second: '2-digit',
  fractionalSecondDigits: 3,
});

/** "11:02:07.250", with the date when it is another day than `today`. */
export const clockSeconds = (timeMs: number, todayMs: number = Date.now()): string =>
  onDay(secondsFormat.format(timeMs), timeMs, todayMs);

/** Name of the viewer's time zone as people know it: "GMT+1", "UTC". */
export function zoneName(timeMs: number = Date.now()): string {
  const part = new Intl.DateTimeFormat('en-GB', { timeZoneName: 'short' })
    .formatToParts(timeMs)
    .find(({ type }) => type === 'timeZoneName');
  return part?.value ?? 'local time';
}

/** "1 call an attempt", "4.8 calls an attempt" */
export function callsWords(callsAnAttempt: number): string {
  const rounded = Number(callsAnAttempt.toFixed(1));
  return `${rounded} ${rounded === 1 ? 'call' : 'calls'} an attempt`;
}
