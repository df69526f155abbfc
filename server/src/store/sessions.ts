import type { Database } from './database';

/** A browser that is signed in, or about to. */
export interface SessionRow {
  /** SHA-256 of what the browser holds, hexadecimal */
  idHash: string;
  /** null until somebody has signed in */
  account: number | null;
  /** JSON */
  data: string;
  madeMs: number;
  seenMs: number;
  endsMs: number;
  address: string;
  browser: string;
}

export const loadSessions = (database: Database, nowMs: number): Promise<SessionRow[]> =>
  database.query<SessionRow>(
    `SELECT id_hash AS "idHash", account, data, made_ms::float8 AS "madeMs", seen_ms::float8 AS "seenMs",
       ends_ms::float8 AS "endsMs", address, browser FROM session WHERE ends_ms > $1`,
    [nowMs],
  );

export const saveSession = (database: Database, session: SessionRow): Promise<unknown> =>
  database.query(
    `INSERT INTO session (id_hash, account, data, made_ms, seen_ms, ends_ms, address, browser)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8)
     ON CONFLICT (id_hash) DO UPDATE
       SET account = excluded.account, data = excluded.data, seen_ms = excluded.seen_ms, ends_ms = excluded.ends_ms`,
    [
      session.idHash,
      session.account,
      session.data,
      session.madeMs,
      session.seenMs,
      session.endsMs,
      session.address,
      session.browser,
    ],
  );

export const dropSessions = (database: Database, idHashes: readonly string[]): Promise<unknown> =>
  database.query('DELETE FROM session WHERE id_hash = ANY($1::text[])', [idHashes]);
