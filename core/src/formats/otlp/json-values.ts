import { MalformedTelemetry } from './malformed';

export type Json = Record<string, unknown>;

export function asObject(value: unknown, path: string): Json {
  if (value === null || typeof value !== 'object' || Array.isArray(value))
    throw new MalformedTelemetry(path, 'expected an object');
  return value as Json;
}

/** proto3 JSON leaves empty lists out. */
export function asArray(value: unknown, path: string): unknown[] {
  if (value === undefined || value === null) return [];
  if (!Array.isArray(value)) throw new MalformedTelemetry(path, 'expected a list');
  return value;
}

/** Nanoseconds as text or number → microseconds; NaN when it is no time. */
export function readTime(time: unknown): number {
  if (typeof time === 'number') return Math.floor(time / 1000);
  if (typeof time !== 'string' || !/^\d{1,20}$/.test(time)) return NaN;
  // The last three digits are cut off as text: 19 digits do not fit a double.
  return time.length <= 3 ? 0 : Number(time.slice(0, -3));
}
