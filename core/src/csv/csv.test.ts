import { csvText } from './index';

test('cells are quoted where RFC 4180 asks for it, and rows end as it says', () => {
  expect(
    csvText([
      ['a', 1.5],
      ['x,"y"', null],
      ['two\nlines', -2],
    ]),
  ).toBe('a,1.5\r\n"x,""y""",\r\n"two\nlines",-2\r\n');
});

test.each(['=1+1', '+1', '-1', '@x', '\tx'])('%j is no formula any more', (text) =>
  expect(csvText([[text]])).toBe(`'${text}\r\n`),
);
