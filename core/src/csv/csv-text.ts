/** null: an empty cell */
export type Cell = string | number | null;

/**
 * Rows as CSV (RFC 4180: CRLF behind each row, cells quoted where they must be). A text that a spreadsheet would take
 * for a formula gets an apostrophe in front; numbers stay as they are.
 *
 * @example csvText([['a', 1], ['x,"y"', null]]) // 'a,1\r\n"x,""y""",\r\n'
 */
export const csvText = (rows: readonly (readonly Cell[])[]): string =>
  rows.map((row) => row.map(cellText).join(',')).join('\r\n') + '\r\n';

function cellText(cell: Cell): string {
  if (cell === null) return '';
  if (typeof cell === 'number') return String(cell);
  const safe = /^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell;
  return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
}
