import type { PeriodReport, Tally } from '@toplens/core/promises';
import type { Window } from '@toplens/core/time';
import type { Database } from './database';

/** What a promise's period came to when it was over. */
export interface SealedPeriod extends Window, Tally {
  promise: string;
  /** when it was written down, milliseconds since the epoch */
  sealedMs: number;
  report: PeriodReport;
}

/** Writes a period down, once: what is sealed stays as it is. */
export async function sealPeriod(
  database: Database,
  { promise, fromMs, toMs, sealedMs, valid, good, report }: SealedPeriod,
): Promise<void> {
  await database.query(
    'INSERT INTO sealed_period VALUES ($1, $2, $3, $4, $5, $6, $7) ON CONFLICT (promise, from_ms) DO NOTHING',
    [promise, fromMs, toMs, sealedMs, valid, good, JSON.stringify(report)],
  );
}

/** Sealed periods of a promise, the newest first. */
export const sealedPeriods = (database: Database, promise: string): Promise<SealedPeriod[]> =>
  database.query<SealedPeriod>(
    `SELECT promise, from_ms::float8 AS "fromMs", to_ms::float8 AS "toMs", sealed_ms::float8 AS "sealedMs",
            valid::float8 AS valid, good::float8 AS good, report
       FROM sealed_period WHERE promise = $1 ORDER BY from_ms DESC`,
    [promise],
  );
