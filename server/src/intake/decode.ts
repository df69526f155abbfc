import { isEntry, toAttempt, toInnerSpan, type FrontDoors, type InnerSpan } from '@toplens/core/flows';
import { MalformedTelemetry, readTracesJson, readTracesProtobuf } from '@toplens/core/formats';
import { whyRejected, type Attempt, type Span } from '@toplens/core/telemetry';
import type { Encoding } from './journal';

/** Clocks of senders may run ahead of ours by so much. */
export const CLOCK_TOLERANCE_MS = 5 * 60_000;

export interface Decoded {
  attempts: Attempt[];
  spans: InnerSpan[];
  rejected: number;
  /** reasons with their counts, for the sender */
  reasons: string;
}

/**
 * A request's spans, told into attempts, inner spans and those that cannot be taken. The same bytes received at the same
 * time give the same answer: the journal is replayed through here.
 *
 * @throws MalformedTelemetry when the body is not a message of the protocol
 */
export function decodeTraces(encoding: Encoding, body: Uint8Array, receivedMs: number, frontDoors: FrontDoors): Decoded {
  const decoded: Decoded = { attempts: [], spans: [], rejected: 0, reasons: '' };
  const reasons = new Map<string, number>();
  const latestUs = (receivedMs + CLOCK_TOLERANCE_MS) * 1000;
  for (const span of encoding === 'json' ? readTracesJson(parseJson(body)) : readTracesProtobuf(body)) {
    const reason = whyRejected(span, latestUs);
    if (reason !== undefined) {
      decoded.rejected++;
      reasons.set(reason, (reasons.get(reason) ?? 0) + 1);
    } else sort(span, decoded, frontDoors);
  }
  decoded.reasons = [...reasons].map(([reason, n]) => `${n} × ${reason}`).join('; ');
  return decoded;
}

function sort(span: Span, decoded: Decoded, frontDoors: FrontDoors): void {
  if (isEntry(span, frontDoors)) decoded.attempts.push(toAttempt(span));
  else decoded.spans.push(toInnerSpan(span));
}

function parseJson(body: Uint8Array): unknown {
  const text = Buffer.from(body.buffer, body.byteOffset, body.byteLength).toString('utf8');
  try {
    return JSON.parse(text);
  } catch (error) {
    throw new MalformedTelemetry('request body', `not JSON: ${(error as Error).message}`);
  }
}
