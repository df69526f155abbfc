import type { LogLine } from '@toplens/core/telemetry';
import { shortHash } from '../names/short-hash';

/**
 * All that a sender told of a line, but its component and moment, as 16 hexadecimal digits: the first 64 bits of SHA-1.
 */
export function lineIdentity({ host, severity, traceId, spanId, failure, body, repeat }: LogLine): string {
  return shortHash([host, severity, traceId, spanId, failure, repeat, body].join('\u001f'));
}
