import { maskLine } from '../logs';
import { lineReader } from '../money';
import { withoutValues } from '../pages';
import { maskStatement } from '../statements';
import { placeOfStack, withoutQuery } from './index';

/**
 * Texts made to keep an expression busy: what foreign text meets must take time by its length and no more. Work is
 * compared with itself at an eighth of the length, so that a slow machine changes nothing: linear is 8 times, quadratic
 * 64, cubic 512. A machine that is busy with something else makes 8 to 24.
 */
const LINEAR = 40;

const MADE: readonly [what: string, text: (length: number) => string][] = [
  ['dots and letters', (n) => 'a.'.repeat(n / 2)],
  ['one long word', (n) => 'a'.repeat(n)],
  ['a call that never opens', (n) => `at ${'a.'.repeat(n / 2)}`],
  ['a call of brackets', (n) => `at ${'a(a.'.repeat(n / 4)}`],
  ['a call of colons', (n) => `at a (${'a:1'.repeat(n / 3)}`],
  ['a call of spaces', (n) => `at ${'a '.repeat(n / 2)}(`],
  ['files in a call', (n) => `at a() in ${'a:line '.repeat(n / 7)}`],
  ['a frame of Python', (n) => `File "${'", line 1'.repeat(n / 9)}`],
  ['numbers that end in a letter', (n) => `${'1.'.repeat(n / 2)}x`],
  ['digits that end in a letter', (n) => `${'1'.repeat(n)}x`],
  ['an address that never ends', (n) => `${'a@a.'.repeat(n / 4)}@`],
  ['schemes', (n) => 'a+'.repeat(n / 2)],
  ['quotes', (n) => `'a`.repeat(n / 2)],
  ['paths', (n) => '/a a'.repeat(n / 4)],
  ['hexadecimal', (n) => 'ab:'.repeat(n / 3)],
  ['comments that never end', (n) => '/*'.repeat(n / 2)],
  ['dollar quotes', (n) => '$a$'.repeat(n / 3)],
  ['lists that never end', (n) => '(1,'.repeat(n / 3)],
  ['placeholders', (n) => '?,'.repeat(n / 2)],
  ['dashes', (n) => '- '.repeat(n / 2)],
  ['question marks and a line break', (n) => `${'?'.repeat(n)}\n`],
];
const readLine = lineReader([
  { name: 'Booked', pattern: '*{person}a{session}a{tier}a{region}a{site}a{promotion}x' },
  { name: 'Paid', pattern: '{amount} {currency}*a{person}' },
]);

const readStars = lineReader([{ name: 'Done', pattern: '* a * a * {person} {tier} done' }]);

const READERS: readonly [name: string, read: (text: string) => unknown][] = [
  ['placeOfStack', placeOfStack],
  ['maskLine', maskLine],
  ['withoutQuery', withoutQuery],
  ['withoutValues', withoutValues],
  ['a pattern of business events', (text) => readLine('shop', text.slice(0, 2_000))],
  ['a pattern of stars', (text) => readStars('shop', text.slice(0, 2_000))],
  ['maskStatement', maskStatement],
];

function fastest(work: () => unknown): number {
  let best = Infinity;
  for (let round = 0; round < 5; round++) {
    const begun = performance.now();
    work();
    best = Math.min(best, performance.now() - begun);
  }
  return best;
}

describe.each(READERS)('%s', (_name, read) => {
  test.each(MADE)('reads %s in time', (_what, text) => {
    const [short, long] = [text(2_000), text(16_000)];
    const floorMs = 5;
    expect(fastest(() => read(long))).toBeLessThan(
      LINEAR *
        Math.max(
          floorMs,
          fastest(() => read(short)),
        ),
    );
  });
});
