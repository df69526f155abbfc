import type { SettingChange } from '../settings/settings-book';
import type { Database } from './database';

interface Row {
  id: number;
  at_ms: number;
  from_ms: number;
  who: string;
  key: string;
  value: unknown;
  undoes: number | null;
}

const toChange = ({ at_ms, from_ms, ...rest }: Row): SettingChange => ({ ...rest, atMs: at_ms, fromMs: from_ms });
const COLUMNS = `id::int AS id, (extract(epoch FROM at) * 1000)::float8 AS at_ms, from_ms::float8 AS from_ms, who, key, value, undoes::int AS undoes`;

export const loadChanges = async (database: Database): Promise<SettingChange[]> =>
  (await database.query<Row>(`SELECT ${COLUMNS} FROM setting_change ORDER BY id`)).map(toChange);

export async function insertChange(
  database: Database,
  change: { who: string; key: string; fromMs: number; value: unknown; undoes?: number },
): Promise<SettingChange> {
  const [row] = await database.query<Row>(
    `INSERT INTO setting_change (who, key, from_ms, value, undoes) VALUES ($1, $2, $3, $4, $5) RETURNING ${COLUMNS}`,
    [
      change.who,
      change.key,
      Math.round(change.fromMs),
      change.value === null ? null : JSON.stringify(change.value),
      change.undoes ?? null,
    ],
  );
  return toChange(row as Row);
}
