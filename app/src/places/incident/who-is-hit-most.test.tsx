import { fireEvent, render, screen } from '@testing-library/react';
import { linesOf, mainFigure, rangeWords, WhoIsHitMost } from './who-is-hit-most';
import { incident } from '@/fixtures/incident';

const mockSetView = jest.fn();
jest.mock('@/frame/view', () => ({
  ...jest.requireActual<object>('@/frame/view'),
  useView: () => ({ view: { last: 60, rankBy: 'harm' }, setView: mockSetView, go: jest.fn() }),
}));
beforeEach(() => mockSetView.mockClear());

const segment = {
  dimension: 'promotion' as const,
  value: 'SPRING10',
  all: 80,
  bad: 70,
  people: 41,
  shareOfBad: 0.97,
  shareOfAll: 0.2,
  relativeRisk: 40,
  low: 21,
  high: 80,
  excess: 68,
  by: ['wentWrong' as const, 'left' as const],
  waited: { here: -40, elsewhere: 12, low: -90, high: 10 },
  left: { here: 0.18, elsewhere: 0.06, low: 0.08, high: 0.16 },
  words: 'promotion SPRING10: 97 % of what went wrong',
};

test('of a value all that was measured is told, what it stands out by first, with no more digits than are known', () => {
  expect(linesOf(segment)).toEqual([
    { words: '97 % of what went wrong, 20 % of all · 41 people', standsOut: true },
    { words: '18 % more leave than usual, elsewhere 6 %', standsOut: true },
    { words: 'Waits no longer than usual, elsewhere 12 ms', standsOut: false },
  ]);
  expect(linesOf({ ...segment, by: ['left'], people: 1 }).map(({ words }) => words)[1]).toMatch(/· 1 person$/);
  expect(mainFigure(segment)).toEqual({ ratio: 40, words: '40×', range: '21× to 80×' });
  expect(mainFigure({ ...segment, by: ['left'] })).toEqual({ ratio: 3, words: '3.0× as often', range: '2.3× to 3.7×' });
  expect(mainFigure({ ...segment, by: ['waited'], waited: { here: 9, elsewhere: 0, low: 4, high: 14 } }).words).toBe(
    'nowhere else',
  );
  expect(rangeWords({ low: 31.2, high: 7883 })).toBe('at least 31×');
  expect(rangeWords({ low: 2.2, high: 6.1 })).toBe('2.2× to 6.1×');
});

test('who is hit narrows everything at a tap; nothing, and who never came, is said plainly', () => {
  const { rerender } = render(
    <WhoIsHitMost
      incident={incident({ segments: [segment], ruledOut: [{ dimension: 'site', why: 'noDifference', value: null }] })}
    />,
  );
  expect(
    screen.getByText('No difference by site: attempts go wrong, people wait and people leave alike.'),
  ).toBeTruthy();
  expect(screen.getByText('21× to 80×')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: /SPRING10/ }));
  expect(mockSetView).toHaveBeenCalledWith({ last: 60, rankBy: 'harm', promotion: 'SPRING10' });
  rerender(<WhoIsHitMost incident={incident({ segments: [{ ...segment, relativeRisk: null, high: null }] })} />);
  expect(screen.getByText('nowhere else')).toBeTruthy();
  rerender(<WhoIsHitMost incident={incident({})} />);
  expect(screen.getByText(/Nobody stands out/)).toBeTruthy();
  rerender(<WhoIsHitMost incident={incident({}, 'missing')} />);
  expect(screen.getByText(/cannot be told apart/)).toBeTruthy();
});
