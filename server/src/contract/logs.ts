import type { Static } from '@sinclair/typebox';
import { get, incidentId, type Paths } from './paths';
import { Window } from './common';
import { EPOCH_MS, SHARE, flag, integer, list, number, orNull, ref, resource, text, texts } from './words';

export const LogLine = resource('LogLine', 'A line of a log', {
  atMs: number('when it was', EPOCH_MS, 1772442840000),
  component: text('name of the component (service.name)', 'slots'),
  host: text("name of the host; '' where there is none", 'depot-07'),
  severity: text("severity in a word; '' when not told", 'error'),
  body: text('text of the line', 'payment declined: gateway timed out after 30 s'),
  traceId: orNull(
    text(
      "identity of the trace, 32 hexadecimal digits; '' or null where it is not kept",
      '4bf92f3577b34da6a3ce929d0e0e4736',
    ),
  ),
  spanId: orNull(text('identity of its first span, 16 hexadecimal digits', '00f067aa0ba902b7')),
});
export type LogLineShape = Static<typeof LogLine>;

export const LogPattern = resource('LogPattern', 'Lines of one pattern, against the hours before', {
  text: text('the pattern; what differs is starred', 'payment declined: * timed out after * s'),
  now: integer('lines while it went on', 'lines', 210),
  before: integer('lines in the hours before', 'lines', 12),
  nowRate: number('lines a minute while it went on', '1/min', 7),
  usualRate: number('lines a minute in the hours before', '1/min', 0.4),
  isNew: flag('it never came in the hours before'),
  severity: text("severity in a word; '' when not told", 'error'),
  firstMs: orNull(number('when it came first; null when not in the window', EPOCH_MS, 1772442840000)),
  components: texts('names of components', ['slots', 'labels']),
  samples: list(ref(LogLine), 'attempts to look at'),
});
export type LogPatternShape = Static<typeof LogPattern>;

export const LogPatterns = resource('LogPatterns', "Lines of an incident's components brought to patterns", {
  components: texts('names of components', ['slots', 'labels']),
  now: ref(Window, 'while it went on'),
  before: ref(Window, 'the time before, that it is compared with'),
  surging: list(ref(LogPattern), 'patterns that come far more often than before'),
  rare: list(ref(LogPattern), 'patterns that hardly ever come'),
  gone: list(ref(LogPattern), 'patterns that came before and come no more'),
  usual: list(ref(LogPattern), 'patterns that come as often as before'),
  linesNow: integer('lines while it went on', 'lines', 2210),
  linesBefore: integer('lines in the hours before', 'lines', 1840),
  kept: number('share of the stored ones that was read: counts are of these', SHARE, 1),
  leftOut: texts('what was left out since it belongs to something else, in sentences', [
    'Lines of parcels-db without a trace are left to the incident of Pick a slot, which begins there.',
  ]),
});
export type LogPatternsShape = Static<typeof LogPatterns>;

export const logPaths: Paths = {
  '/api/incidents/{id}/logs': {
    get: get("Log lines of an incident's components brought to patterns, against the hours before", LogPatterns, {
      path: [incidentId],
    }),
  },
};
