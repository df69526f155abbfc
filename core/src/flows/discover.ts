import { maskStatement } from '../statements';
import {
  ranOnOf,
  outfitOf,
  failureDetail,
  isHandheld,
  isSynthetic,
  isUserSide,
  minorUnits,
  numberOf,
  pathShape,
  SpanKind,
  statusOf,
  textOf,
  type Attempt,
  type Attributes,
  type FailureDetail,
  type Span,
} from '../telemetry';

import { peerOf, storeOf } from './called';
import { UNKNOWN_ADDRESSES } from './ignored';
import { launchFlow, launchOf, screenFlow } from './screens-and-launches';

/**
 * Services whose server spans begin attempts although they have a parent: the parent is a browser or a phone
 * whose own spans may come as well.
 */
export type EntryServices = ReadonlySet<string>;

/** A span below an entry: work that an attempt caused in some component. */
export interface InnerSpan {
  traceId: string;
  spanId: string;
  parentSpanId: string;
  component: string;
  /** whom a client span called, where it says so; '' for calls to stores, which are components themselves */
  peer: string;
  name: string;
  kind: number;
  startUs: number;
  durationUs: number;
  failed: boolean;
  failure: string;
  host: string;
  /** of the service that sent it; '' for calls to stores, whose version is not told */
  version: string;
  /** of the service that sent it */
  application: string;
  zone: string;
  /** the person's own device; '' for what runs elsewhere */
  ranOn: string;
  isUserSide: boolean;
  /** masked; '' for all but calls to stores */
  statement: string;
  detail: FailureDetail | undefined;
}

/**
 * An entry span begins an attempt of a flow: a screen; a launch of an application; a span that names its flow
 * (`toplens.flow`); a message being consumed; a server span without a parent, or of an entry service.
 */
export function isEntry(span: Span, entryServices: EntryServices): boolean {
  if (span.attributes['toplens.flow'] !== undefined || span.attributes['app.screen.name'] !== undefined) return true;
  if (launchOfSpan(span)) return true;
  if (span.kind === SpanKind.CONSUMER) return true;
  return span.kind === SpanKind.SERVER && (span.parentSpanId === '' || entryServices.has(serviceOf(span)));
}

/** Only of a phone: other senders may call something else a start. */
const launchOfSpan = ({ attributes, resource }: Span) =>
  isUserSide(resource) ? launchOf(textOf(attributes['toplens.launch']) ?? textOf(attributes['start.type'])) : undefined;

/** The attempt that an entry span tells of. */
export function toAttempt(span: Span): Attempt {
  const { attributes, resource } = span;
  const text = (name: keyof Attributes) => textOf(attributes[name]) ?? textOf(resource[name]) ?? '';
  const amount = numberOf(attributes['toplens.value.amount']);
  const component = serviceOf(span);
  const userAgent = text('user_agent.original') || text('http.user_agent');
  return {
    traceId: span.traceId,
    spanId: span.spanId,
    startUs: span.startUs,
    durationUs: span.durationUs,
    flow: technicalName(span),
    application: text('toplens.application') || text('service.namespace') || component,
    component,
    ...placeOf(resource),
    isHandheld: isHandheld(resource, userAgent),
    failed: isFailed(span),
    crashed: attributes['toplens.outcome'] === 'crashed',
    probe: isSynthetic(text),
    kind: span.kind === SpanKind.CONSUMER ? 'background' : 'work',
    failure: isFailed(span) ? failureOf(span) : '',
    parentSpanId: span.parentSpanId,
    detail: isFailed(span) ? failureDetail(attributes, span.exception) : undefined,
    person: text('user.id') || text('enduser.id'),
    // Of an application that knows no session of its own, that of the desktop which it runs on.
    session: text('session.id') || text('toplens.remote.session'),
    site: text('toplens.site'),
    version: text('service.version'),
    // Where the person is: the cloud's region is where a server stands.
    region: text('toplens.region') || text('geo.country.iso_code'),
    tier: text('toplens.tier'),
    promotion: text('toplens.promotion'),
    item: text('toplens.item'),
    host: text('host.name'),
    ...outfitOf(text),
    department: text('toplens.department'),
    role: text('toplens.role'),
    station: text('toplens.station'),
    server: isUserSide(resource) ? text('server.address') : text('host.name'),
    userAgent,
    valueMinor: minorUnits(amount),
    currency: amount === undefined ? '' : text('toplens.value.currency'),
  };
}

export function toInnerSpan(span: Span): InnerSpan {
  const { attributes, resource } = span;
  const query = textOf(attributes['db.query.text']) ?? textOf(attributes['db.statement']);
  const service = serviceOf(span);
  const store = storeOf(attributes, service);
  return {
    traceId: span.traceId,
    spanId: span.spanId,
    parentSpanId: span.parentSpanId,
    component: store || service,
    peer: store || !isCall(span) ? '' : peerOf(attributes),
    name: span.name,
    kind: span.kind,
    startUs: span.startUs,
    durationUs: span.durationUs,
    failed: isFailed(span),
    failure: isFailed(span) ? failureOf(span) : '',
    host: textOf(resource['host.name']) ?? '',
    version: store ? '' : (textOf(resource['service.version']) ?? ''),
    application: textOf(resource['toplens.application']) ?? textOf(resource['service.namespace']) ?? '',
    ...placeOf(resource),
    statement: query === undefined ? '' : maskStatement(query),
    detail: isFailed(span) ? failureDetail(attributes, span.exception) : undefined,
  };
}

/** A tap has the address of its page, and a server that of its own: neither calls it. */
const isCall = ({ kind }: Span): boolean => kind === SpanKind.CLIENT || kind === SpanKind.PRODUCER;

/** Where it ran: the zone of its host, or the person's own device. */
interface PlaceOfSpan {
  zone: string;
  ranOn: string;
  isUserSide: boolean;
}

/** Told once for all spans of a resource. */
const places = new WeakMap<Attributes, PlaceOfSpan>();

function placeOf(resource: Attributes): PlaceOfSpan {
  let place = places.get(resource);
  if (!place) {
    const zone = textOf(resource['cloud.availability_zone']) ?? textOf(resource['cloud.region']) ?? '';
    places.set(resource, (place = { zone, ranOn: ranOnOf(resource), isUserSide: isUserSide(resource) }));
  }
  return place;
}

const serviceOf = (span: Span) => textOf(span.resource['service.name']) ?? 'unknown service';

/** Error status at the span, an answer of the 5xx class, or a business rule of the sender. */
function isFailed(span: Span): boolean {
  const outcome = span.attributes['toplens.outcome'];
  return span.error || (statusOf(span.attributes) ?? 0) >= 500 || outcome === 'failed' || outcome === 'crashed';
}

function failureOf(span: Span): string {
  const status = statusOf(span.attributes);
  return (
    span.exceptionType ||
    textOf(span.attributes['error.type']) ||
    (status !== undefined && status >= 400 ? `status ${status}` : 'error')
  );
}

/** Method and route, destination, screen: what the technology calls the flow. */
function technicalName(span: Span): string {
  const { attributes } = span;
  const named = textOf(attributes['toplens.flow']);
  if (named) return named;
  const launch = launchOfSpan(span);
  if (launch) return launchFlow(launch);
  const screen = textOf(attributes['app.screen.name']);
  if (screen) return screenFlow(screen);
  const destination = textOf(attributes['messaging.destination.name']);
  if (span.kind === SpanKind.CONSUMER) return `consume ${destination ?? span.name}`;
  const method = textOf(attributes['http.request.method']) ?? textOf(attributes['http.method']);
  const path =
    textOf(attributes['http.route']) ??
    pathShape(textOf(attributes['url.path']) ?? textOf(attributes['http.target']) ?? '');
  const isUnknown = attributes['http.route'] === undefined && statusOf(attributes) === 404;
  if (method && path && isUnknown && span.kind === SpanKind.SERVER) return `${method} ${UNKNOWN_ADDRESSES}`;
  if (method && path) return `${method} ${path}`;
  return span.name || 'unnamed';
}
