import type { LogRecord } from '../formats';
import {
  RecordRefused,
  cleanText,
  eventOf,
  isSpanId,
  isSynthetic,
  isTraceId,
  pathShape,
  whyTimeRejected,
  withoutQuery,
  type TimeRange,
} from '../telemetry';
import { MARKS, navigationParts, type Mark, type Parts } from './navigation-parts';
import { VITALS, type Vital } from './vitals';

/** Name of the event by which a browser tells of one view of one page. */
export const PAGE_VIEW_EVENT = 'toplens.page_view';

export const isPageView = (record: LogRecord): boolean => eventOf(record) === PAGE_VIEW_EVENT;

/**
 * load: the page came from a server; route: a single-page application went on by itself; frame: a page within a page.
 */
export const VIEW_KINDS = ['load', 'route', 'frame'] as const;
export type ViewKind = (typeof VIEW_KINDS)[number];

/** One resource of a view as the browser tells of it. */
export interface ViewResource {
  /** without query and fragment */
  url: string;
  /** W3C Resource Timing's initiatorType: img, script, fetch … */
  type: string;
  /** milliseconds since the view began */
  startMs: number;
  durationMs: number;
  bytes: number;
  /** it failed, or had not come when the view was told of */
  missing: boolean;
  /** of a background call: 32 and 16 hexadecimal digits; '' when it carried none */
  traceId: string;
  spanId: string;
}

export interface PageView {
  /** 16 hexadecimal digits */
  id: string;
  /** a view is told of several times, more of it each time: the highest counts */
  sequence: number;
  atUs: number;
  kind: ViewKind;
  component: string;
  application: string;
  version: string;
  page: string;
  path: string;
  /** that served the page: others are third parties */
  host: string;
  person: string;
  session: string;
  tier: string;
  /** ISO 3166-1 alpha-2; '' when not told */
  country: string;
  /** part of it, ISO 3166-2 as IE-D; '' when not told */
  area: string;
  timeZone: string;
  userAgent: string;
  connection: string;
  /** a script's, not a person's: seen, but hurts nobody */
  probe: boolean;
  /** share of all views that is sent, above 0 to 1 */
  share: number;
  parts: Parts | undefined;
  vitals: Partial<Record<Vital, number>>;
  interactions: number;
  errors: number;
  /** resources that failed or had not come; background calls are not among them, they are attempts of their own */
  missing: number;
  resources: ViewResource[];
  /** resources that are not told of one by one */
  moreResources: number;
  /** of the server's attempt that answered the page; '' when not told */
  traceId: string;
  spanId: string;
}

/** No load lasts longer: what a browser tells beyond is a sleeping tab. */
const LONGEST_MS = 3_600_000;
const MOST_RESOURCES = 150;

/** The view that a record tells of. @throws RecordRefused naming the attribute */
export function viewOfRecord({ atUs, attributes, resource, traceId, spanId }: LogRecord, range: TimeRange): PageView {
  const text = (name: string) => cleanText(String(attributes[name] ?? resource[name] ?? ''));
  const number = (name: string) => {
    const value = attributes[name];
    return typeof value === 'number' && Number.isFinite(value) ? value : undefined;
  };
  const millis = (name: string) => {
    const value = number(name);
    return value !== undefined && value >= 0 && value <= LONGEST_MS ? value : undefined;
  };
  const count = (name: string) => Math.min(10_000, Math.max(0, Math.round(number(name) ?? 0)));
  const id = text('toplens.view.id');
  if (!isSpanId(id)) throw new RecordRefused('toplens.view.id: expected 16 hexadecimal digits that are not all zero');
  const wrongTime = whyTimeRejected(atUs, range);
  if (wrongTime !== undefined) throw new RecordRefused(`timeUnixNano: ${wrongTime}`);
  const kind = (text('toplens.view.kind') || 'load') as ViewKind;
  if (!VIEW_KINDS.includes(kind))
    throw new RecordRefused(`toplens.view.kind: expected one of ${VIEW_KINDS.join(', ')}`);
  const path = withoutQuery(text('url.path'));
  const page = text('toplens.page') || pathShape(path);
  if (page === '') throw new RecordRefused('url.path: missing, and no toplens.page');
  const share = number('toplens.share') ?? 1;
  if (!(share > 0 && share <= 1)) throw new RecordRefused('toplens.share: expected a share above 0 and at most 1');
  const resources = readResources(attributes['toplens.resources']);
  const component = text('service.name') || 'unknown page';
  const marks = Object.fromEntries(
    MARKS.flatMap((mark) => {
      const at = millis(`toplens.timing.${mark}`);
      return at === undefined ? [] : [[mark, at]];
    }),
  ) as Partial<Record<Mark, number>>;
  const vitals = Object.fromEntries(
    VITALS.flatMap((vital) => {
      const value = millis(`toplens.vital.${vital}`);
      return value === undefined ? [] : [[vital, value]];
    }),
  );
  return {
    id,
    sequence: Math.min(32_767, count('toplens.view.sequence')),
    atUs,
    kind,
    component,
    application: text('toplens.application') || text('service.namespace') || component,
    version: text('service.version'),
    page,
    path,
    host: text('server.address').toLowerCase(),
    person: text('user.id') || text('enduser.id'),
    session: text('session.id'),
    tier: text('toplens.tier'),
    country: /^[A-Za-z]{2}$/.test(text('geo.country.iso_code')) ? text('geo.country.iso_code').toUpperCase() : '',
    area: /^[A-Za-z]{2}-[A-Za-z0-9]{1,3}$/.test(text('geo.region.iso_code'))
      ? text('geo.region.iso_code').toUpperCase()
      : '',
    timeZone: text('toplens.time_zone'),
    userAgent: text('user_agent.original'),
    connection: text('toplens.connection'),
    probe: isSynthetic(text),
    share,
    parts: kind === 'route' ? undefined : navigationParts(marks),
    vitals,
    interactions: count('toplens.interactions'),
    errors: count('toplens.errors'),
    missing: resources.filter(({ missing, traceId }) => missing && traceId === '').length,
    resources,
    moreResources: count('toplens.more_resources'),
    traceId: isTraceId(traceId) ? traceId : '',
    spanId: isTraceId(traceId) && isSpanId(spanId) ? spanId : '',
  };
}

/**
 * `[[url, type, start ms, duration ms, bytes, missing 0|1, trace id, span id], …]`: a list of lists, since names of
 * members would be most of what a phone has to send.
 */
function readResources(value: unknown): ViewResource[] {
  if (value === undefined || value === '') return [];
  const wrong = () =>
    new RecordRefused('toplens.resources: expected a JSON list of [url, type, start ms, duration ms, bytes, missing]');
  let list: unknown;
  try {
    list = typeof value === 'string' ? JSON.parse(value) : undefined;
  } catch {
    throw wrong();
  }
  if (!Array.isArray(list)) throw wrong();
  const resources: ViewResource[] = [];
  for (const entry of list.slice(0, MOST_RESOURCES) as unknown[]) {
    if (!Array.isArray(entry)) throw wrong();
    const [url, type, startMs, durationMs, bytes, missing, traceId, spanId] = entry as unknown[];
    if (typeof url !== 'string' || typeof type !== 'string') throw wrong();
    if (![startMs, durationMs].every((ms) => typeof ms === 'number' && ms >= 0 && ms <= LONGEST_MS)) throw wrong();
    const isCall = typeof traceId === 'string' && isTraceId(traceId) && typeof spanId === 'string' && isSpanId(spanId);
    resources.push({
      url: cleanText(withoutQuery(url)),
      type: cleanText(type, 20),
      startMs: startMs as number,
      durationMs: durationMs as number,
      bytes: typeof bytes === 'number' && bytes >= 0 && bytes < 2 ** 40 ? Math.round(bytes) : 0,
      missing: missing === 1,
      traceId: isCall ? traceId : '',
      spanId: isCall ? spanId : '',
    });
  }
  return resources;
}
