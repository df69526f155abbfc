import type { AttemptQuestion } from '../engine/state/questions';
import { Problem } from '../errors';

/** The ids of an attempt in a path. @throws Problem 'badInput' naming the one that is none */
export function attemptIn({ traceId = '', spanId = '' }: { traceId?: string; spanId?: string }): AttemptQuestion {
  if (!/^[0-9a-f]{32}$/.test(traceId))
    throw new Problem('badInput', 'traceId: expected 32 hexadecimal digits', { field: 'traceId' });
  if (!/^[0-9a-f]{16}$/.test(spanId))
    throw new Problem('badInput', 'spanId: expected 16 hexadecimal digits', { field: 'spanId' });
  return { traceId, spanId };
}

export function noAttempt({ traceId, spanId }: AttemptQuestion): never {
  throw new Problem(
    'notFound',
    `there is no attempt ${spanId} in trace ${traceId}, or it is older than attempts are kept`,
    { field: 'spanId' },
  );
}
