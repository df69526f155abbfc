import { maskLine, VARIES } from './mask-line';

/** Lines that say the same, but for their values. */
export interface MinedPattern {
  /** words of the pattern, with {@link VARIES} where lines differ */
  text: string;
  count: number;
}

export interface Mined {
  /** most lines first; of as many, in order of their texts */
  patterns: MinedPattern[];
  /** of each line, its pattern */
  of: Int32Array;
}

/** Lines that are alike once plain values are taken out. */
interface Form {
  words: readonly string[];
  count: number;
}

/**
 * A word at some place says what a line is when so many lines have it there, and such a share; what fewer have may be a
 * name.
 */
const OFTEN = 4;
const OFTEN_SHARE = 0.01;
/** Lines of a kind share at least so much of their words. */
const ALIKE = 0.5;
/** Patterns that differ in one word only, by so many words, differ in a name; by fewer when they look like names. */
const MANY_WORDS = 40;
const MANY_NAMES = 6;
const FAR_MORE = 10;
const LOOKS_LIKE_NAME = /[\d_./\\@$#-]|[a-z][A-Z]|^[A-Z][a-z]/;

/**
 * Groups lines by what they say. Plain values are taken out first; what is left is told apart word by word: at each
 * step by the place at which the fewest lines have a word of their own. The result depends on the set of lines alone,
 * not on their order.
 *
 * @example ["slot 7 taken by anna", "slot 9 taken by bo", "no slot"] → "slot ‹…› taken by ‹…›" (2), "no slot" (1)
 */
export function minePatterns(bodies: readonly string[]): Mined {
  const forms = new Map<string, Form>();
  const masked = bodies.map(maskLine);
  for (const text of masked) {
    const known = forms.get(text);
    if (known) known.count++;
    else forms.set(text, { words: text.split(' '), count: 1 });
  }
  const byLength = new Map<number, Form[]>();
  for (const text of [...forms.keys()].sort()) {
    const form = forms.get(text) as Form;
    const same = byLength.get(form.words.length);
    if (same) same.push(form);
    else byLength.set(form.words.length, [form]);
  }
  const groups: Form[][] = [];
  for (const same of byLength.values()) tellApart(same, new Set(), groups);
  return numbered(joinNames(groups), masked, forms);
}

/** @param settled places at which all forms agree, or at which none has a word that many have */
function tellApart(forms: readonly Form[], settled: ReadonlySet<number>, groups: Form[][]): void {
  if (forms.length === 1) {
    groups.push([...forms]);
    return;
  }
  const place = clearestPlace(forms, settled);
  if (!place) {
    groups.push(...alike(forms));
    return;
  }
  /** by word; those that few have, together under none */
  const parts = new Map<string | undefined, Form[]>();
  for (const form of forms) {
    const word = form.words[place.at] as string;
    const key = place.often.has(word) ? word : undefined;
    const part = parts.get(key);
    if (part) part.push(form);
    else parts.set(key, [form]);
  }
  const inside = new Set([...settled, place.at]);
  // Among the others a word may be frequent that was not before.
  for (const [word, part] of parts) tellApart(part, word === undefined ? settled : inside, groups);
}

/** The place at which the fewest lines have a word that few others have there. */
function clearestPlace(
  forms: readonly Form[],
  settled: ReadonlySet<number>,
): { at: number; often: ReadonlySet<string> } | undefined {
  const { length } = (forms[0] as Form).words;
  let best: { at: number; often: ReadonlySet<string>; seldom: number } | undefined;
  for (let at = 0; at < length; at++) {
    if (settled.has(at)) continue;
    const lines = new Map<string, number>();
    let total = 0;
    for (const { words, count } of forms) {
      lines.set(words[at] as string, (lines.get(words[at] as string) ?? 0) + count);
      total += count;
    }
    if (lines.size === 1) continue;
    const often = new Set(
      [...lines].filter(([, n]) => n >= Math.max(OFTEN, OFTEN_SHARE * total)).map(([word]) => word),
    );
    if (often.size === 0) continue;
    const seldom = total - [...often].reduce((sum, word) => sum + (lines.get(word) as number), 0);
    if (!best || seldom < best.seldom || (seldom === best.seldom && often.size < best.often.size))
      best = { at, often, seldom };
  }
  return best;
}

/** Forms without a word to tell them apart by: those that share most of their words belong together. */
function alike(forms: readonly Form[]): Form[][] {
  const parent = forms.map((_, i) => i);
  const rootOf = (i: number): number => {
    let root = i;
    while (parent[root] !== root) root = parent[root] as number;
    return root;
  };
  for (let i = 0; i < forms.length; i++)
    for (let k = 0; k < i; k++) {
      const [a, b] = [rootOf(i), rootOf(k)];
      if (a !== b && shared(forms[i] as Form, forms[k] as Form) >= ALIKE) parent[Math.max(a, b)] = Math.min(a, b);
    }
  const groups = new Map<number, Form[]>();
  forms.forEach((form, i) => {
    const root = rootOf(i);
    const group = groups.get(root);
    if (group) group.push(form);
    else groups.set(root, [form]);
  });
  return [...groups.values()];
}

/** Share of the words that two forms have in common; values that were taken out say nothing. */
function shared(a: Form, b: Form): number {
  let [same, all] = [0, 0];
  a.words.forEach((word, i) => {
    if (word === VARIES && b.words[i] === VARIES) return;
    all++;
    if (word === b.words[i]) same++;
  });
  return all === 0 ? 1 : same / all;
}

const wordsOf = (group: readonly Form[]): string[] =>
  (group[0] as Form).words.map((word, at) => common(word, group, at));

/** The word at a place if all have it; else what varies, between the signs that all have around it. */
function common(word: string, group: readonly Form[], at: number): string {
  if (group.every(({ words }) => words[at] === word)) return word;
  let [before, after] = [/^[^\p{L}\p{N}‹]*/u.exec(word)?.[0] ?? '', /[^\p{L}\p{N}›]*$/u.exec(word)?.[0] ?? ''];
  for (const { words } of group) {
    while (!words[at]?.startsWith(before)) before = before.slice(0, -1);
    while (!words[at]?.endsWith(after)) after = after.slice(1);
  }
  return before + VARIES + after;
}

interface Group {
  forms: readonly Form[];
  words: readonly string[];
  count: number;
}

const groupOf = (forms: readonly Form[]): Group => ({
  forms,
  words: wordsOf(forms),
  count: forms.reduce((sum, { count }) => sum + count, 0),
});

/** Joins groups that differ in one word alone when that word must be a name. */
function joinNames(groups: readonly Form[][]): Group[] {
  let current = groups.map(groupOf);
  const longest = current.reduce((most, { words }) => Math.max(most, words.length), 0);
  for (let at = 0; at < longest; at++) {
    const byRest = new Map<string, Group[]>();
    for (const group of current) {
      const rest =
        group.words.map((word, i) => (i === at ? VARIES : word)).join(' ') + (group.words.length > at ? '' : '\n');
      const same = byRest.get(rest);
      if (same) same.push(group);
      else byRest.set(rest, [group]);
    }
    current = [...byRest.values()].flatMap((same) => (same.length === 1 ? same : joinedAt(same, at)));
  }
  return current;
}

/** @param same groups that differ at one place alone */
function joinedAt(same: readonly Group[], at: number): readonly Group[] {
  const general = same.find(({ words }) => words[at]?.includes(VARIES));
  const named = same.filter((group) => group !== general);
  const looking = named.filter(({ words }) => LOOKS_LIKE_NAME.test(words[at] as string)).length;
  const areNames = named.length >= MANY_WORDS || (named.length >= MANY_NAMES && looking >= 0.8 * named.length);
  // Beside many that vary, one that came a little more often than the others is still one of them.
  const joined = areNames ? named : named.filter(({ count }) => general && general.count >= FAR_MORE * count);
  if (joined.length === 0) return same;
  return [
    groupOf([...(general?.forms ?? []), ...joined.flatMap(({ forms }) => forms)]),
    ...named.filter((group) => !joined.includes(group)),
  ];
}

const ROW_OF_VALUES = new RegExp(`${VARIES}(?: ${VARIES})+`, 'g');

function numbered(groups: readonly Group[], masked: readonly string[], forms: ReadonlyMap<string, Form>): Mined {
  const byText = new Map<string, Form[]>();
  for (const { forms: own, words } of groups) {
    const text = words.join(' ').replace(ROW_OF_VALUES, VARIES);
    byText.set(text, [...(byText.get(text) ?? []), ...own]);
  }
  const patterns = [...byText]
    .map(([text, own]) => ({ text, own, count: own.reduce((sum, { count }) => sum + count, 0) }))
    .sort((a, b) => b.count - a.count || (a.text < b.text ? -1 : 1));
  const numberOf = new Map(patterns.flatMap(({ own }, i) => own.map((form) => [form, i] as const)));
  return {
    patterns: patterns.map(({ text, count }) => ({ text, count })),
    of: Int32Array.from(masked, (text) => numberOf.get(forms.get(text) as Form) as number),
  };
}
