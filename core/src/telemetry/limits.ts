/** Longest texts that are kept, in UTF-16 units; the rest is cut off. */
export interface TextLengths {
  /**
   * names and what they are told apart by; at most 900: with three bytes a unit it fits an index entry of PostgreSQL
   * (2,704 bytes)
   */
  text: number;
  /** messages of exceptions */
  message: number;
  /** statements to databases */
  statement: number;
  /** stack traces */
  stack: number;
  /** lines of logs, and values of attributes that are no names */
  value: number;
}

/** How much one request may hold. The server's docs/limits.md lists all limits. */
export interface TelemetryLimits {
  /** spans, lines, points or events of a request */
  records: number;
  /** attributes of a record; the last are left out */
  attributes: number;
  /** buckets of a histogram point */
  buckets: number;
  lengths: TextLengths;
}

/**
 * Batches of common senders hold 512 to 8,192 records, exponential histograms 160 buckets (OpenTelemetry SDK
 * specification).
 */
export const DEFAULT_LIMITS: TelemetryLimits = {
  records: 50_000,
  attributes: 64,
  buckets: 1_000,
  lengths: { text: 256, message: 1_000, statement: 4_000, stack: 8_000, value: 8_000 },
};

/** Deeper than this no value is read: a message made to overflow the stack. */
export const DEEPEST_VALUE = 8;
