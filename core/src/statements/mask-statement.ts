/** Longest text of a masked statement that is kept, UTF-16 units. */
const LONGEST_SHAPE = 1_000;

/**
 * One token of SQL as far as masking needs it: comments, texts in all of PostgreSQL's quotings, quoted names,
 * parameters, words, numbers, white space, and any other sign by itself. Also fit for the commands of other stores.
 */
const TOKEN =
  /(?<comment>--[^\n]*|\/\*[\s\S]*?(?:\*\/|$))|(?<text>[eEbBxXnN]?'(?:[^'\\]|''|\\[\s\S])*(?:'|$)|\$(?<tag>[A-Za-z_]*)\$[\s\S]*?(?:\$\k<tag>\$|$))|(?<name>"(?:[^"]|"")*(?:"|$)|`[^`]*(?:`|$)|\[[A-Za-z_][\w ]*\])|(?<parameter>\$\d+|\?|(?<!:):[A-Za-z_]\w*|@[A-Za-z_]\w*|%s|%\(\w+\)s)|(?<word>[A-Za-z_\u0080-\uffff][\w$\u0080-\uffff]*)|(?<number>0x[\da-fA-F]+|(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?\w*)|(?<space>\s+)|(?<sign>[\s\S])/gy;

/**
 * The shape of a statement: every value is replaced by `?`, comments go, white space becomes single blanks, and lists
 * of values become one. Statements that differ in their values alone have the same shape, and no value of a person is
 * kept.
 *
 * @param statement as the sender wrote it, maybe cut off
 * @example "SELECT * FROM t WHERE id IN (1, 2, 3) AND name = 'O''Hara'" → "SELECT * FROM t WHERE id IN (?) AND name =
 *   ?"
 */
export function maskStatement(statement: string): string {
  let shape = '';
  let isSpaced = false;
  for (const { groups, 0: token } of statement.matchAll(TOKEN)) {
    if (groups?.comment !== undefined || groups?.space !== undefined) {
      isSpaced = shape !== '';
      continue;
    }
    const isValue = groups?.text !== undefined || groups?.number !== undefined || groups?.parameter !== undefined;
    if (isSpaced) shape += ' ';
    isSpaced = false;
    shape += isValue ? '?' : token;
  }
  return withoutLists(shape.replace(/[;\s]*$/, '')).slice(0, LONGEST_SHAPE);
}

/**
 * Lists of values, and of rows of them, become one: their length is a value too. The sign of a number belongs to it.
 */
function withoutLists(shape: string): string {
  return shape
    .replace(/([=<>(,+*/%]|\b(?:AND|OR|THEN|ELSE|LIMIT|OFFSET|BETWEEN|IN|VALUES|SELECT|WHERE|BY)) ?- ?\?/gi, '$1 ?')
    .replace(/\( \?/g, '(?')
    .replace(/\?(?: ?, ?\?)+/g, '?')
    .replace(/\(\s*\?\s*\)(?: ?, ?\(\s*\?\s*\))+/g, '(?)')
    .replace(/\(\s*\?\s*\)/g, '(?)');
}
