import { limitsText, parseLimits } from './limits-text';

const SITES = ['Ostrel', 'Brann', 'Lot 4: North'];

test('what is written reads back, whatever the case, the decimal sign and empty lines', () => {
  expect(parseLimits('ostrel: 2,5\n\n Lot 4: North : 0.8 ', SITES, 'site')).toEqual({
    limits: { Ostrel: 2500, 'Lot 4: North': 800 },
  });
  const limits = [
    { name: 'Brann', limitMs: 1250 },
    { name: 'Lot 4: North', limitMs: 90 },
  ];
  expect(parseLimits(limitsText(limits), SITES, 'site')).toEqual({ limits: { Brann: 1250, 'Lot 4: North': 90 } });
  expect(parseLimits('', SITES, 'site')).toEqual({ limits: {} });
});

test.each([
  ['Ostrel 2.5', 'Line 1: write the site'],
  ['Ostrel: 2\nNowhere: 3', 'Line 2: no site is called “Nowhere”. Known: Ostrel, Brann'],
  ['Brann: soon', 'Line 1: seconds'],
  ['Brann: 0', 'Line 1: seconds'],
  ['Brann: 1\nBrann: 2', 'Line 2: Brann has a limit already'],
])('%j is refused with the line and the way on', (text, error) => {
  expect(parseLimits(text, SITES, 'site')).toEqual({ error: expect.stringContaining(error) as string });
});
