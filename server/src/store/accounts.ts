import type { Grant } from '@toplens/core/access';
import type { Database, Statement } from './database';

/** Somebody who signs in, as stored. */
export interface AccountRow {
  id: number;
  name: string;
  /** in lower case; '' without one */
  mail: string;
  /** as `hashPassword` made it; '' until it is chosen */
  password: string;
  /** sealed; '' without one */
  secondFactor: string;
  lastStep: number;
  recovery: string[];
  /** at a provider; '' of who signs in here */
  subject: string;
  madeMs: number;
  endedMs: number | null;
  grants: Grant[];
}

const COLUMNS = `id, name, mail, password, second_factor AS "secondFactor", last_step::float8 AS "lastStep", recovery,
  subject, made_ms::float8 AS "madeMs", ended_ms::float8 AS "endedMs"`;

export async function loadAccounts(database: Database): Promise<AccountRow[]> {
  const [rows, grants] = await Promise.all([
    database.query<Omit<AccountRow, 'grants'>>(`SELECT ${COLUMNS} FROM account ORDER BY id`),
    database.query<Grant & { account: number }>(
      'SELECT account, role, of, until_ms::float8 AS "untilMs" FROM account_grant ORDER BY account, role, of',
    ),
  ]);
  return rows.map((row) => ({
    ...row,
    grants: grants.flatMap(({ account, ...grant }) => (account === row.id ? [grant] : [])),
  }));
}

export type NewAccount = Pick<AccountRow, 'name' | 'mail' | 'password' | 'subject'>;

/** @returns its number */
export async function insertAccount(
  database: Database,
  { name, mail, password, subject }: NewAccount,
  nowMs: number,
): Promise<number> {
  const [row] = await database.query<{ id: number }>(
    'INSERT INTO account (name, mail, password, subject, made_ms) VALUES ($1, $2, $3, $4, $5) RETURNING id',
    [name, mail, password, subject, nowMs],
  );
  return (row as { id: number }).id;
}

/** What may be different of an account; the rest stays. */
export type AccountChange = Partial<
  Pick<AccountRow, 'name' | 'password' | 'secondFactor' | 'lastStep' | 'recovery' | 'endedMs'>
>;

const COLUMN_OF: Readonly<Record<keyof AccountChange, string>> = {
  name: 'name',
  password: 'password',
  secondFactor: 'second_factor',
  lastStep: 'last_step',
  recovery: 'recovery',
  endedMs: 'ended_ms',
};

export async function changeAccount(database: Database, id: number, change: AccountChange): Promise<void> {
  const names = Object.keys(change) as (keyof AccountChange)[];
  if (names.length === 0) return;
  const set = names.map((name, index) => `${COLUMN_OF[name]} = $${index + 2}`).join(', ');
  await database.query(`UPDATE account SET ${set} WHERE id = $1`, [id, ...names.map((name) => change[name])]);
}

/** What somebody was given, as a whole: what is not in it is taken away. */
export const setGrants = (database: Database, id: number, grants: readonly Grant[]): Promise<void> =>
  database.transaction([
    { sql: 'DELETE FROM account_grant WHERE account = $1', params: [id] },
    ...grants.map(({ role, of, untilMs }): Statement => ({
      sql: 'INSERT INTO account_grant (account, role, of, until_ms) VALUES ($1, $2, $3, $4)',
      params: [id, role, of, untilMs],
    })),
  ]);

/** A link by which a password is chosen: an older one of the same account opens nothing any more. */
export const setAccountLink = (
  database: Database,
  { tokenHash, account, endsMs }: { tokenHash: string; account: number | null; endsMs: number },
): Promise<void> =>
  database.transaction([
    { sql: 'DELETE FROM account_link WHERE account IS NOT DISTINCT FROM $1', params: [account] },
    {
      sql: "INSERT INTO account_link (token_hash, account, ends_ms) VALUES (decode($1, 'hex'), $2, $3)",
      params: [tokenHash, account, endsMs],
    },
  ]);

/** @returns whom it belongs to (null: the first administrator); undefined where it is unknown, used or over */
export async function findAccountLink(
  database: Database,
  tokenHash: string,
  nowMs: number,
): Promise<{ account: number | null } | undefined> {
  const [row] = await database.query<{ account: number | null }>(
    "SELECT account FROM account_link WHERE token_hash = decode($1, 'hex') AND ends_ms > $2",
    [tokenHash, nowMs],
  );
  return row;
}

/** @returns false when somebody else has used it in the meantime */
export async function spendAccountLink(database: Database, tokenHash: string): Promise<boolean> {
  const rows = await database.query(
    "DELETE FROM account_link WHERE token_hash = decode($1, 'hex') RETURNING token_hash",
    [tokenHash],
  );
  return rows.length > 0;
}

export interface Failures {
  failures: number;
  lastMs: number;
}

export async function loadFailures(database: Database, tried: string): Promise<Failures> {
  const [row] = await database.query<Failures>(
    'SELECT failures, last_ms::float8 AS "lastMs" FROM sign_in_failure WHERE tried = $1',
    [tried],
  );
  return row ?? { failures: 0, lastMs: 0 };
}

export const addFailure = (database: Database, tried: string, nowMs: number): Promise<unknown> =>
  database.query(
    `INSERT INTO sign_in_failure (tried, failures, last_ms) VALUES ($1, 1, $2)
     ON CONFLICT (tried) DO UPDATE SET failures = sign_in_failure.failures + 1, last_ms = excluded.last_ms`,
    [tried, nowMs],
  );

export const forgetFailures = (database: Database, tried: string): Promise<unknown> =>
  database.query('DELETE FROM sign_in_failure WHERE tried = $1', [tried]);

/** Of what ended before this moment nothing is kept: sessions, links, failures. */
export const dropOldSignIns = (database: Database, beforeMs: number): Promise<void> =>
  database.transaction([
    { sql: 'DELETE FROM session WHERE ends_ms < $1', params: [beforeMs] },
    { sql: 'DELETE FROM account_link WHERE ends_ms < $1', params: [beforeMs] },
    { sql: 'DELETE FROM sign_in_failure WHERE last_ms < $1', params: [beforeMs] },
  ]);
