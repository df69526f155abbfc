import { FairColumns } from './index';

test('all rows while there is room; then an even share of all that came', () => {
  const few = new FairColumns(['a', 'b'], 100);
  for (let i = 0; i < 99; i++) few.add({ a: i, b: -i });
  expect(few.columns.a).toHaveLength(99);
  expect(few.columns.b[98]).toBe(-98);
  expect(few.share).toBe(1);

  const many = new FairColumns(['a'], 100);
  for (let i = 0; i < 10_000; i++) many.add({ a: i });
  const { a } = many.columns;
  expect(a.length).toBeLessThan(100);
  expect(a.length).toBeGreaterThanOrEqual(50);
  expect(many.share).toBe(1 / 128);
  expect(a.every((value, i) => value === i * 128)).toBe(true);
});
