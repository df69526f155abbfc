import { Type, type Static } from '@sinclair/typebox';
import {
  flag,
  EPOCH_MS,
  MS,
  integer,
  list,
  number,
  numbersOrNull,
  oneOf,
  orNull,
  record,
  ref,
  resource,
  text,
} from './words';

export const Window = resource('Window', 'A stretch of time: its end does not belong to it', {
  fromMs: number('begin', EPOCH_MS, 1772442000000),
  toMs: number('end', EPOCH_MS, 1772445600000),
});
export type WindowShape = Static<typeof Window>;

export const Remaining = resource('Remaining', 'What a focus leaves of a window', {
  sessions: integer('sessions', 'sessions', 410),
  attempts: integer('attempts', 'attempts', 1840),
});
export type RemainingShape = Static<typeof Remaining> | null;

export const Interval = resource('Interval', 'A value with its 95 % interval', {
  estimate: number('likeliest value', '1', 128),
  low: number('lower end of the 95 % interval', '1', 1),
  high: number('upper end of the 95 % interval', '1', 1),
});
export type IntervalShape = Static<typeof Interval>;

export const Series = resource(
  'Series',
  'Points of one measure beside what is usual; null where nothing is known or nothing came',
  {
    startMs: number('begin of the first step', EPOCH_MS, 1772442000000),
    stepMs: number('length of a step', MS, 60000),
    values: numbersOrNull('values'),
    low: numbersOrNull('lower end of the usual range; null where nothing is known'),
    high: numbersOrNull('upper end of the usual range; null where nothing is known'),
    other: orNull(numbersOrNull('the same measure in the window that is compared with; null when none is')),
  },
);
export type SeriesShape = Static<typeof Series>;

export const Chart = resource('Chart', 'A series with what it shows', {
  name: oneOf(['duration', 'failures', 'attempts', 'underWay'], 'what is drawn'),
  flow: text('name of the flow', 'Book a pick-up'),
  series: ref(Series, 'what is drawn'),
  comparedWith: orNull(text('the other window, in words; null when none is', 'last Monday')),
  isNarrowed: flag('of what the filter leaves; the range beside it is what is usual for everybody'),
});
export type ChartShape = Static<typeof Chart>;

export const Mark = resource('Mark', 'A moment on the time axis', {
  atMs: number('when it was', EPOCH_MS, 1772442840000),
  words: text('in words', ''),
});
export type MarkShape = Static<typeof Mark>;

export const Freshness = resource('Freshness', 'Up to when data is complete and judged, and who is silent', {
  watermarkMs: orNull(number('up to when data is complete; null before the first', EPOCH_MS, 1772446480000)),
  judgedMs: orNull(number('up to when minutes are judged; null before the first', EPOCH_MS, 1772446440000)),
  silent: list(
    record({
      application: text('name of the application', 'Courier app'),
      sinceMs: number('since when', EPOCH_MS, 1772442840000),
    }),
    'applications that have sent nothing for longer than usual',
  ),
  earlier: orNull(
    record(
      {
        fromMs: number('its earliest moment', EPOCH_MS, 1771491600000),
        toMs: number('its latest moment', EPOCH_MS, 1771495200000),
      },
      'of when the data is that is just coming in, while a history is being loaded; null when it is of now',
    ),
  ),
});
export type FreshnessShape = Static<typeof Freshness>;

/** What is wrong and the way on. */
export const Problem = Type.Object(
  {
    type: text('which kind of problem, from the catalogue', 'urn:toplens:problem:badInput'),
    title: text('what is wrong, in general', 'A value in the request is not right'),
    status: integer('HTTP status', '1', 400),
    detail: text('what is wrong here and the way on, for people', 'rankBy: expected one of harm, people, money'),
    field: Type.Optional(text('name of the value that is not right', 'rankBy')),
    instance: Type.Optional(text('number under which the log has it', 'urn:uuid:9e68c803-e0c6-4d57-b079-790b54c747bb')),
  },
  { title: 'Problem', description: 'What is wrong and the way on (RFC 9457)' },
);
