import { parseVariable } from '@toplens/core/watch';
import { readVariable, type Found } from './read-variable';
import { valueWords } from './value-words';

const read = (text: string, value: unknown): string => {
  const variable = parseVariable(text);
  if (!variable) throw new Error(`no variable: ${text}`);
  return valueWords(
    text,
    readVariable(() => value, variable),
  );
};

/** Whatever of it runs has been called by us. */
function trap() {
  let calls = 0;
  const called = () => {
    calls++;
    return 'called';
  };
  class Order {
    total = 12;
    get computed() {
      return called();
    }
    toString() {
      return called();
    }
    toJSON() {
      return called();
    }
    [Symbol.toPrimitive]() {
      return called();
    }
  }
  const order = new Order();
  const proxy = new Proxy(
    {},
    { get: called, has: () => !!called(), ownKeys: () => [called()], getOwnPropertyDescriptor: () => void called() },
  );
  return { order, proxy, calls: () => calls };
}

test.each<[string, unknown, string]>([
  ['a', 7, '7'],
  ['a', -0.5, '-0.5'],
  ['a', 10n, '10n'],
  ['a', 'SPRING10', '"SPRING10"'],
  ['a', undefined, 'undefined'],
  ['a', null, 'null'],
  ['a', Symbol('x'), 'Symbol(x)'],
  ['a', new Date(0), '1970-01-01T00:00:00.000Z'],
  ['a', new Date(NaN), '(no date)'],
  ['a', new Map([[1, 2]]), '(map of 1)'],
  ['a', new Set([1, 2, 3]), '(set of 3)'],
  ['a', new Uint8Array(5), '(5 bytes)'],
  ['a', Promise.resolve(1), '(a promise)'],
  ['a', new TypeError('no surcharge'), '(error no surcharge)'],
  ['a', function weigh() {}, '(function weigh)'],
  ['a', [1, [2, [3]]], '[1, [2, […]]]'],
  ['a', { weight: 31.5, band: { of: { what: 1 } } }, '{weight: 31.5, band: {of: {…}}}'],
  ['a', {}, '{}'],
  ['a.b', { b: { c: 2 } }, '{c: 2}'],
  ['a.b[1]', { b: [4, 5] }, '5'],
  ['a["unit price"]', { 'unit price': 9 }, '9'],
  ['a.length', 'seven', '5'],
  ['a.b.c', { b: null }, '(null has no c)'],
  ['a.b', {}, '(no b)'],
])('%s of %p is told as %s', (text, value, told) => {
  expect(read(text, value)).toBe(told);
});

test('nothing of the service runs by being read', () => {
  const { order, proxy, calls } = trap();
  expect(read('order.computed', order)).toBe('(computed is computed: not read)');
  expect(read('order.total', order)).toBe('12');
  expect(read('order', order)).toBe('{total: 12}');
  expect(read('order', proxy)).toBe('(a proxy)');
  expect(read('order.total', proxy)).toBe('(a proxy: not read)');
  expect(read('order', { inner: proxy })).toBe('{inner: (a proxy)}');
  expect(read('order.total', Object.create(proxy))).toBe('(no total)');
  expect(calls()).toBe(0);
});

test('what is long, deep, wide or turns back on itself is cut', () => {
  expect(read('a', 'x'.repeat(500))).toBe(`"${'x'.repeat(200)}…"`);
  expect(
    read(
      'a',
      Array.from({ length: 40 }, (_, i) => i),
    ),
  ).toBe('[0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, … 28 more]');
  const round: Record<string, unknown> = { name: 'round' };
  round.itself = round;
  expect(read('a', round)).toBe('{name: "round", itself: {name: "round", itself: {…}}}');
  const wide = Object.fromEntries(Array.from({ length: 12 }, (_, i) => [`name${i}`, 'y'.repeat(300)]));
  expect(read('a', wide).length).toBeLessThan(1_010);
});

test('whatever a text holds, it can be stored; of a long list the first places alone are read', () => {
  expect(read('a', { 'x\u0000\ud800': 1 })).toBe('{x \ufffd: 1}');
  // Cut in the middle of a pair.
  expect(read('a', { [`${'k'.repeat(998)}😀`]: 1 })).toMatch(/^\{k{998}\ufffd…$/);
  const many = new Array<number>(3_000_000).fill(7);
  const keys = jest.spyOn(Object, 'keys');
  expect(read('a', many)).toBe(`[${'7, '.repeat(12)}… 2999988 more]`);
  expect(keys).not.toHaveBeenCalledWith(many);
  keys.mockRestore();
  expect(read('a', [1, , 3])).toBe('[1, undefined, 3]');
});

test('secrets never leave the service: by their name, and by what they look like', () => {
  expect(read('password', 'hunter22')).not.toContain('hunter22');
  expect(read('customer', { name: 'x', password: 'hunter22' })).not.toContain('hunter22');
  expect(read('a', { authorization: 'Bearer abcdefgh12345678' })).not.toContain('abcdefgh12345678');
  expect(read('card', '4111 1111 1111 1111')).not.toContain('4111 1111');
});

test('a variable that is not known where the line stands says so', () => {
  const variable = parseVariable('order');
  const found: Found | undefined =
    variable &&
    readVariable(() => {
      throw new ReferenceError('order is not defined');
    }, variable);
  expect(found).toEqual({ why: 'not known at this line' });
});
