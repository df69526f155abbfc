import type { AttemptMark } from '@toplens/core/flows';
import type { Database } from './database';

export interface ReceivedMark {
  receivedMs: number;
  mark: AttemptMark;
}

/** Begins and ends that were received since a moment, in the order in which they came. */
export const marksReceivedSince = (database: Database, sinceMs: number): Promise<ReceivedMark[]> =>
  database.query<ReceivedMark & Record<string, unknown>>(
    'SELECT received_ms::float8 AS "receivedMs", mark FROM attempt_mark WHERE received_ms >= $1 ORDER BY received_ms, id, is_end',
    [Math.floor(sinceMs)],
  );
