import { attributes, nanos, type LogRecord, type Values } from './otlp';
import { randomId } from './random-id';
import type { Resources } from './resources';

/** Moments of a navigation that are told: names of W3C Navigation Timing. */
const MARKS = [
  'redirectEnd',
  'domainLookupStart',
  'domainLookupEnd',
  'connectStart',
  'secureConnectionStart',
  'connectEnd',
  'requestStart',
  'responseStart',
  'responseEnd',
  'domInteractive',
  'domContentLoadedEventEnd',
  'domComplete',
  'loadEventEnd',
] as const;

/** One view of one page, from when it was called up until the next. */
export class View {
  readonly id = randomId(8);
  readonly vitals: Values = {};
  interactions = 0;
  errors = 0;
  page = '';
  #sequence = 0;

  constructor(
    readonly kind: 'load' | 'route' | 'frame',
    /** on the clock of `performance.now()` */
    readonly startMs: number,
    readonly path: string,
  ) {}

  /** All that is known of it by now. It is told again when more is known: the last one counts. */
  record(common: Values, resources: Resources): LogRecord {
    const navigation = performance.getEntriesByType('navigation')[0];
    const isLoad = this.kind !== 'route' && navigation !== undefined;
    const timing: Values = isLoad
      ? Object.fromEntries(MARKS.map((mark) => [`toplens.timing.${mark}`, navigation[mark]]))
      : {};
    const { rows, more } = resources.since(this.startMs);
    return {
      timeUnixNano: nanos(performance.timeOrigin + this.startMs),
      eventName: 'toplens.page_view',
      ...(isLoad && traceOf(navigation)),
      attributes: attributes({
        ...common,
        ...timing,
        ...this.vitals,
        'toplens.view.id': this.id,
        'toplens.view.sequence': ++this.#sequence,
        'toplens.view.kind': this.kind,
        'toplens.page': this.page,
        'url.path': this.path,
        'server.address': location.host,
        'toplens.interactions': this.interactions,
        'toplens.errors': this.errors,
        'toplens.resources': JSON.stringify(rows),
        'toplens.more_resources': more,
      }),
    };
  }
}

/**
 * The server's attempt that answered the page, where the server says so: `Server-Timing: traceparent;desc="00-…-…-01"`.
 */
function traceOf({ serverTiming }: PerformanceNavigationTiming): Pick<LogRecord, 'traceId' | 'spanId'> {
  const told = serverTiming?.find(({ name }) => name === 'traceparent')?.description ?? '';
  const [, traceId, spanId] = /^00-([0-9a-f]{32})-([0-9a-f]{16})-[0-9a-f]{2}$/.exec(told) ?? [];
  return traceId && spanId ? { traceId, spanId } : {};
}
