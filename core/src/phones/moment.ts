import type { LogRecord } from '../formats';
import {
  cleanText,
  DEFAULT_LIMITS,
  eventOf,
  isPhone,
  numberOf,
  pathShape,
  RecordRefused,
  SpanKind,
  statusOf,
  textOf,
  whyTimeRejected,
  type Span,
  type TimeRange,
} from '../telemetry';
import { senderOf } from './sender';
import { readShape, type ScreenShape } from './screen-shape';

/**
 * What a session is made of besides attempts and crashes. request: the application asked a server; error: it caught one;
 * tap: the person touched something; state: it came to the front or went to the back; usage: what it took of processor
 * and memory; shape: what the screen looked like, without what stood on it.
 */
export const MOMENT_KINDS = ['request', 'error', 'tap', 'state', 'usage', 'shape'] as const;
export type MomentKind = (typeof MOMENT_KINDS)[number];

/** One moment of a session on a phone. */
export interface Moment {
  kind: MomentKind;
  /** 16 hexadecimal digits: the same moment sent again adds nothing */
  id: string;
  atUs: number;
  /** of a request; else 0 */
  durationUs: number;
  component: string;
  application: string;
  version: string;
  session: string;
  device: string;
  carrier: string;
  country: string;
  /** address of a request, type of an error, what was tapped, state, screen of a shape; '' of a usage */
  what: string;
  /** of an error; else '' */
  message: string;
  failed: boolean;
  /** HTTP status of a request; 0 when none came, and of all others */
  status: number;
  /** bytes of the bodies that came and went; NaN where not told */
  bytesIn: number;
  bytesOut: number;
  /** share of the processor, 0 to 1, and bytes of memory; NaN where not told */
  cpu: number;
  memory: number;
  /** of a request; '' else */
  traceId: string;
  spanId: string;
  shape: ScreenShape | undefined;
}

/** Events of the OpenTelemetry semantic conventions, and our own where these have none. */
const KIND_OF_EVENT: Readonly<Record<string, Exclude<MomentKind, 'request'>>> = {
  exception: 'error',
  'app.widget.click': 'tap',
  'app.screen.click': 'tap',
  'device.app.lifecycle': 'state',
  'session.start': 'state',
  'session.end': 'state',
  'toplens.usage': 'usage',
  'toplens.screen.shape': 'shape',
};

const kindOf = (record: LogRecord): Exclude<MomentKind, 'request'> | undefined => KIND_OF_EVENT[eventOf(record) ?? ''];

/** Servers and pages tell of exceptions as well: those are no moments. */
export const isMoment = (record: LogRecord): boolean => kindOf(record) !== undefined && isPhone(record.resource);

/**
 * The moment that an event of a phone tells of.
 *
 * @param idOf 16 hexadecimal digits for a text
 * @throws RecordRefused naming the attribute
 */
export function momentOfRecord(record: LogRecord, range: TimeRange, idOf: (text: string) => string): Moment {
  const { atUs, attributes, resource } = record;
  const kind = kindOf(record) as Exclude<MomentKind, 'request'>;
  const raw = (name: string) => String(attributes[name] ?? resource[name] ?? '');
  const text = (...names: string[]) => cleanText(names.map(raw).find(Boolean) ?? '');
  const figure = (name: string) => notNegative(numberOf(attributes[name]));
  const wrongTime = whyTimeRejected(atUs, range);
  if (wrongTime !== undefined) throw new RecordRefused(`timeUnixNano: ${wrongTime}`);
  const [cpu, memory] = [figure('process.cpu.utilization'), figure('process.memory.usage')];
  if (kind === 'usage' && Number.isNaN(cpu) && Number.isNaN(memory))
    throw new RecordRefused('process.cpu.utilization, process.memory.usage: toplens.usage tells at least one of them');
  const shape = kind === 'shape' ? readShape(raw('toplens.shape')) : undefined;
  const whats: Readonly<Record<typeof kind, () => string>> = {
    error: () => text('exception.type') || 'error',
    tap: () => text('app.widget.name', 'app.widget.id') || 'screen',
    state: () => text('android.app.state', 'ios.app.state') || (eventOf(record) ?? '').replace('.', ' '),
    usage: () => '',
    shape: () => text('app.screen.name'),
  };
  const what = whats[kind]();
  const sender = senderOf(text);
  const uid = text('log.record.uid') || [sender.session, atUs, eventOf(record), what].join('\u001f');
  return {
    ...NOTHING,
    ...sender,
    kind,
    id: idOf(`${sender.component}\u001f${uid}`),
    atUs,
    what,
    message: kind === 'error' ? cleanText(raw('exception.message'), DEFAULT_LIMITS.lengths.message) : '',
    failed: kind === 'error',
    cpu: Math.min(1, cpu),
    memory: Math.round(memory),
    shape,
  };
}

/** The request that a client span of a phone tells of; `undefined` for all other spans. */
export function requestOfSpan(span: Span): Moment | undefined {
  const { attributes, resource } = span;
  const text = (...names: (keyof typeof attributes)[]) =>
    names.map((name) => textOf(attributes[name]) ?? textOf(resource[name])).find(Boolean) ?? '';
  if (span.kind !== SpanKind.CLIENT || !isPhone(resource) || !text('http.request.method', 'http.method'))
    return undefined;
  const status = statusOf(attributes) ?? 0;
  return {
    ...NOTHING,
    ...senderOf(text as (...names: string[]) => string),
    kind: 'request',
    id: span.spanId,
    atUs: span.startUs,
    durationUs: span.durationUs,
    what: addressOf(text),
    // HTTP semantic conventions: an answer of the 4xx class is an error of the client that asked.
    failed: span.error || status >= 400,
    status,
    bytesIn: Math.round(notNegative(numberOf(attributes['http.response.body.size']))),
    bytesOut: Math.round(notNegative(numberOf(attributes['http.request.body.size']))),
    traceId: span.traceId,
    spanId: span.spanId,
  };
}

/** Host and path, ids left out: "api.example/stops/{id}". */
function addressOf(
  text: (...names: ('server.address' | 'url.full' | 'url.template' | 'url.path' | 'http.target')[]) => string,
): string {
  let url: URL | undefined;
  try {
    url = new URL(text('url.full'));
  } catch {
    // not told, or no address: the others may tell
  }
  const path = text('url.template') || pathShape(text('url.path', 'http.target') || url?.pathname || '');
  return cleanText(`${text('server.address') || url?.hostname || ''}${path}`) || 'not told';
}

const notNegative = (value: number | undefined): number => (value === undefined || value < 0 ? NaN : value);

const NOTHING = {
  durationUs: 0,
  message: '',
  failed: false,
  status: 0,
  bytesIn: NaN,
  bytesOut: NaN,
  cpu: NaN,
  memory: NaN,
  traceId: '',
  spanId: '',
  shape: undefined,
} satisfies Partial<Moment>;
