import { CopiedRows } from './copied-rows';
import type { Database } from './database';

/** What is read of each row, by name: an expression of SQL, and how its value is read. */
export type Selection = Readonly<
  Record<string, { sql: string; read: (rows: CopiedRows) => number | string | Uint8Array }>
>;
export type Selected<S extends Selection> = { [Name in keyof S]: ReturnType<S[Name]['read']> };

/** NaN for NULL */
export const integer = (sql: string) => ({ sql, read: (rows: CopiedRows) => rows.integer() });
/** NaN for NULL */
export const float = (sql: string) => ({ sql, read: (rows: CopiedRows) => rows.float() });
/** '' for NULL */
export const text = (sql: string) => ({ sql, read: (rows: CopiedRows) => rows.text() });
/** a view, not a copy */
export const bytes = (sql: string) => ({ sql, read: (rows: CopiedRows) => rows.binary() });

/**
 * Reads rows without making objects of them: the row that is handed over is the same each time.
 *
 * @param rest what stands behind the selected expressions, from FROM on; it takes no parameters: numbers alone go into
 *   its text
 */
export async function eachSelected<S extends Selection>(
  database: Database,
  selection: S,
  rest: string,
  see: (row: Selected<S>) => void,
): Promise<void> {
  const columns = Object.entries(selection) as [keyof S, S[string]][];
  const copied = await database.copyOut(`SELECT ${columns.map(([, { sql }]) => sql).join(', ')} ${rest}`);
  const row = Object.fromEntries(columns.map(([name]) => [name, 0])) as Selected<S>;
  for (const rows = new CopiedRows(copied); rows.next();) {
    for (const [name, { read }] of columns) row[name] = read(rows) as Selected<S>[keyof S];
    see(row);
  }
}
