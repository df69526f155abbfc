import type { AttributeValue } from './attributes';

/** One line of a log as it came in: an OTLP log record that is no event of ours. */
export interface LogLine {
  /** microseconds since the epoch: when it happened, else when it was seen */
  atUs: number;
  component: string;
  host: string;
  /** 1 to 24 as OTLP numbers severities: 9 INFO, 13 WARN, 17 ERROR, 21 FATAL; 0: not told */
  severity: number;
  /** empty when the line belongs to no trace */
  traceId: string;
  spanId: string;
  /** type of the exception it tells of; '' for none */
  failure: string;
  body: string;
  /** how many lines exactly like this one came before it in the same request */
  repeat: number;
}

/** OTLP's numbers of severities, lowest of each name. */
export const Severity = { TRACE: 1, DEBUG: 5, INFO: 9, WARN: 13, ERROR: 17, FATAL: 21 } as const;

export function severityWord(severity: number): string {
  for (const [word, least] of Object.entries(Severity).reverse()) if (severity >= least) return word.toLowerCase();
  return '';
}

/** Something that people changed: a reason for what began just after. */
export const CHANGE_KINDS = ['release', 'commit', 'setting', 'flag'] as const;
export type ChangeKind = (typeof CHANGE_KINDS)[number];

/** Longest title that is kept of a change, in UTF-16 units. */
export const LONGEST_TITLE = 200;

export interface ChangeEvent {
  /** the same id is the same change, however often it is sent */
  id: string;
  atUs: number;
  kind: ChangeKind;
  /** of which component */
  component: string;
  /** what was changed, in a few words */
  title: string;
  /** who or what changed it; '' when not told */
  by: string;
}

/** Attributes of any name, as metrics and events have them. */
export type NamedValues = Readonly<Record<string, AttributeValue>>;

/** Name of the event that a record tells of, '' for a plain line; older senders name events by an attribute. */
export const eventOf = ({ eventName, attributes }: { eventName: string; attributes: NamedValues }): string =>
  eventName || String(attributes['event.name'] ?? '');
