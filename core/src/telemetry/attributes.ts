import { DEFAULT_LIMITS, type TextLengths } from './limits';

/**
 * The attributes that Top Lens reads. All others in a span are skipped, so that a span with ten thousand
 * attributes costs no more memory than a span with ten.
 *
 * Names follow the OpenTelemetry semantic conventions where they exist (stable and, for HTTP, the older ones
 * that many SDKs still send); `toplens.*` where they do not. docs/attributes.md lists them for people.
 */
export const RESOURCE_ATTRIBUTES = [
  'service.name',
  'service.namespace',
  'service.version',
  'host.name',
  'cloud.region',
  'cloud.availability_zone',
  'telemetry.sdk.language',
  'telemetry.sdk.name',
  'telemetry.sdk.version',
  'browser.platform',
  'browser.mobile',
  'browser.language',
  'user_agent.name',
  'user_agent.version',
  'device.model.name',
  'device.model.identifier',
  'os.name',
  'os.version',
  'toplens.application',
  'toplens.site',
  'toplens.department',
  'toplens.role',
  'toplens.station',
  'toplens.remote.session',
  'toplens.sent_at',
] as const;

export const SPAN_ATTRIBUTES = [
  'geo.country.iso_code',
  'http.request.method',
  'http.method',
  'http.route',
  'url.path',
  'url.full',
  'url.template',
  'http.request.body.size',
  'http.response.body.size',
  'http.response_content_length',
  'http.target',
  'http.url',
  'http.response.status_code',
  'http.status_code',
  'error.type',
  'exception.type',
  'exception.message',
  'exception.stacktrace',
  'code.function.name',
  'code.function',
  'code.namespace',
  'code.file.path',
  'code.filepath',
  'code.line.number',
  'code.lineno',
  'messaging.destination.name',
  'app.screen.name',
  'start.type',
  'toplens.launch',
  'user.id',
  'enduser.id',
  'session.id',
  'db.namespace',
  'db.system.name',
  'db.name',
  'db.system',
  'db.query.text',
  'db.statement',
  'network.carrier.name',
  'server.address',
  'net.peer.name',
  'peer.service',
  'user_agent.original',
  'http.user_agent',
  'user_agent.synthetic.type',
  'toplens.probe',
  'toplens.probe.step',
  'toplens.probe.fault',
  'toplens.probe.name_ms',
  'toplens.probe.connect_ms',
  'toplens.probe.wait_ms',
  'toplens.probe.transfer_ms',
  'toplens.flow',
  'toplens.outcome',
  'toplens.site',
  'toplens.department',
  'toplens.role',
  'toplens.station',
  'toplens.remote.session',
  'toplens.region',
  'toplens.tier',
  'toplens.promotion',
  'toplens.item',
  'toplens.value.amount',
  'toplens.value.currency',
] as const;

export type AttributeName = (typeof RESOURCE_ATTRIBUTES)[number] | (typeof SPAN_ATTRIBUTES)[number];
export type AttributeValue = string | number | boolean;
export type Attributes = Partial<Record<AttributeName, AttributeValue>>;

const READ: ReadonlySet<string> = new Set<string>([...RESOURCE_ATTRIBUTES, ...SPAN_ATTRIBUTES]);

export const isRead = (name: string): name is AttributeName => READ.has(name);

/** Some texts are longer than names by nature. */
const LONGER_TEXTS: ReadonlyMap<string, keyof TextLengths> = new Map([
  ['exception.message', 'message'],
  ['exception.stacktrace', 'stack'],
  ['db.query.text', 'statement'],
  ['db.statement', 'statement'],
] as const);

/** Text of an attribute as it is kept: at most as long as befits it; where lines mean something they stay. */
export function cleanAttribute(
  name: AttributeName,
  text: string,
  lengths: TextLengths = DEFAULT_LIMITS.lengths,
): string {
  const kind = LONGER_TEXTS.get(name);
  return kind === undefined ? cleanText(text, lengths.text) : cleanLines(text, lengths[kind]);
}

/** Text of several lines as it is kept: so long at most, nothing in it that cannot be shown or stored. */
export function cleanLines(text: string, longest: number): string {
  const lines = text.slice(0, longest).replace(/\r\n?/g, '\n').replace(/\t/g, ' ').split('\n');
  return lines.map((line) => cleanText(line, longest)).join('\n');
}

const CONTROL = /[\u0000-\u001f\u007f-\u009f]/g;
// A lone half of a surrogate pair cannot be stored as UTF-8.
const LONE_SURROGATE = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;

function isPlain(text: string): boolean {
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    if (code < 0x20 || code > 0x7e) return false;
  }
  return true;
}

/** Text as it is kept: control characters become spaces, at most so long. Markup stays text. */
export function cleanText(text: string, longest = DEFAULT_LIMITS.lengths.text): string {
  const cut = text.length > longest ? text.slice(0, longest) : text;
  // Nearly all text is plain: looking is ten times cheaper than replacing nothing.
  if (isPlain(cut)) return cut;
  return cut.replace(CONTROL, ' ').replace(LONE_SURROGATE, '\ufffd');
}

/** A text attribute; numbers and booleans as their text; `undefined` when missing or empty. */
export function textOf(value: AttributeValue | undefined): string | undefined {
  if (value === undefined || value === '') return undefined;
  return typeof value === 'string' ? value : String(value);
}

/** A numeric attribute, also when it was sent as text; `undefined` when missing or not finite. */
export function numberOf(value: AttributeValue | undefined): number | undefined {
  if (value === undefined || value === '' || typeof value === 'boolean') return undefined;
  const number = Number(value);
  return Number.isFinite(number) ? number : undefined;
}

/** Status of an HTTP answer, by either generation of the conventions; `undefined` where none is told. */
export const statusOf = (attributes: Attributes): number | undefined =>
  numberOf(attributes['http.response.status_code']) ?? numberOf(attributes['http.status_code']);
