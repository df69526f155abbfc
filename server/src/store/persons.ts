import type { Database } from './database';
import { epochMs } from './time-columns';

/** Ids of persons by their numbers. */
export async function personIds(database: Database, numbers: readonly number[]): Promise<Map<number, string>> {
  const rows = await database.query<{ id: number; value: string }>(
    "SELECT id, value FROM name WHERE id = ANY($1::int[]) AND kind = 'person'",
    [numbers],
  );
  return new Map(rows.map(({ id, value }) => [id, value]));
}

/** Numbers of the persons that are known under one of these ids. */
export async function personNumbers(database: Database, ids: readonly string[]): Promise<number[]> {
  const rows = await database.query<{ id: number }>(
    "SELECT id FROM name WHERE kind = 'person' AND value = ANY($1::text[]) ORDER BY id",
    [ids],
  );
  return rows.map(({ id }) => id);
}

/** Number of a person, and when they were first heard of; `undefined` where they never were. */
export async function personSince(
  database: Database,
  id: string,
): Promise<{ number: number; sinceMs: number } | undefined> {
  const [row] = await database.query<{ number: number; sinceMs: number }>(
    `SELECT id AS number, since_ms::float8 AS "sinceMs" FROM name WHERE kind = 'person' AND value = $1`,
    [id],
  );
  return row;
}

export interface PersonLook {
  atMs: number;
  who: string;
  why: string;
  what: string;
  people: number;
}

export const recordLook = (
  database: Database,
  { who, why, what, people }: Omit<PersonLook, 'atMs'>,
): Promise<unknown> =>
  database.query('INSERT INTO person_look (who, why, what, people) VALUES ($1, $2, $3, $4)', [who, why, what, people]);

/** Looks at persons, newest first. */
export const loadLooks = (database: Database, most: number): Promise<PersonLook[]> =>
  database.query<PersonLook>(
    `SELECT ${epochMs('at')} AS "atMs", who, why, what, people FROM person_look ORDER BY id DESC LIMIT ${most}`,
  );
