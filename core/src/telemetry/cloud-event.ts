import { RecordRefused } from './record-refused';
import { whyTimeRejected, type TimeRange } from './time-range';

/** RFC 3339, as CloudEvents 1.0 asks for in `time`. */
const TIME = /^\d{4}-\d{2}-\d{2}[Tt]\d{2}:\d{2}:\d{2}(?:\.\d+)?(?:[Zz]|[+-]\d{2}:\d{2})$/;

/** What every CloudEvent 1.0 tells; source and id together tell it from all others (CloudEvents 1.0, "id"). */
export interface CloudEvent {
  id: string;
  source: string;
  type: string;
  /** '' when not told */
  subject: string;
  atUs: number;
  /** empty when it is no object */
  data: Readonly<Record<string, unknown>>;
}

/**
 * The event of CloudEvents' JSON format.
 * @throws RecordRefused naming the attribute
 */
export function readCloudEvent(event: unknown, range: TimeRange): CloudEvent {
  if (event === null || typeof event !== 'object' || Array.isArray(event))
    throw new RecordRefused('event: expected an object');
  const { specversion, id, source, type, time, subject, data } = event as Record<string, unknown>;
  if (specversion !== '1.0') throw new RecordRefused('specversion: expected "1.0"');
  if (typeof id !== 'string' || id === '') throw new RecordRefused('id: expected a text that is not empty');
  if (typeof source !== 'string' || source === '') throw new RecordRefused('source: expected a URI reference');
  if (typeof type !== 'string' || type === '') throw new RecordRefused('type: expected a text that is not empty');
  if (typeof time !== 'string' || !TIME.test(time) || Number.isNaN(Date.parse(time)))
    throw new RecordRefused('time: expected a time as RFC 3339 writes it');
  const atUs = Date.parse(time) * 1000;
  const wrongTime = whyTimeRejected(atUs, range);
  if (wrongTime !== undefined) throw new RecordRefused(`time: ${wrongTime}`);
  const told =
    data !== null && typeof data === 'object' && !Array.isArray(data) ? (data as Record<string, unknown>) : {};
  return { id, source, type, subject: typeof subject === 'string' ? subject : '', atUs, data: told };
}
