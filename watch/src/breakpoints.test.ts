import { MOST_PASSES_A_SECOND, type WatchPoint } from '@toplens/core/watch';
import { Breakpoints } from './breakpoints';

/** Runs a script as if it lay there; its functions become global. */
const load = (file: string, lines: readonly string[]): void => {
  (0, eval)(`${lines.join('\n')}\n//# sourceURL=file:///srv/app/${file}`);
};
const call = <T>(name: string, ...args: unknown[]): T =>
  (globalThis as unknown as Record<string, (...given: unknown[]) => T>)[name]?.(...args) as T;

let id = 0;
const point = (change: Partial<WatchPoint>): WatchPoint => ({
  id: ++id,
  file: 'src/price.js',
  line: 3,
  variables: ['weight'],
  most: 10,
  ...change,
});

let passes: { point: number; values: unknown[] }[] = [];
let breakpoints: Breakpoints;
const soon = () => new Promise((resolve) => setImmediate(resolve));

beforeEach(() => {
  passes = [];
  breakpoints = new Breakpoints((at, roots) => {
    passes.push({
      point: at,
      values: roots.map((root) => {
        try {
          return root();
        } catch (error) {
          return (error as Error).name;
        }
      }),
    });
  });
});
afterEach(async () => {
  breakpoints.close();
  await soon();
});

load('src/price.js', [
  'function surcharge(weight) {',
  '  const band = Math.floor(weight / 5);',
  '  const added = band * 2;',
  '',
  '  return added;',
  '}',
]);

test('a line is read as it is passed, before it runs, and the service goes on', () => {
  const at = point({ variables: ['weight', 'band', 'added', 'nowhere'] });
  breakpoints.set(at);
  expect(breakpoints.places.get(at.id)).toMatchObject({ state: 'set', line: 3 });
  expect(call('surcharge', 31)).toBe(12);
  expect(passes).toEqual([{ point: at.id, values: [31, 6, undefined, 'ReferenceError'] }]);
  breakpoints.forget(at.id);
  expect(call('surcharge', 31)).toBe(12);
  expect(passes).toHaveLength(1);
});

test('a line without code is read at the next one that has some, and says so', () => {
  const at = point({ line: 4, variables: ['added'] });
  breakpoints.set(at);
  expect(breakpoints.places.get(at.id)).toMatchObject({ state: 'set', line: 5 });
  call('surcharge', 10);
  expect(passes).toEqual([{ point: at.id, values: [4] }]);
});

test('a file that is loaded later is read from then on', async () => {
  const at = point({ file: 'src/later.js', line: 1, variables: ['n'] });
  breakpoints.set(at);
  expect(breakpoints.places.get(at.id)).toMatchObject({ state: 'notLoaded' });
  load('src/later.js', ['function later(n) { return n + 1; }']);
  await soon();
  expect(breakpoints.places.get(at.id)).toMatchObject({ state: 'set', line: 1 });
  expect(call('later', 2)).toBe(3);
  expect(passes).toEqual([{ point: at.id, values: [2] }]);
  // The end of another name is another file.
  const other = point({ file: 'ater.js', line: 1 });
  breakpoints.set(other);
  expect(breakpoints.places.get(other.id)).toMatchObject({ state: 'notLoaded' });
});

test('two points at one line are both read', () => {
  const [a, b] = [point({}), point({ variables: ['band'] })];
  breakpoints.set(a);
  breakpoints.set(b);
  call('surcharge', 10);
  expect(passes).toEqual([
    { point: a.id, values: [10] },
    { point: b.id, values: [2] },
  ]);
  expect([...breakpoints.places.values()].map(({ state }) => state)).toEqual(['set', 'set']);
});

test('a line that is passed all the time is let go at once, within its own loop', () => {
  load('src/loop.js', [
    'function loop(n) {',
    '  let sum = 0;',
    '  for (let i = 0; i < n; i++)',
    '    sum += i % 7;',
    '  return sum;',
    '}',
  ]);
  const unwatched = call('loop', 100_000);
  const at = point({ file: 'src/loop.js', line: 4, variables: ['i'], most: 500 });
  breakpoints.set(at);
  expect(call('loop', 100_000)).toBe(unwatched);
  expect(passes).toHaveLength(MOST_PASSES_A_SECOND);
  expect(breakpoints.places.get(at.id)).toMatchObject({ state: 'tooOften' });
});

test('the one who reads may let go while the line is passed', async () => {
  const at = point({});
  const once = new Breakpoints((which) => {
    passes.push({ point: which, values: [] });
    once.release(which, 'done');
  });
  once.set(at);
  for (let i = 0; i < 5; i++) expect(call('surcharge', 31)).toBe(12);
  await soon();
  expect(call('surcharge', 31)).toBe(12);
  expect(passes).toHaveLength(1);
  expect(once.places.get(at.id)).toMatchObject({ state: 'done' });
  once.close();
});

test('a fault of whoever reads is nothing to the service', () => {
  const faulty = new Breakpoints(() => {
    throw new Error('a fault');
  });
  faulty.set(point({}));
  expect(call('surcharge', 31)).toBe(12);
  faulty.close();
});

test('whatever is no variable is refused, whoever asks for it', () => {
  for (const text of ['process.exit()', 'weight=0', '(()=>{weight=0})()', 'weight],(weight=0),[weight']) {
    const at = point({ variables: [text] });
    breakpoints.set(at);
    expect(breakpoints.places.get(at.id)).toMatchObject({ state: 'refused' });
  }
  expect(call('surcharge', 31)).toBe(12);
  expect(passes).toEqual([]);
});
