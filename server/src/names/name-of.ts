/**
 * The text of a numbered name, in SQL; null for 0. Looked up row by row: joined, the planner may choose to read all
 * names, of which there can be millions, for a handful of rows.
 */
export const nameOf = (column: string): string => `(SELECT value FROM name WHERE id = ${column})`;
