import type { Database, Statement } from './database';

/** A version seen for the first time in an application. */
export interface Release {
  application: string;
  version: string;
  firstMs: number;
}

export const loadReleases = async (database: Database): Promise<Release[]> =>
  database.query<Release>(
    'SELECT application, version, first_ms::float8 AS "firstMs" FROM release ORDER BY first_ms, application, version',
  );

/** Earlier data that comes late moves a release to where it belongs. */
export const saveRelease = ({ application, version, firstMs }: Release): Statement => ({
  sql: `INSERT INTO release (application, version, first_ms) VALUES ($1, $2, $3)
        ON CONFLICT (application, version) DO UPDATE SET first_ms = least(release.first_ms, excluded.first_ms)`,
  params: [application, version, Math.round(firstMs)],
});

/** When each version of an application was first seen, milliseconds. */
export async function firstSeen(database: Database, application: string): Promise<Map<string, number>> {
  const rows = await database.query<{ version: string; firstMs: number }>(
    'SELECT version, first_ms::float8 AS "firstMs" FROM release WHERE application = $1',
    [application],
  );
  return new Map(rows.map(({ version, firstMs }) => [version, firstMs]));
}
