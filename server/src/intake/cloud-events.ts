import type { IncomingHttpHeaders } from 'node:http';
import { Problem } from '../errors';
import { parseJson } from './decode';

/** Media types of CloudEvents' JSON format and its batches; plain JSON is understood as well. */
const JSON_FORMAT = /^application\/(?:cloudevents(?:-batch)?\+json|json)\b/i;
/** Data that can stand in JSON as it is. */
const JSON_DATA = /^application\/(?:[\w.-]+\+)?json\b/i;

/** In binary mode an event's attributes are headers, and the body is its data. */
const isBinary = (headers: IncomingHttpHeaders): boolean => headers['ce-specversion'] !== undefined;

/** @throws Problem 'wrongType' when the request is in none of the three modes of CloudEvents' HTTP binding */
export function checkCloudEvents(headers: IncomingHttpHeaders, orElse = ''): void {
  const type = headers['content-type'] ?? '';
  if (isBinary(headers) || JSON_FORMAT.test(type)) return;
  throw new Problem(
    'wrongType',
    `content-type: expected application/cloudevents+json or application/cloudevents-batch+json, or an event in binary mode with ce-… headers${orElse}, got: ${type || 'none'}`,
    { field: 'content-type' },
  );
}

/**
 * The events of a request in the JSON format: as they came in structured and batched mode; in binary mode made of the
 * headers, by the HTTP protocol binding for CloudEvents 1.0.2, 3.1.
 *
 * @throws Problem 'badRequest' when the data of an event in binary mode cannot be read
 */
export function cloudEventsOf(headers: IncomingHttpHeaders, body: Uint8Array): Uint8Array {
  if (!isBinary(headers)) return body;
  const event: Record<string, unknown> = {};
  for (const [name, value] of Object.entries(headers))
    if (name.startsWith('ce-') && typeof value === 'string') event[name.slice('ce-'.length)] = decoded(value);
  const type = headers['content-type'];
  if (type !== undefined) event['datacontenttype'] = type;
  if (body.length > 0)
    event['data'] = type === undefined || JSON_DATA.test(type) ? parseJson(body) : Buffer.from(body).toString('utf8');
  return Buffer.from(JSON.stringify(event));
}

/** What is not printable ASCII comes percent-encoded (3.1.3.2); what is no such encoding stays as it is. */
function decoded(value: string): string {
  try {
    return decodeURIComponent(value);
  } catch {
    return value;
  }
}
