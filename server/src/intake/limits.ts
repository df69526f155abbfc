import { DEFAULT_LIMITS, type TelemetryLimits } from '@toplens/core/telemetry';
import { DAY_MS } from '@toplens/core/time';

/**
 * How much and how old one request may be. What is beyond is refused with a word, in the answer and on the metrics
 * page.
 */
export interface IntakeLimits extends TelemetryLimits {
  /** how old a record may be when it comes, milliseconds */
  ageMs: number;
  /** how far ahead of this server's clock, milliseconds */
  leadMs: number;
  /** spans of one trace in a request */
  spansOfTrace: number;
  /** hours that a request may touch: each is judged anew */
  hours: number;
  /** times the packed size that a body may be unpacked, once it is larger than a mebibyte */
  unpackRatio: number;
  /** bytes of all bodies that are being read at a time */
  bodiesBytes: number;
  /** series of metrics kept at a time */
  series: number;
  /** bytes of UTF-8 that name and attributes of a series may have */
  seriesBytes: number;
  /** the limits of new names, times this */
  nameFactor: number;
}

export const INTAKE_LIMITS: IntakeLimits = {
  ...DEFAULT_LIMITS,
  ageMs: 35 * DAY_MS,
  leadMs: 5 * 60_000,
  spansOfTrace: 10_000,
  hours: 400,
  unpackRatio: 200,
  bodiesBytes: 256 * 1024 * 1024,
  series: 50_000,
  seriesBytes: 4_000,
  nameFactor: 1,
};
