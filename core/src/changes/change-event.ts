import type { LogRecord } from '../formats';
import {
  CHANGE_KINDS,
  cleanText,
  eventOf,
  LONGEST_TITLE,
  RecordRefused,
  whyTimeRejected,
  type ChangeEvent,
  type ChangeKind,
  type TimeRange,
} from '../telemetry';

/** Name of the event by which senders of OTLP logs tell of a change. */
export const CHANGE_EVENT = 'toplens.change';

const isKind = (text: unknown): text is ChangeKind => (CHANGE_KINDS as readonly unknown[]).includes(text);

/** True for a log record that is an event of a change. */
export const isChange = (record: LogRecord): boolean => eventOf(record) === CHANGE_EVENT;

/** The change that a record tells of. @throws RecordRefused naming the attribute */
export function changeOfRecord({ atUs, attributes, resource, body }: LogRecord, range: TimeRange): ChangeEvent {
  const text = (name: string) => cleanText(String(attributes[name] ?? resource[name] ?? ''));
  const kind = attributes['toplens.change.kind'];
  const component = text('service.name');
  const title = cleanText(String(attributes['toplens.change.title'] ?? '') || body, LONGEST_TITLE);
  if (!isKind(kind)) throw new RecordRefused(`toplens.change.kind: expected one of ${CHANGE_KINDS.join(', ')}`);
  const wrongTime = whyTimeRejected(atUs, range);
  if (wrongTime !== undefined) throw new RecordRefused(`timeUnixNano: ${wrongTime}`);
  if (component === '') throw new RecordRefused('service.name: missing: of what is this a change?');
  if (title === '') throw new RecordRefused('toplens.change.title: missing, and no body');
  const id = text('toplens.change.id') || `${component}:${kind}:${atUs}:${title}`;
  return { id, atUs, kind, component, title, by: text('toplens.change.by') };
}

/**
 * Kinds by the type of a CloudEvent: our own (`toplens.change.release`), and those of the open vocabulary for delivery
 * events that its users know (`dev.cdevents.service.deployed.0.2.0`; names from memory).
 */
const KINDS_BY_TYPE: readonly [pattern: RegExp, kind: ChangeKind][] = [
  [/\.service\.(?:deployed|upgraded|rolledback)\b/, 'release'],
  [/\.change\.merged\b/, 'commit'],
];

export function kindOfType(type: string): ChangeKind | undefined {
  const own = /^toplens\.change\.(\w+)$/.exec(type)?.[1];
  return isKind(own) ? own : KINDS_BY_TYPE.find(([pattern]) => pattern.test(type))?.[1];
}
