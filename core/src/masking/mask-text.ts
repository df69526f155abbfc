// Bounded in every part: a line is read in time whatever stands in it.
/** Numbers of cards, accounts and telephones: nine digits and more, in groups or not. */
const LONG_NUMBER = /(?<![\w-])\+?\d(?:[ -]?\d){8,30}(?![\w-])/g;
/** Shorter ids stand in words that name nobody: they are looked for as words of their own. */
export const SHORTEST_PART = 4;
const WORD = /[\w-]/;

/** Begin of a long number, the rest hidden: enough to match a line with another, too little to name anybody. */
const maskNumber = (number: string): string => `${number.slice(0, 4)}…`;

/**
 * A text from telemetry, as it is kept (see `hideSecrets`), with what may name somebody hidden: these people, and long
 * numbers.
 *
 * @param people ids of whoever the text may name: those who made the attempts that it belongs to
 * @param nameOf what stands for a person instead
 * @example maskText('parcel of sender-00017', ['sender-00017'], () => 'person 3f9a-20c1') // 'parcel of person 3f9a-20c1'
 */
export function maskText(
  text: string,
  people: readonly string[] = [],
  nameOf = (_id: string): string => '[person]',
): string {
  let masked = text;
  for (const id of people)
    if (id.length >= SHORTEST_PART) masked = masked.replaceAll(id, nameOf(id));
    else if (id !== '') masked = withoutWord(masked, id, nameOf(id));
  return masked.replace(LONG_NUMBER, maskNumber);
}

/** Every place where `word` stands by itself becomes `shown`. */
function withoutWord(text: string, word: string, shown: string): string {
  let [done, from] = ['', 0];
  for (let at = text.indexOf(word); at >= 0; at = text.indexOf(word, at + word.length)) {
    if (WORD.test(text[at - 1] ?? '') || WORD.test(text[at + word.length] ?? '')) continue;
    done += text.slice(from, at) + shown;
    from = at + word.length;
  }
  return done + text.slice(from);
}
