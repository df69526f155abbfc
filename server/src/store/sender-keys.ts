import type { SenderKind } from '@toplens/core/access';
import type { Database } from './database';

export interface SenderSecretRow {
  /** SHA-256, hexadecimal */
  hash: string;
  madeMs: number;
  /** null: until another replaces it */
  endsMs: number | null;
  usedMs: number | null;
}

export interface SenderKeyRow {
  id: number;
  kind: SenderKind;
  name: string;
  origins: string[];
  madeMs: number;
  madeBy: string;
  revokedMs: number | null;
  /** the newest first */
  secrets: SenderSecretRow[];
}

export async function loadSenderKeys(database: Database): Promise<SenderKeyRow[]> {
  const [keys, secrets] = await Promise.all([
    database.query<Omit<SenderKeyRow, 'secrets'>>(
      `SELECT id, kind, name, origins, made_ms::float8 AS "madeMs", made_by AS "madeBy",
         revoked_ms::float8 AS "revokedMs" FROM sender_key ORDER BY id`,
    ),
    database.query<SenderSecretRow & { key: number }>(
      `SELECT hash, key, made_ms::float8 AS "madeMs", ends_ms::float8 AS "endsMs", used_ms::float8 AS "usedMs"
         FROM sender_secret ORDER BY made_ms DESC, hash`,
    ),
  ]);
  return keys.map((row) => ({
    ...row,
    secrets: secrets.flatMap(({ key, ...secret }) => (key === row.id ? [secret] : [])),
  }));
}

export async function insertSenderKey(
  database: Database,
  { kind, name, origins, madeMs, madeBy }: Pick<SenderKeyRow, 'kind' | 'name' | 'origins' | 'madeMs' | 'madeBy'>,
): Promise<number> {
  const [row] = await database.query<{ id: number }>(
    'INSERT INTO sender_key (kind, name, origins, made_ms, made_by) VALUES ($1, $2, $3, $4, $5) RETURNING id',
    [kind, name, origins, madeMs, madeBy],
  );
  return (row as { id: number }).id;
}

/** A new secret of a key; those that it has end then, or sooner. */
export const insertSenderSecret = (
  database: Database,
  { key, hash, madeMs, othersEndMs }: { key: number; hash: string; madeMs: number; othersEndMs: number },
): Promise<void> =>
  database.transaction([
    {
      sql: 'UPDATE sender_secret SET ends_ms = least(coalesce(ends_ms, $2), $2) WHERE key = $1',
      params: [key, othersEndMs],
    },
    { sql: 'INSERT INTO sender_secret (hash, key, made_ms) VALUES ($1, $2, $3)', params: [hash, key, madeMs] },
  ]);

export const revokeSenderKey = (database: Database, id: number, nowMs: number): Promise<unknown> =>
  database.query('UPDATE sender_key SET revoked_ms = coalesce(revoked_ms, $2) WHERE id = $1', [id, nowMs]);

/** When secrets were used last. */
export const saveUses = (database: Database, uses: ReadonlyMap<string, number>): Promise<void> =>
  database.transaction(
    [...uses].map(([hash, usedMs]) => ({
      sql: 'UPDATE sender_secret SET used_ms = greatest(coalesce(used_ms, 0), $2) WHERE hash = $1',
      params: [hash, usedMs],
    })),
  );
