import { basisWords } from './money-list';
import { backWords, figureLines, lostWords, type Revenue } from './money-words';

jest.mock('@/data/journeys', () => ({}));
jest.mock('@/frame/view', () => ({}));
jest.mock('@/frame/door', () => ({}));

const figure = (
  value: number | null,
  {
    expected,
    low,
    high,
    verdict,
  }: { expected: number | null; low: number | null; high: number | null; verdict: Revenue['orders']['verdict'] },
) => ({
  value,
  expected,
  low,
  high,
  verdict,
});
const revenue = (more: Partial<Revenue> = {}): Revenue => ({
  flow: 4,
  kind: 'work',
  name: 'Pay',
  application: 'Sender Portal',
  start: 'Rate a parcel',
  journey: '1-4',
  days: 9,
  lost: { estimate: 3100, low: 1900, high: 4400 },
  orders: figure(612, { expected: 880, low: 760, high: 1010, verdict: 'below' }),
  value: figure(7300, { expected: 10_400, low: 9200, high: 11_700, verdict: 'below' }),
  size: figure(11.93, { expected: 11.8, low: 11.1, high: 12.6, verdict: 'usual' }),
  conversion: figure(0.31, { expected: 0.44, low: 0.41, high: 0.47, verdict: 'below' }),
  ...more,
});

test('figures with what is usual, the fallen ones apart', () => {
  expect(figureLines(revenue(), 'EUR').map(({ words, isOff }) => [words, isOff])).toEqual([
    ['612 orders, usually 760 to 1,010: below', true],
    ['value €7,300, usually €9,200 to €11,700: below', true],
    ['each €11.93, usually €11.10 to €12.60', false],
    ['31 % of those who began, usually 41 % to 47 %: below', true],
  ]);
  const insured = revenue({
    kind: 'businessEvent',
    value: figure(0, { expected: null, low: null, high: null, verdict: 'notKnown' }),
  });
  expect(figureLines(insured, 'EUR').map(({ words }) => words)).toEqual(['612 times, usually 760 to 1,010: below']);
  expect(lostWords(revenue(), 'EUR')).toBe('€3,100 less than usual (€1,900 to €4,400)');
  expect(lostWords(revenue({ lost: { estimate: 0, low: 0, high: 0 } }), 'EUR')).toBeUndefined();
});

test('what is not known is not told as zero', () => {
  const none = figure(null, { expected: null, low: null, high: null, verdict: 'notKnown' });
  expect(
    figureLines(
      revenue({
        size: none,
        conversion: none,
        orders: figure(3, { expected: null, low: null, high: null, verdict: 'notKnown' }),
      }),
      'EUR',
    ).map(({ words }) => words),
  ).toEqual(['3 orders', 'value €7,300, usually €9,200 to €11,700: below']);
  expect(basisWords(revenue({ days: 2, start: null }))).toBe(
    'Sender Portal · 2 like days are known: too few to say what is usual',
  );
  expect(basisWords(revenue())).toBe(
    'Sender Portal · against the same hours of 9 like days · begun with Rate a parcel',
  );
});

test('back in full, in part, or not to be said', () => {
  expect(backWords(revenue(), 'EUR')).toBe('Pay: back in part, 70 % of the usual orders, €7,300.');
  expect(
    backWords(revenue({ orders: figure(860, { expected: 880, low: 760, high: 1010, verdict: 'usual' }) }), 'EUR'),
  ).toBe('Pay: back in full, 98 % of the usual orders, €7,300.');
  expect(
    backWords(revenue({ orders: figure(5, { expected: null, low: null, high: null, verdict: 'notKnown' }) }), 'EUR'),
  ).toMatch(/too little is known/);
});
