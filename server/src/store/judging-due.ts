import type { Database, Statement } from './database';

/** From where old stretches are still to be judged anew, milliseconds since the epoch; `undefined` when none are. */
export async function loadDue(database: Database): Promise<number | undefined> {
  const [row] = await database.query<{ from_ms: number }>('SELECT from_ms::float8 AS from_ms FROM judging_due');
  return row?.from_ms;
}

export const saveDue = (fromMs: number | undefined): Statement =>
  fromMs === undefined
    ? { sql: 'DELETE FROM judging_due', params: [] }
    : {
        sql: 'INSERT INTO judging_due (from_ms) VALUES ($1) ON CONFLICT (one) DO UPDATE SET from_ms = excluded.from_ms',
        params: [Math.floor(fromMs)],
      };
