import { sideOf } from './swipe-row';

const act = () => undefined;
const both = { right: { words: 'Send', act }, left: { words: 'Set aside', act } };

test('letting go acts only beyond half of the way, and only where there is something to do', () => {
  expect([0, 60, -60, 109, -109].map((dx) => sideOf(dx, both))).toEqual(Array(5).fill(undefined));
  expect([110, -110, 300].map((dx) => sideOf(dx, both))).toEqual(['right', 'left', 'right']);
  expect(sideOf(200, { left: both.left })).toBeUndefined();
});
