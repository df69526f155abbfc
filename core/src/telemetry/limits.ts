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
