/** Stands for what varies in a pattern. */
export const VARIES = '‹…›';

/**
 * What is a value whatever stands around it: quoted texts, addresses, moments, ids, paths, numbers with their units.
 * The longer form comes first. Common practice, no source.
 *
 * What is looked for again from every place has a longest length, so that a line takes time by its length and no more.
 */
const VALUES = new RegExp(
  [
    String.raw`"[^"\n]*"`,
    String.raw`(?<![\w'])'[^'\n]*'(?!\w)`,
    '`[^`\n]*`',
    // What stands behind its key, as in key=value.
    String.raw`(?<=[\w.]=)[^\s,;()[\]{}"'=]+`,
    String.raw`\b[a-z][a-z0-9+.-]{0,20}:\/\/[^\s"'<>),;]+`,
    String.raw`\b[\w.+-]{1,64}@[\w-]{1,63}\.[\w.-]{0,200}\w`,
    String.raw`\b\d{4}-\d\d-\d\d(?:[T ]\d\d:\d\d(?::\d\d(?:[.,]\d+)?)?(?:Z| ?[+-]\d\d:?\d\d)?)?`,
    String.raw`\b\d\d?:\d\d(?::\d\d(?:[.,]\d+)?)?\b`,
    String.raw`\b[0-9a-fA-F]{8}-(?:[0-9a-fA-F]{4}-){3}[0-9a-fA-F]{12}\b`,
    String.raw`\b\d{1,3}(?:\.\d{1,3}){3}(?::\d+)?\b`,
    String.raw`\[?(?:[0-9a-fA-F]{1,4}:){3,}[0-9a-fA-F:]*\]?`,
    String.raw`(?<![\w/])(?:[A-Za-z]:)?(?:[\\/][\w.@~$-]+){2,}[\\/]?`,
    String.raw`\b0x[0-9a-fA-F]+\b`,
    String.raw`\b(?:[0-9A-F]{6,8}|[0-9A-F]{16})\b`,
    String.raw`\b(?=[0-9a-f]*\d)[0-9a-f]{8,}\b`,
    String.raw`(?<![A-Za-z_])[+-]?\d{1,40}(?:[.,/]\d{1,40}){0,8}(?:%|[munµ]?s|min|h|[kKMGT]i?B|B)?(?![A-Za-z_])`,
    // A word with a number in it is a name: host coast-3, order KL17.
    String.raw`\b(?=\w*\d)\w+\b`,
  ].join('|'),
  'g',
);

/** Several values in a row are one: how many there are varies as well. */
const IN_A_ROW = new RegExp(`${VARIES}(?:[\\s,;/:.+-]*${VARIES})+`, 'g');

/** A line with everything that is plainly a value taken out, in one line. */
export function maskLine(body: string): string {
  // Of many lines, a stack trace above all, the first tells what it is.
  const end = body.indexOf('\n');
  return (end < 0 ? body : body.slice(0, end))
    .replace(VALUES, VARIES)
    .replace(IN_A_ROW, VARIES)
    .replace(/\s+/g, ' ')
    .trim();
}
