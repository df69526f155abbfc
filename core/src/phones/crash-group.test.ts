import fc from 'fast-check';
import { adjustedRand, labelledCrashes } from './fixtures/labelled-crashes';
import { crashGroupKey, folded, stackFrames } from './index';

const keyOf = ({ type, message, stack }: { type: string; message: string; stack: string }) =>
  crashGroupKey(type, message, stackFrames(stack));

test.each([1, 2, 3])('labelled crashes of seed %i fall into the groups that they came of', (seed) => {
  const crashes = labelledCrashes(seed, 5_000);
  const score = adjustedRand(
    crashes.map(({ label }) => label),
    crashes.map(keyOf),
  );
  // Goal of the design: 0.98.
  expect(score).toBeGreaterThanOrEqual(0.98);
});

test('the measure itself: all alike is 1, chance is about 0, one group for all is 0', () => {
  const labels = Array.from({ length: 400 }, (_, i) => i % 4);
  expect(adjustedRand(labels, labels)).toBe(1);
  expect(adjustedRand(labels, new Array(400).fill(0))).toBe(0);
  expect(
    Math.abs(
      adjustedRand(
        labels,
        labels.map((_, i) => (i * 7919) % 5),
      ),
    ),
  ).toBeLessThan(0.05);
});

test('a new version with moved lines splits no group', () => {
  const byLabel = new Map<number, Set<string>>();
  for (const crash of labelledCrashes(9, 3_000))
    byLabel.set(crash.label, (byLabel.get(crash.label) ?? new Set()).add(keyOf(crash)));
  for (const keys of byLabel.values()) expect(keys.size).toBe(1);
});

test('crashes of one type at different places are two groups, of two types at one place as well', () => {
  const at = (type: string, method: string) =>
    keyOf({ type, message: '', stack: `\tat app.round.Camera.${method}(Camera.kt:1)` });
  expect(new Set([at('A', 'take'), at('A', 'keep'), at('B', 'take')]).size).toBe(3);
});

test('without own code the topmost frames of any count; without frames the message without its values', () => {
  const only = keyOf({ type: 'T', message: 'x', stack: '\tat android.view.View.draw(View.java:3)' });
  expect(only).toBe(keyOf({ type: 'T', message: 'y', stack: '\tat android.view.View.draw(View.java:90)' }));
  expect(keyOf({ type: 'T', message: 'no slot 17', stack: '' })).toBe(
    keyOf({ type: 'T', message: 'no slot 4', stack: '' }),
  );
});

test.each([
  [
    ['a', 'a', 'a', 'b'],
    ['a', 'b'],
  ],
  [
    ['a', 'b', 'a', 'b', 'a', 'b', 'c'],
    ['a', 'b', 'c'],
  ],
  [
    ['x', 'a', 'b', 'c', 'd', 'a', 'b', 'c', 'd'],
    ['x', 'a', 'b', 'c', 'd'],
  ],
  [
    ['a', 'b', 'c'],
    ['a', 'b', 'c'],
  ],
  [[], []],
])('calls that go round count once: %j', (names, expected) => expect(folded(names)).toEqual(expected));

test('folding ends, loses no name, and makes one round of however many', () => {
  fc.assert(
    fc.property(
      fc.array(fc.constantFrom('a', 'b', 'c'), { maxLength: 60 }),
      fc.integer({ min: 2, max: 50 }),
      (names, n) => {
        const kept = folded(names);
        expect(new Set(kept)).toEqual(new Set(names));
        expect(kept.length).toBeLessThanOrEqual(names.length);
        const round = ['x', ...names.slice(0, 3)];
        expect(folded(new Array<string[]>(n).fill(round).flat()).length).toBeLessThanOrEqual(round.length);
      },
    ),
  );
});
