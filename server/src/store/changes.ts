import type { ChangeKind } from '@toplens/core/telemetry';
import type { Window } from '@toplens/core/time';
import type { Database } from './database';

export interface StoredChange {
  kind: ChangeKind;
  component: string;
  atMs: number;
  title: string;
  by: string;
}

/** Changes that were told of some components (or of applications, under the same column), in order of time. */
export async function changesOf(
  database: Database,
  components: readonly string[],
  { fromMs, toMs }: Window,
): Promise<StoredChange[]> {
  return database.query<StoredChange>(
    `SELECT kind, component, at_us::float8 / 1000 AS "atMs", title, by FROM change_event
      WHERE component = ANY($1::text[]) AND at_us >= $2 AND at_us < $3 ORDER BY at_us, id`,
    [components, Math.floor(fromMs * 1000), Math.ceil(toMs * 1000)],
  );
}

/** Components of which a change was told, or of which a version was first seen, in a window. */
export async function changedComponents(database: Database, { fromMs, toMs }: Window): Promise<string[]> {
  const rows = await database.query<{ component: string }>(
    `SELECT component FROM change_event WHERE at_us >= $1 AND at_us < $2
      UNION SELECT component FROM component_version WHERE first_us >= $1 AND first_us < $2
      ORDER BY component`,
    [Math.floor(fromMs * 1000), Math.ceil(toMs * 1000)],
  );
  return rows.map(({ component }) => component);
}

/** All changes that were told in a window, newest first, so many at most. */
export const changesIn = (
  database: Database,
  { fromMs, toMs }: Window,
  most: number,
): Promise<(StoredChange & { id: string })[]> =>
  database.query<StoredChange & { id: string }>(
    `SELECT id::text AS id, kind, component, at_us::float8 / 1000 AS "atMs", title, by FROM change_event
      WHERE at_us >= $1 AND at_us < $2 ORDER BY at_us DESC, id LIMIT $3`,
    [Math.floor(fromMs * 1000), Math.ceil(toMs * 1000), most],
  );
