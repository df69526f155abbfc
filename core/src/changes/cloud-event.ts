import {
  cleanText,
  LONGEST_TITLE,
  readCloudEvent,
  RecordRefused,
  type ChangeEvent,
  type TimeRange,
} from '../telemetry';
import { kindOfType } from './change-event';

/**
 * The change that a CloudEvent 1.0 tells of (its JSON format): `subject` is the component, `data.title` what was
 * changed.
 *
 * @throws RecordRefused naming the attribute
 */
export function changeOfCloudEvent(event: unknown, range: TimeRange): ChangeEvent {
  const { id, source, type, subject, atUs, data } = readCloudEvent(event, range);
  const kind = kindOfType(type);
  if (!kind) throw new RecordRefused('type: expected toplens.change.release, .commit, .setting or .flag');
  if (subject === '') throw new RecordRefused('subject: missing: of what is this a change?');
  const text = (name: string) => (typeof data[name] === 'string' ? cleanText(data[name], LONGEST_TITLE) : '');
  const title = text('title') || [cleanText(subject), text('version') || kind].join(' ');
  // The same source and id is the same event: CloudEvents 1.0, "id".
  return { id: cleanText(`${source}#${id}`), atUs, kind, component: cleanText(subject), title, by: text('by') };
}
