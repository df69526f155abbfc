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
] as const;

export const SPAN_ATTRIBUTES = [
  'http.request.method',
  'http.method',
  'http.route',
  'url.path',
  'http.target',
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
  'user.id',
  'enduser.id',
  'session.id',
  'db.namespace',
  'db.system.name',
  'db.query.text',
  'db.statement',
  'server.address',
  'user_agent.original',
  'user_agent.synthetic.type',
  'toplens.flow',
  'toplens.outcome',
  'toplens.site',
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

/** Longest text kept of one attribute, in UTF-16 units; the rest is cut off. */
export const LONGEST_TEXT = 256;
/** Some are longer by nature. */
const LONGER_TEXTS: ReadonlyMap<string, number> = new Map([
  ['exception.message', 1_000],
  ['exception.stacktrace', 8_000],
  ['db.query.text', 4_000],
  ['db.statement', 4_000],
]);

/** Text of an attribute as it is kept: at most as long as befits it; where lines mean something they stay. */
export function cleanAttribute(name: AttributeName, text: string): string {
  const longest = LONGER_TEXTS.get(name);
  if (longest === undefined) return cleanText(text);
  return text.slice(0, longest).replace(/\r\n?/g, '\n').replace(/\t/g, ' ').split('\n').map((line) => cleanText(line, longest)).join('\n'); // prettier-ignore
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
export function cleanText(text: string, longest = LONGEST_TEXT): string {
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
