import { BUCKET_MS, type FlowBucket } from '@toplens/core/flows';
import { encodedQuantile } from '@toplens/core/stats';
import { HOUR_MS } from '@toplens/core/time';
import { bytes, eachSelected, integer } from './selection';
import type { Database, Statement } from './database';

const PER_HOUR = HOUR_MS / BUCKET_MS;
const HEAD = 20;

/**
 * A flow's hour as bytes, twelve buckets one behind the other: attempts u32, failed u32, value f64, length of the
 * durations u32, durations. One row an hour in place of twelve: a month of 200 flows is read in seconds, not minutes.
 */
export function packHour(buckets: readonly FlowBucket[], hourMs: number): Uint8Array {
  const slots = Array.from({ length: PER_HOUR }, (_, k) =>
    buckets.find((bucket) => bucket.startMs === hourMs + k * BUCKET_MS),
  );
  const size = slots.reduce((sum, bucket) => sum + HEAD + (bucket?.durations.length ?? 0), 0);
  const bytes = new Uint8Array(size);
  const view = new DataView(bytes.buffer);
  let at = 0;
  for (const bucket of slots) {
    view.setUint32(at, bucket?.attempts ?? 0);
    view.setUint32(at + 4, bucket?.failed ?? 0);
    view.setFloat64(at + 8, bucket?.valueMinor ?? 0);
    view.setUint32(at + 16, bucket?.durations.length ?? 0);
    if (bucket) bytes.set(bucket.durations, at + HEAD);
    at += HEAD + (bucket?.durations.length ?? 0);
  }
  return bytes;
}

export function unpackHour(flow: number, hourMs: number, bytes: Uint8Array): FlowBucket[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const buckets: FlowBucket[] = [];
  let at = 0;
  for (let k = 0; k < PER_HOUR; k++) {
    const attempts = view.getUint32(at);
    const length = view.getUint32(at + 16);
    const durations = bytes.slice(at + HEAD, at + HEAD + length);
    if (attempts > 0)
      buckets.push({
        flow,
        startMs: hourMs + k * BUCKET_MS,
        attempts,
        failed: view.getUint32(at + 4),
        valueMinor: view.getFloat64(at + 8),
        durations,
        medianMs: encodedQuantile(durations, 0.5) ?? NaN,
      });
    at += HEAD + length;
  }
  return buckets;
}

const PACKED = { flow: integer('flow'), hourMs: integer('hour_ms'), buckets: bytes('buckets') };

/** Roll-ups of a stretch of whole hours: a month of many flows is read day by day. */
export async function loadRollUps(database: Database, fromMs: number, toMs: number): Promise<FlowBucket[]> {
  const loaded: FlowBucket[] = [];
  const within = `FROM roll_up_hour WHERE hour_ms >= ${Math.floor(fromMs)} AND hour_ms < ${Math.floor(toMs)}`;
  await eachSelected(database, PACKED, within, ({ flow, hourMs, buckets }) =>
    loaded.push(...unpackHour(flow, hourMs, buckets)),
  );
  return loaded;
}

/** Puts an hour's roll-ups in place, and marks the hour as no longer stale unless a newer batch touched it. */
export function replaceHour(hourMs: number, buckets: readonly FlowBucket[], batch: number): Statement[] {
  const flows = new Map<number, FlowBucket[]>();
  for (const bucket of buckets) {
    const own = flows.get(bucket.flow);
    if (own) own.push(bucket);
    else flows.set(bucket.flow, [bucket]);
  }
  const hex = (bytes: Uint8Array) => Buffer.from(bytes).toString('hex');
  return [
    { sql: 'DELETE FROM roll_up_hour WHERE hour_ms = $1', params: [hourMs] },
    {
      sql: `INSERT INTO roll_up_hour (hour_ms, flow, buckets) SELECT $1, f, decode(b, 'hex') FROM unnest($2::int[], $3::text[]) AS t (f, b)`,
      params: [hourMs, [...flows.keys()], [...flows.values()].map((own) => hex(packHour(own, hourMs)))],
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
