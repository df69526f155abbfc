/** How lines of a log tell of business events: "order * booked, total {amount} {currency}". */
export interface LineRule {
  /** of the event */
  name: string;
  /** whose lines; everybody's without it */
  component?: string | undefined;
  /** of the whole line: `*` for anything, and places for what is read */
  pattern: string;
}

export interface LineMatch {
  name: string;
  amount: number | undefined;
  texts: Partial<Record<'currency' | 'person' | 'session' | 'tier' | 'region' | 'site' | 'promotion', string>>;
}

/** Places that take a word: up to a blank, a comma, a semicolon, or what the text behind the place begins with. */
const WORDS: ReadonlySet<string> = new Set(['person', 'session', 'tier', 'region', 'site', 'promotion']);
/** Places that take a decimal number, and a currency code of ISO 4217. */
const OTHERS: Readonly<Record<string, string>> = { amount: String.raw`[+-]?\d+(?:\.\d+)?`, currency: '[A-Z]{3}' };
const PLACES = [...Object.keys(OTHERS), ...WORDS];

const escaped = (text: string) => text.replace(/[.+?^${}()|[\]\\]/g, '\\$&');

/**
 * What stands between the stars of a pattern, each as an expression of its own: they are looked for one behind the
 * other. A word ends where the text behind it may begin, so nothing is tried twice, and a line is read in time whatever
 * stands in it.
 *
 * @throws RangeError naming the place that is not known, is there twice, or touches another one
 */
export function linePattern(pattern: string): RegExp[] {
  const seen = new Set<string>();
  const placed = (part: string, i: number, parts: string[]) => {
    const name = /^\{(\w+)\}$/.exec(part)?.[1];
    if (name === undefined) return escaped(part);
    if (!PLACES.includes(name))
      throw new RangeError(`{${name}}: expected one of ${PLACES.map((known) => `{${known}}`).join(', ')}`);
    if (seen.has(name)) throw new RangeError(`{${name}}: is there twice`);
    seen.add(name);
    const behind = parts[i + 1] ?? '';
    if (behind === '' && i + 2 < parts.length)
      throw new RangeError(`{${name}}: touches the place behind it; put a text between them`);
    const end = behind.slice(0, 1).replace(/[\^\]\\-]/, '\\$&');
    return `(?<${name}>${OTHERS[name] ?? String.raw`[^\s,;${end}]+`})`;
  };
  const segments = pattern.split('*').map((segment) =>
    segment
      .split(/(\{\w+\})/)
      .map(placed)
      .join(''),
  );
  return segments.map(
    (segment, i) => new RegExp(`${i === 0 ? '^' : ''}${segment}${i === segments.length - 1 ? '$' : ''}`, 'g'),
  );
}

/** What the places of a pattern hold in a line; `undefined` when the line is another. */
function placesIn(pattern: readonly RegExp[], line: string): Record<string, string> | undefined {
  const places: Record<string, string> = {};
  let at = 0;
  for (const segment of pattern) {
    segment.lastIndex = at;
    const found = segment.exec(line);
    if (!found) return undefined;
    Object.assign(places, found.groups);
    at = found.index + found[0].length;
  }
  return places;
}

/** Longer lines are no such lines: none is searched for long. */
const LONGEST_LINE = 2_000;

/** Reads lines by rules; the first that fits counts. @throws RangeError as `linePattern` */
export function lineReader(rules: readonly LineRule[]): (component: string, line: string) => LineMatch | undefined {
  const known = rules.map((rule) => ({ ...rule, pattern: linePattern(rule.pattern) }));
  return (component, line) => {
    if (line.length > LONGEST_LINE) return undefined;
    for (const rule of known) {
      if (rule.component !== undefined && rule.component !== component) continue;
      const found = placesIn(rule.pattern, line);
      if (!found) continue;
      const { amount, ...texts } = found;
      return { name: rule.name, amount: amount === undefined ? undefined : Number(amount), texts };
    }
    return undefined;
  };
}
