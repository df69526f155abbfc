import type { LogRecord } from '../formats';
import {
  cleanText,
  eventOf,
  isSpanId,
  isTraceId,
  minorUnits,
  readCloudEvent,
  RecordRefused,
  textOf,
  whyTimeRejected,
  type Attempt,
  type TimeRange,
} from '../telemetry';
import type { LineMatch } from './line-pattern';

/** Name of the event by which pages and services tell of something that counts: an order placed, an insurance sold. */
export const BUSINESS_EVENT_NAME = 'toplens.business_event';

export const isBusinessEvent = (record: LogRecord): boolean => eventOf(record) === BUSINESS_EVENT_NAME;

/** 16 hexadecimal digits for a text: the same for the same. */
export type IdOf = (of: string) => string;

interface Told {
  /** the same text is the same event, however often it is told */
  identity: string;
  atUs: number;
  name: string;
  /** in units of currency; `undefined` when it has no value */
  amount: number | undefined;
  /** texts by the name of the attempt's field; '' when not told */
  texts: Partial<Record<Text, string>>;
}

const TEXTS = [
  'application',
  'component',
  'person',
  'session',
  'tier',
  'region',
  'site',
  'promotion',
  'item',
  'version',
  'currency',
  'traceId',
] as const;
type Text = (typeof TEXTS)[number];

/**
 * It is counted as an attempt that lasts no time and cannot fail: so it is kept, narrowed and summed as all others are.
 */
function toAttempt({ identity, atUs, name, amount, texts }: Told, idOf: IdOf): Attempt {
  const text = (field: Text) => cleanText(texts[field] ?? '');
  const id = isSpanId(identity) ? identity : idOf(identity);
  const component = text('component') || text('application') || 'unknown service';
  return {
    traceId: isTraceId(texts.traceId ?? '') ? (texts.traceId as string) : id.padStart(32, '0'),
    spanId: id,
    parentSpanId: '',
    startUs: atUs,
    durationUs: 0,
    flow: cleanText(name),
    application: text('application') || component,
    component,
    zone: '',
    ranOn: '',
    host: '',
    device: '',
    browser: '',
    system: '',
    carrier: '',
    department: '',
    role: '',
    station: '',
    server: '',
    userAgent: '',
    isUserSide: false,
    isHandheld: false,
    failed: false,
    failure: '',
    detail: undefined,
    probe: false,
    kind: 'businessEvent',
    person: text('person'),
    session: text('session'),
    site: text('site'),
    version: text('version'),
    region: text('region'),
    tier: text('tier'),
    promotion: text('promotion'),
    item: text('item'),
    valueMinor: minorUnits(amount),
    currency: amount === undefined ? '' : text('currency'),
  };
}

/** The event that a log record tells of. @throws RecordRefused naming the attribute */
export function eventOfRecord(
  { atUs, attributes, resource, traceId }: LogRecord,
  range: TimeRange,
  idOf: IdOf,
): Attempt {
  const text = (...names: string[]) =>
    names.map((name) => textOf(attributes[name]) ?? textOf(resource[name]) ?? '').find((found) => found !== '') ?? '';
  const name = text('toplens.event.name');
  if (name === '') throw new RecordRefused('toplens.event.name: missing: what happened?');
  const wrongTime = whyTimeRejected(atUs, range);
  if (wrongTime !== undefined) throw new RecordRefused(`timeUnixNano: ${wrongTime}`);
  const amount = amountOf('toplens.value.amount', attributes['toplens.value.amount']);
  const component = text('service.name');
  const texts = {
    application: text('toplens.application', 'service.namespace', 'service.name'),
    component,
    person: text('user.id', 'enduser.id'),
    session: text('session.id'),
    tier: text('toplens.tier'),
    region: text('toplens.region', 'geo.country.iso_code'),
    site: text('toplens.site'),
    promotion: text('toplens.promotion'),
    item: text('toplens.item'),
    version: text('service.version'),
    currency: text('toplens.value.currency'),
    traceId,
  };
  const identity =
    text('toplens.event.id') || [component, name, atUs, texts.person, texts.session, traceId, amount].join('\u001f');
  return toAttempt({ identity, atUs, name, amount, texts }, idOf);
}

/**
 * The event that a CloudEvent 1.0 tells of (its JSON format): `data` has name, amount, currency, and who and where.
 * Without a name its type names it.
 *
 * @throws RecordRefused naming the attribute
 */
export function eventOfCloudEvent(event: unknown, range: TimeRange, idOf: IdOf): Attempt {
  const read = readCloudEvent(event, range);
  const { data } = read;
  const texts: Partial<Record<Text, string>> = {};
  for (const field of TEXTS) {
    const value = data[field];
    if (value !== undefined && value !== null && typeof value !== 'string' && typeof value !== 'number')
      throw new RecordRefused(`data.${field}: expected a text`);
    texts[field] = String(value ?? '');
  }
  const name = typeof data.name === 'string' && data.name !== '' ? data.name : read.type;
  const amount = amountOf('data.amount', data.amount);
  return toAttempt(
    {
      identity: `${read.source}#${read.id}`,
      atUs: read.atUs,
      name,
      amount,
      texts: { ...texts, application: texts.application || read.source },
    },
    idOf,
  );
}

/** The event that a line of a log tells of by a named pattern. @param line what tells the line from others */
export function eventOfLine(
  match: LineMatch,
  { atUs, resource, attributes, traceId }: LogRecord,
  line: string,
  idOf: IdOf,
): Attempt {
  const text = (name: string) => textOf(attributes[name]) ?? textOf(resource[name]) ?? '';
  const component = text('service.name');
  const texts = {
    application: text('toplens.application') || text('service.namespace') || component,
    component,
    version: text('service.version'),
    person: text('user.id'),
    session: text('session.id'),
    tier: text('toplens.tier'),
    region: text('toplens.region'),
    ...match.texts,
    traceId,
  };
  return toAttempt(
    { identity: [match.name, line].join('\u001f'), atUs, name: match.name, amount: match.amount, texts },
    idOf,
  );
}

/** A number, or a decimal number as text; empty is none. @throws RecordRefused when it is neither */
function amountOf(field: string, value: unknown): number | undefined {
  if (value === undefined || value === null || value === '') return undefined;
  const amount = typeof value === 'string' && /^\s*[+-]?\d+(?:\.\d+)?\s*$/.test(value) ? Number(value) : value;
  if (typeof amount === 'number' && Number.isFinite(amount)) return amount;
  throw new RecordRefused(`${field}: expected a decimal number, as 12.50`);
}
