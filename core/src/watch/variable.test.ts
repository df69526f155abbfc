import fc from 'fast-check';
import { LONGEST_VARIABLE, parseVariable } from './variable';

test.each([
  ['order', { root: 'order', steps: [] }],
  ['this.items[0].price', { root: 'this', steps: ['items', 0, 'price'] }],
  ['order["unit price"].of', { root: 'order', steps: ['unit price', 'of'] }],
  ['$größe._a', { root: '$größe', steps: ['_a'] }],
  ['order.new', { root: 'order', steps: ['new'] }],
])('%s is a variable', (text, variable) => {
  expect(parseVariable(text)).toEqual(variable);
});

test.each([
  '',
  ' order',
  'order ',
  'f()',
  'order.total()',
  'a+b',
  'a=1',
  'a++',
  'a?.b',
  'a[b]',
  'a[-1]',
  "a['b']",
  'a["b',
  'a["\\""]',
  'a["x"]]',
  'a..b',
  'a.',
  'a,b',
  'a;b',
  '`a`',
  'new',
  'delete',
  'await',
  'import.meta',
  'a\n.b',
  '1',
  '"a"',
  'a'.repeat(LONGEST_VARIABLE + 1),
])('%j is none', (text) => {
  expect(parseVariable(text)).toBeUndefined();
});

test('what is read as a variable is one of JavaScript, and nothing but one', () => {
  const name = fc.stringMatching(/^[a-z_$][\w$]{0,6}$/);
  const step = fc.oneof(
    name.map((one) => `.${one}`),
    fc.nat(99).map((one) => `[${one}]`),
    fc.stringMatching(/^[\w .-]{0,8}$/).map((one) => `["${one}"]`),
  );
  let read = 0;
  fc.assert(
    fc.property(name, fc.array(step, { maxLength: 5 }), fc.string({ maxLength: 8 }), (root, steps, rest) => {
      const text = `${root}${steps.join('')}`;
      const variable = parseVariable(text);
      if (variable === undefined) return;
      read++;
      expect(variable.steps).toHaveLength(steps.length);
      // Written out again by another way, it goes to the same place.
      const again = `${variable.root}${variable.steps.map((one) => `[${JSON.stringify(one)}]`).join('')}`;
      const world = new Proxy({}, { get: (_all, asked) => pathOf([asked]) });
      const at = (code: string) =>
        // eslint-disable-next-line @typescript-eslint/no-implied-eval, @typescript-eslint/no-unsafe-call -- what is code is told by the engine itself
        String(new Function('world', `with (world) { return String(${code}) }`)(inside(world)));
      expect(at(text)).toBe(at(again));
      const more = parseVariable(`${text}${rest}`);
      if (more) expect(more.root.startsWith(variable.root)).toBe(true);
    }),
    { seed: 7 },
  );
  expect(read).toBeGreaterThan(50);
});

/** Anything that is asked of it is told by the way to it. */
function pathOf(path: readonly PropertyKey[]): object {
  return new Proxy(
    {},
    {
      get: (_all, asked) =>
        asked === Symbol.toPrimitive ? () => JSON.stringify(path.map(String)) : pathOf([...path, asked]),
    },
  );
}

/** Of a `with`: every name is its own. */
const inside = (world: object): object =>
  new Proxy(world, {
    has: (_all, name) => name !== 'String',
    get: (all, name) => (name === Symbol.unscopables ? undefined : (Reflect.get(all, name) as unknown)),
  });
