import type { LogRecord } from '../formats';
import { RecordRefused, cleanText, eventOf, isSpanId, whyTimeRejected, type TimeRange } from '../telemetry';

/** An error that a script threw in a browser. */
export interface ScriptError {
  /** 16 hexadecimal digits: the same error sent again adds nothing */
  id: string;
  /** view in which it happened, 16 hexadecimal digits; '' when not told */
  view: string;
  atUs: number;
  component: string;
  version: string;
  page: string;
  person: string;
  userAgent: string;
  type: string;
  message: string;
  stack: string;
}

/** Is this an error of a page? OpenTelemetry's event `exception`, with the view that it belongs to. */
export const isScriptError = (record: LogRecord): boolean =>
  eventOf(record) === 'exception' && record.attributes['toplens.view.id'] !== undefined;

const LONGEST_STACK = 8_000;

/** The script error that a record tells of. @throws RecordRefused naming the attribute */
export function errorOfRecord({ atUs, attributes, resource }: LogRecord, range: TimeRange): ScriptError {
  const text = (name: string, longest?: number) => cleanText(String(attributes[name] ?? resource[name] ?? ''), longest);
  const [id, view] = [text('toplens.error.id'), text('toplens.view.id')];
  if (!isSpanId(id)) throw new RecordRefused('toplens.error.id: expected 16 hexadecimal digits that are not all zero');
  if (!isSpanId(view)) throw new RecordRefused('toplens.view.id: expected 16 hexadecimal digits that are not all zero');
  const wrongTime = whyTimeRejected(atUs, range);
  if (wrongTime !== undefined) throw new RecordRefused(`timeUnixNano: ${wrongTime}`);
  const message = text('exception.message', 1_000);
  const type = text('exception.type') || 'Error';
  return {
    id,
    view,
    atUs,
    component: text('service.name') || 'unknown page',
    version: text('service.version'),
    page: text('toplens.page'),
    person: text('user.id') || text('enduser.id'),
    userAgent: text('user_agent.original'),
    type,
    message,
    stack: String(attributes['exception.stacktrace'] ?? '').slice(0, LONGEST_STACK),
  };
}

/** A place in a script, as the stack tells it or as a source map makes it readable. */
export interface Frame {
  file: string;
  /** from 1; 0 when not told */
  line: number;
  column: number;
  method: string;
}

/** Errors with the same key are of one group. */
export function errorGroup(type: string, message: string, frames: readonly Frame[]): string {
  const top = frames.slice(0, TOP_FRAMES).map(({ file, method, line }) => `${file}:${method || line}`);
  // Where there are frames they tell more than a message does, which may hold names and numbers.
  return [type, ...(top.length > 0 ? top : [withoutValues(message)])].join('\u001f');
}
const TOP_FRAMES = 3;

/** A message without what changes from time to time: quoted texts, numbers, addresses. */
export const withoutValues = (message: string): string =>
  message
    .replace(/\bhttps?:\/\/\S+/g, '<url>')
    .replace(/"[^"]*"|'[^']*'|`[^`]*`/g, '<text>')
    .replace(/\b0x[0-9a-f]+\b|\b[0-9a-f]{8,}\b/gi, '<id>')
    .replace(/\d+(?:\.\d+)?/g, '<n>');
