import { NAVIGATION_MARKS } from '../telemetry';

/** Parts of a load, one behind the other: they add up to it. */
export const PARTS = [
  'redirect',
  'cache',
  'lookup',
  'connect',
  'tls',
  'waiting',
  'transfer',
  'dom',
  'scripts',
  'resources',
  'handlers',
] as const;
export type Part = (typeof PARTS)[number];

/** Milliseconds of each part, in the order of `PARTS`. */
export type Parts = readonly number[];

/** Moments of a navigation that are read, in the order in which they come; milliseconds since it began. */
export const MARKS = NAVIGATION_MARKS;
export type Mark = (typeof MARKS)[number];
export type Marks = Readonly<Partial<Record<Mark, number>>>;

/**
 * How long each part of a load took, by W3C Navigation Timing 2 and Resource Timing: what is 0 or missing did not
 * happen (no redirect, a connection used again), and belongs to nobody. Each mark is held at or after the one before,
 * so that the parts add up to `loadEventEnd` whatever a browser tells.
 *
 * - cache: service worker and cache, until the name is looked up; connect: without TLS
 * - waiting: from the request to the first byte; transfer: of the page itself
 * - dom: until it is read; scripts: those that run before it counts as loaded; resources: pictures, styles, frames;
 *   handlers:
 *   of the load event
 *
 * @returns `undefined` when the load did not come to its end
 */
export function navigationParts(marks: Marks): Parts | undefined {
  const end = marks.loadEventEnd;
  if (end === undefined || !(end > 0)) return undefined;
  const at = (mark: Mark, from: number) => Math.min(end, Math.max(from, marks[mark] || from));
  const redirect = at('redirectEnd', 0);
  const lookupStart = at('domainLookupStart', redirect);
  const lookupEnd = at('domainLookupEnd', lookupStart);
  const connectStart = at('connectStart', lookupEnd);
  const connectEnd = at('connectEnd', connectStart);
  // 0 on a page without TLS, and on a connection used again.
  const tlsStart = marks.secureConnectionStart
    ? Math.min(connectEnd, at('secureConnectionStart', connectStart))
    : connectEnd;
  const responseStart = at('responseStart', at('requestStart', connectEnd));
  const responseEnd = at('responseEnd', responseStart);
  const interactive = at('domInteractive', responseEnd);
  const scripts = at('domContentLoadedEventEnd', interactive);
  const complete = at('domComplete', scripts);
  return [
    redirect,
    lookupStart - redirect,
    lookupEnd - lookupStart,
    tlsStart - lookupEnd,
    connectEnd - tlsStart,
    responseStart - connectEnd,
    responseEnd - responseStart,
    interactive - responseEnd,
    scripts - interactive,
    complete - scripts,
    end - complete,
  ];
}
