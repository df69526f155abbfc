import { meanDifference, shareDifference } from './index';

test('Newcombe 1998, his example a: 56 of 70 against 48 of 80, method 10; more digits by hand', () => {
  const found = shareDifference([56, 70], [48, 80]);
  expect(found?.estimate).toBeCloseTo(0.2, 12);
  expect(found?.low).toBeCloseTo(0.0524314724, 10);
  expect(found?.high).toBeCloseTo(0.333872654, 10);
  expect(shareDifference([0, 0], [1, 2])).toBeUndefined();
});

test('R `t.test(extra ~ group, data = sleep)`: the help page of the data of Student 1908', () => {
  const first = [0.7, -1.6, -0.2, -1.2, -0.1, 3.4, 3.7, 0.8, 0.0, 2.0];
  const second = [1.9, 0.8, 1.1, 0.1, -0.1, 4.4, 5.5, 1.6, 4.6, 3.4];
  const found = meanDifference(first, second);
  expect(found?.estimate).toBeCloseTo(-1.58, 12);
  expect(found?.low).toBeCloseTo(-3.365483230712, 10);
  expect(found?.high).toBeCloseTo(0.205483230712, 10);
  expect(meanDifference([1], [1, 2])).toBeUndefined();
  expect(meanDifference([2, 2], [1, 1])).toEqual({ estimate: 1, low: 1, high: 1 });
});
