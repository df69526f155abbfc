import { MINUTE_MS } from '@toplens/core/time';
import { encodeSpans } from '../scenario/src/otlp/encode';
import { spansOf, type OutSpan } from '../scenario/src/otlp/spans';
import { simulateMinute } from '../scenario/src/pellwick/simulate';

export const BATCH = 500;

export interface Payload {
  encoding: 'protobuf' | 'json';
  body: Uint8Array<ArrayBuffer>;
}

const hex = (words: number[]) => words.map((word) => (word >>> 0).toString(16).padStart(8, '0')).join('');

function toJson(spans: readonly OutSpan[]): string {
  const keyValue = ([key, value]: [string, string | number]) => ({
    key,
    value: typeof value === 'string' ? { stringValue: value } : { doubleValue: value },
  });
  return JSON.stringify({
    resourceSpans: [
      {
        resource: { attributes: [keyValue(['service.name', 'bench']), keyValue(['host.name', 'north-1'])] },
        scopeSpans: [
          {
            spans: spans.map((span) => ({
              traceId: hex(span.traceId),
              spanId: hex(span.spanId),
              parentSpanId: span.parentSpanId ? hex(span.parentSpanId) : '',
              name: span.name,
              kind: span.kind,
              startTimeUnixNano: `${Math.round(span.startMs * 1000)}000`,
              endTimeUnixNano: `${Math.round((span.startMs + span.durationMs) * 1000)}000`,
              attributes: span.attributes.map(keyValue),
              status: span.error ? { code: 2 } : {},
            })),
          },
        ],
      },
    ],
  });
}

/**
 * Entry spans of the demo world in requests of 500; every call makes others. @param endMs they begin before it, newest
 * first
 */
export function payloads(encoding: Payload['encoding'], count: number, seed: number, endMs: number): Payload[] {
  const spans: OutSpan[] = [];
  const options = { seed, localOffsetHours: 0, troubles: {} };
  for (
    let minuteMs = Math.floor(endMs / MINUTE_MS) * MINUTE_MS - MINUTE_MS;
    spans.length < count * BATCH;
    minuteMs -= MINUTE_MS
  )
    for (const attempt of simulateMinute(minuteMs, options, [])) spans.push(...spansOf(attempt, false, {}));
  return Array.from({ length: count }, (_, i) => {
    const part = spans.slice(i * BATCH, (i + 1) * BATCH);
    return { encoding, body: encoding === 'json' ? Buffer.from(toJson(part)) : Buffer.from(encodeSpans(part)) };
  });
}
