import type { Settings } from '../settings/settings';
import { SettingsBook, type SettingChange } from '../settings/settings-book';
import { usableChanges } from '../settings/try-change';
import type { Database } from './database';
import { epochMs } from './time-columns';

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
const COLUMNS = `id::int AS id, ${epochMs('at')} AS at_ms, from_ms::float8 AS from_ms, who, key, value, undoes::int AS undoes`;

export const loadChanges = async (database: Database): Promise<SettingChange[]> =>
  (await database.query<Row>(`SELECT ${COLUMNS} FROM setting_change ORDER BY id`)).map(toChange);

/** What people decided: the file, with every change that can be used. */
export const readBook = async (database: Database, file: Settings): Promise<SettingsBook> =>
  new SettingsBook(file, usableChanges(file, await loadChanges(database)));

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
