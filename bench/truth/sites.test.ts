import { scoreSites } from './sites';

test('in invented companies the first blame is right in nine of ten, and false in two of a hundred at most', () => {
  const { companies, troubled, right, falsely } = scoreSites(1001, 1120);
  expect(companies).toBe(120);
  expect(right / troubled).toBeGreaterThanOrEqual(0.9);
  expect(falsely / (companies - troubled)).toBeLessThanOrEqual(0.06);
});
