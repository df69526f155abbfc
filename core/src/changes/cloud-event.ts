import { cleanText, type ChangeEvent } from '../telemetry';
import { kindOfType } from './change-event';

/** RFC 3339, as CloudEvents 1.0 asks for in `time`. */
const TIME = /^\d{4}-\d{2}-\d{2}[Tt]\d{2}:\d{2}:\d{2}(?:\.\d+)?(?:[Zz]|[+-]\d{2}:\d{2})$/;
const LONGEST_TITLE = 200;

/**
 * The change that a CloudEvent 1.0 tells of (its JSON format): `subject` is the component, `data.title` what was changed.
 *
 * @returns the change, or why it cannot be taken, naming the attribute
 */
export function changeOfCloudEvent(event: unknown, latestUs: number): ChangeEvent | string {
  if (event === null || typeof event !== 'object' || Array.isArray(event)) return 'event: expected an object';
  const { specversion, id, source, type, time, subject, data } = event as Record<string, unknown>;
  if (specversion !== '1.0') return 'specversion: expected "1.0"';
  if (typeof id !== 'string' || id === '') return 'id: expected a text that is not empty';
  if (typeof source !== 'string' || source === '') return 'source: expected a URI reference';
  const kind = typeof type === 'string' ? kindOfType(type) : undefined;
  if (!kind) return 'type: expected toplens.change.release, .commit, .setting or .flag';
  if (typeof time !== 'string' || !TIME.test(time) || Number.isNaN(Date.parse(time))) return 'time: expected a time as RFC 3339 writes it';
  const atUs = Date.parse(time) * 1000;
  if (atUs > latestUs) return "time: lies ahead of this server's clock";
  if (typeof subject !== 'string' || subject === '') return 'subject: missing: of what is this a change?';
  const told = data !== null && typeof data === 'object' ? (data as Record<string, unknown>) : {};
  const text = (name: string) => (typeof told[name] === 'string' ? cleanText(told[name], LONGEST_TITLE) : '');
  const title = text('title') || [cleanText(subject), text('version') || kind].join(' ');
  // The same source and id is the same event: CloudEvents 1.0, "id".
  return { id: cleanText(`${source}#${id}`), atUs, kind, component: cleanText(subject), title, by: text('by') };
}
