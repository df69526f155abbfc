import { cleanText, readCloudEvent, type ChangeEvent } from '../telemetry';
import { kindOfType } from './change-event';

const LONGEST_TITLE = 200;

/**
 * The change that a CloudEvent 1.0 tells of (its JSON format): `subject` is the component, `data.title` what was changed.
 *
 * @returns the change, or why it cannot be taken, naming the attribute
 */
export function changeOfCloudEvent(event: unknown, latestUs: number): ChangeEvent | string {
  const read = readCloudEvent(event, latestUs);
  if (typeof read === 'string') return read;
  const { id, source, type, subject, atUs, data } = read;
  const kind = kindOfType(type);
  if (!kind) return 'type: expected toplens.change.release, .commit, .setting or .flag';
  if (subject === '') return 'subject: missing: of what is this a change?';
  const text = (name: string) => (typeof data[name] === 'string' ? cleanText(data[name], LONGEST_TITLE) : '');
  const title = text('title') || [cleanText(subject), text('version') || kind].join(' ');
  // The same source and id is the same event: CloudEvents 1.0, "id".
  return { id: cleanText(`${source}#${id}`), atUs, kind, component: cleanText(subject), title, by: text('by') };
}
