import { withoutQuery } from '../../telemetry';
import { asArray, asObject, type Json } from '../otlp/json-values';
import { MalformedTelemetry } from '../otlp/malformed';

/**
 * A file of HTTP Archive 1.2 as far as it is read: http://www.softwareishard.com/blog/har-12-spec/ (from memory; the
 * schema it is checked against is har-schema 2.0.0).
 */
interface HarPage {
  id: string;
  title: string;
  startMs: number;
  /** −1: not known */
  onContentLoad: number;
  onLoad: number;
}

interface HarEntry {
  pageref: string;
  startMs: number;
  durationMs: number;
  url: string;
  status: number;
  bytes: number;
  type: string;
  /** milliseconds; −1: did not happen */
  timings: Record<'blocked' | 'dns' | 'connect' | 'ssl' | 'send' | 'wait' | 'receive', number>;
}

export interface HarSource {
  component: string;
  application: string;
  version: string;
  /** 16 hexadecimal digits that are always the same for the same text: so a file that is imported again adds nothing */
  idOf: (text: string) => string;
}

/**
 * Page views of a HAR 1.2 file as an OTLP logs request, in the events that browsers send.
 *
 * @throws MalformedTelemetry naming the field, when this is no HAR 1.2 file
 */
export function harToLogs(json: unknown, { component, application, version, idOf }: HarSource): object {
  const log = asObject(asObject(json, 'request body').log, 'log');
  const entries = listIn(log, 'entries', 'log').map(readEntry);
  const pages = log.pages === undefined ? [] : asArray(log.pages, 'log.pages').map(readPage);
  const views = pages.length > 0 ? pages : pageOfEntries(entries);
  const attribute = (key: string, value: string | number) => ({
    key,
    value: typeof value === 'number' ? { doubleValue: value } : { stringValue: value },
  });
  const logRecords = views.flatMap((page) => {
    const own = pages.length > 0 ? entries.filter(({ pageref }) => pageref === page.id) : entries;
    const [main] = own;
    if (!main) return [];
    const values = Object.entries(valuesOf(page, main, own, idOf)).filter(
      ([, value]) => value !== '' && !Number.isNaN(value),
    );
    return [
      {
        timeUnixNano: `${Math.round(page.startMs * 1000)}000`,
        eventName: 'toplens.page_view',
        attributes: values.map(([key, value]) => attribute(key, value)),
      },
    ];
  });
  const resource = {
    attributes: [
      attribute('service.name', component),
      attribute('toplens.application', application),
      attribute('service.version', version),
    ].filter(({ value }) => value.stringValue !== ''),
  };
  return { resourceLogs: [{ resource, scopeLogs: [{ logRecords }] }] };
}

function valuesOf(
  page: HarPage,
  main: HarEntry,
  entries: readonly HarEntry[],
  idOf: HarSource['idOf'],
): Record<string, string | number> {
  const since = (ms: number) => Math.max(0, Math.round((ms - page.startMs) * 10) / 10);
  const took = (part: keyof HarEntry['timings']) => Math.max(0, main.timings[part]);
  const lookupStart = since(main.startMs) + took('blocked');
  const lookupEnd = lookupStart + took('dns');
  // TLS is told as part of connect as well.
  const connectEnd = lookupEnd + Math.max(took('connect'), took('ssl'));
  const responseStart = connectEnd + took('send') + took('wait');
  const responseEnd = responseStart + took('receive');
  const url = new URL(main.url);
  return {
    'toplens.view.id': idOf([page.startMs, page.id, page.title, main.url].join('\u001f')),
    'toplens.view.sequence': 1,
    // Recorded on purpose: nobody was on their way there.
    'user_agent.synthetic.type': 'test',
    'url.path': url.pathname,
    'server.address': url.host,
    'toplens.timing.domainLookupStart': lookupStart,
    'toplens.timing.domainLookupEnd': lookupEnd,
    'toplens.timing.connectStart': lookupEnd,
    'toplens.timing.secureConnectionStart': took('ssl') > 0 ? connectEnd - took('ssl') : 0,
    'toplens.timing.connectEnd': connectEnd,
    'toplens.timing.requestStart': connectEnd,
    'toplens.timing.responseStart': responseStart,
    'toplens.timing.responseEnd': responseEnd,
    'toplens.timing.domContentLoadedEventEnd': page.onContentLoad >= 0 ? page.onContentLoad : NaN,
    'toplens.timing.domComplete': page.onLoad >= 0 ? page.onLoad : NaN,
    'toplens.timing.loadEventEnd': page.onLoad >= 0 ? page.onLoad : NaN,
    'toplens.vital.ttfb': responseStart,
    'toplens.resources': JSON.stringify(
      entries
        .filter((entry) => entry !== main)
        .slice(0, MOST_RESOURCES)
        .map(({ url: address, type, startMs, durationMs, bytes, status }) => [
          withoutQuery(address).slice(0, 200),
          type,
          since(startMs),
          durationMs,
          bytes,
          status === 0 || status >= 400 ? 1 : 0,
        ]),
    ),
    'toplens.more_resources': Math.max(0, entries.length - 1 - MOST_RESOURCES),
  };
}
/** As many as fit an attribute. */
const MOST_RESOURCES = 30;

/** A file without pages tells of one: it begins with its first entry and ends with its last. */
function pageOfEntries(entries: readonly HarEntry[]): HarPage[] {
  if (entries.length === 0) return [];
  const startMs = Math.min(...entries.map((entry) => entry.startMs));
  const onLoad = Math.max(...entries.map((entry) => entry.startMs + entry.durationMs)) - startMs;
  return [{ id: '', title: '', startMs, onContentLoad: -1, onLoad }];
}

function readPage(value: unknown, i: number): HarPage {
  const path = `log.pages[${i}]`;
  const page = asObject(value, path);
  const timings = asObject(page.pageTimings, `${path}.pageTimings`);
  return {
    id: textIn(page, 'id', path),
    title: textIn(page, 'title', path),
    startMs: timeIn(page, 'startedDateTime', path),
    onContentLoad: numberIn(timings, 'onContentLoad', `${path}.pageTimings`, -1),
    onLoad: numberIn(timings, 'onLoad', `${path}.pageTimings`, -1),
  };
}

function readEntry(value: unknown, i: number): HarEntry {
  const path = `log.entries[${i}]`;
  const entry = asObject(value, path);
  const request = asObject(entry.request, `${path}.request`);
  const response = asObject(entry.response, `${path}.response`);
  const timings = asObject(entry.timings, `${path}.timings`);
  const url = textIn(request, 'url', `${path}.request`);
  if (!URL.canParse(url))
    throw new MalformedTelemetry(`${path}.request.url`, `expected an address, got: ${url.slice(0, 80)}`);
  const timing = (name: keyof HarEntry['timings'], fallback?: number) =>
    numberIn(timings, name, `${path}.timings`, fallback);
  const content = response.content === undefined ? {} : asObject(response.content, `${path}.response.content`);
  return {
    pageref: typeof entry.pageref === 'string' ? entry.pageref : '',
    startMs: timeIn(entry, 'startedDateTime', path),
    durationMs: Math.max(0, numberIn(entry, 'time', path)),
    url,
    status: numberIn(response, 'status', `${path}.response`),
    bytes: Math.max(0, numberIn(response, 'bodySize', `${path}.response`, -1)),
    type: typeOf(typeof content.mimeType === 'string' ? content.mimeType : ''),
    timings: {
      blocked: timing('blocked', -1),
      dns: timing('dns', -1),
      connect: timing('connect', -1),
      ssl: timing('ssl', -1),
      send: timing('send'),
      wait: timing('wait'),
      receive: timing('receive'),
    },
  };
}

/** As W3C Resource Timing would call what began it, told by what came. */
const typeOf = (mime: string): string =>
  /^image\//.test(mime)
    ? 'img'
    : /css/.test(mime)
      ? 'link'
      : /javascript/.test(mime)
        ? 'script'
        : /json|xml/.test(mime)
          ? 'fetch'
          : 'other';

function listIn(from: Json, name: string, path: string): unknown[] {
  if (from[name] === undefined) throw new MalformedTelemetry(`${path}.${name}`, 'missing');
  return asArray(from[name], `${path}.${name}`);
}

function textIn(from: Json, name: string, path: string): string {
  const value = from[name];
  if (typeof value !== 'string')
    throw new MalformedTelemetry(`${path}.${name}`, value === undefined ? 'missing' : 'expected a text');
  return value;
}

/** @param fallback for what may be left out; null is read as left out there */
function numberIn(from: Json, name: string, path: string, fallback?: number): number {
  const value = from[name];
  if ((value === undefined || value === null) && fallback !== undefined) return fallback;
  if (typeof value !== 'number' || !Number.isFinite(value))
    throw new MalformedTelemetry(`${path}.${name}`, value === undefined ? 'missing' : 'expected a number');
  return value;
}

function timeIn(from: Json, name: string, path: string): number {
  const ms = Date.parse(textIn(from, name, path));
  if (Number.isNaN(ms)) throw new MalformedTelemetry(`${path}.${name}`, 'expected a moment as ISO 8601 writes it');
  return ms;
}
