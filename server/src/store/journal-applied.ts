import type { Database, Statement } from './database';

/** A place in the journal. */
interface Mark {
  segment: number;
  offset: number;
}

/** How far the journal is applied, as the database says; `undefined` when nothing of it is. */
export async function loadApplied(database: Pick<Database, 'query'>): Promise<Mark | undefined> {
  const [mark] = await database.query<Mark>(
    'SELECT segment::float8 AS segment, byte_offset::float8 AS "offset" FROM journal_applied',
  );
  return mark;
}

/** To be run in the transaction that applies it. */
export const appliedUpTo = ({ segment, offset }: Mark): Statement => ({
  sql: `INSERT INTO journal_applied (segment, byte_offset) VALUES ($1, $2)
          ON CONFLICT (one) DO UPDATE SET segment = excluded.segment, byte_offset = excluded.byte_offset`,
  params: [segment, offset],
});
