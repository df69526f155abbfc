import type { FlowBucket } from '@toplens/core/flows';
import { encodedQuantile } from '@toplens/core/stats';
import type { Database, Statement } from './database';

/** Roll-ups of a stretch: a month of many flows is read day by day. */
export async function loadRollUps(database: Database, fromMs: number, toMs: number): Promise<FlowBucket[]> {
  const rows = await database.query<{ flow: number; start_ms: number; attempts: number; failed: number; durations: Uint8Array; valueMinor: number }>(
    'SELECT flow, start_ms::float8 AS start_ms, attempts, failed, durations, value_minor::float8 AS "valueMinor" FROM roll_up WHERE start_ms >= $1 AND start_ms < $2 ORDER BY start_ms',
    [fromMs, toMs],
  );
  return rows.map(({ start_ms, ...rest }) => ({
    ...rest,
    startMs: start_ms,
    medianMs: encodedQuantile(rest.durations, 0.5) ?? NaN,
  }));
}

/** Puts an hour's roll-ups in place, and marks the hour as no longer stale unless a newer batch touched it. */
export function replaceHour(hourMs: number, buckets: readonly FlowBucket[], batch: number): Statement[] {
  const hex = (bytes: Uint8Array) => Buffer.from(bytes).toString('hex');
  return [
    { sql: 'DELETE FROM roll_up WHERE start_ms >= $1 AND start_ms < $2', params: [hourMs, hourMs + 3_600_000] },
    {
      sql: `INSERT INTO roll_up (flow, start_ms, attempts, failed, durations, value_minor)
            SELECT f, s, a, x, decode(d, 'hex'), v FROM unnest($1::int[], $2::int8[], $3::int[], $4::int[], $5::text[], $6::int8[]) AS t (f, s, a, x, d, v)`,
      params: [
        buckets.map((b) => b.flow),
        buckets.map((b) => b.startMs),
        buckets.map((b) => b.attempts),
        buckets.map((b) => b.failed),
        buckets.map((b) => hex(b.durations)),
        buckets.map((b) => Math.round(b.valueMinor)),
      ],
    },
    { sql: 'DELETE FROM stale_hour WHERE hour_ms = $1 AND batch <= $2', params: [hourMs, batch] },
  ];
}

export async function staleHours(database: Database): Promise<{ hourMs: number; batch: number }[]> {
  const rows = await database.query<{ hour_ms: number; batch: number }>(
    'SELECT hour_ms::float8 AS hour_ms, batch::float8 AS batch FROM stale_hour ORDER BY hour_ms',
  );
  return rows.map((row) => ({ hourMs: row.hour_ms, batch: row.batch }));
}
