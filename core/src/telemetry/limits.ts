/** How much one request may hold. The server's docs/limits.md lists all limits, those of lengths too. */
export interface TelemetryLimits {
  /** spans, lines, points or events of a request */
  records: number;
  /** attributes of a record; the last are left out */
  attributes: number;
  /** buckets of a histogram point */
  buckets: number;
}

/** Batches of common senders hold 512 to 8,192 records, exponential histograms 160 buckets (OpenTelemetry SDK specification). */
export const DEFAULT_LIMITS: TelemetryLimits = { records: 50_000, attributes: 64, buckets: 1_000 };

/** Deeper than this no value is read: a message made to overflow the stack. */
export const DEEPEST_VALUE = 8;

/** Longest text of which an index of the database takes a copy, in bytes of UTF-8; a third of a page of PostgreSQL, 2,704, is refused. */
export const LONGEST_KEY_BYTES = 1_000;

const UTF8 = new TextEncoder();

/** As much of a text as fits so many bytes of UTF-8, never half a character. */
export function cutToBytes(text: string, most = LONGEST_KEY_BYTES): string {
  // A UTF-16 unit takes three bytes at most.
  if (text.length * 3 <= most) return text;
  const { read } = UTF8.encodeInto(text, new Uint8Array(most));
  return text.slice(0, read);
}
