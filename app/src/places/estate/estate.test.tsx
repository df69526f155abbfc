import { fireEvent, render, screen } from '@testing-library/react';
import { picketHeight, Pickets } from '@/charts/pickets';
import { badnessOf, groupsOf, isOff, partWords, picketOf, type RunningPart } from './groups';

jest.mock('@/look/icon', () => ({ Icon: () => null }));

const part = (component: string, more: Partial<RunningPart> = {}): RunningPart => ({
  kind: 'service',
  component,
  host: 'north-1',
  application: 'Shop',
  region: 'north',
  team: 'Prices',
  version: '2.1',
  level: 'calm',
  slowness: 1,
  isUsualKnown: true,
  isSudden: false,
  attemptsPerMinute: 20,
  beforePerMinute: 19,
  usualPerMinute: 21.4,
  failing: 0,
  changes: [],
  figures: [],
  ...more,
});

const parts = [
  part('prices', { host: 'mid-2', region: 'mid', level: 'hurting', slowness: 4.1, changes: ['4.1× as long as usual'] }),
  part('prices'),
  part('goods-db', { kind: 'store', host: '', region: '', application: '', version: '' }),
  part('rate-office', { kind: 'outside', host: '', region: '', application: '', version: '', team: '' }),
  part('old-web', {
    region: '',
    version: '',
    level: 'silent',
    slowness: null,
    attemptsPerMinute: 0,
    changes: ['no attempts at all'],
  }),
];

test('the same parts are grouped by whatever is asked for; what is not reported stands last', () => {
  const names = (by: Parameters<typeof groupsOf>[1]) =>
    groupsOf(parts, by).map(({ name, parts: own }) => `${name} ${own.length}`);
  expect(names('region')).toEqual(['mid 1', 'north 1', 'stores 1', 'outside services 1', 'zone not reported 1']);
  expect(names('application')).toEqual(['Shop 3', 'stores 1', 'outside services 1']);
  expect(names('team')).toEqual(['Prices 4', 'nobody’s 1']);
  expect(names('version')).toEqual([
    'prices 2.1 2',
    'stores 1',
    'outside services 1',
    'old-web, version not reported 1',
  ]);
});

test('worst first, in words', () => {
  expect(
    [...parts]
      .sort((a, b) => badnessOf(b) - badnessOf(a))
      .map(({ component }) => component)
      .slice(0, 2),
  ).toEqual(['old-web', 'prices']);
  expect(partWords(parts[0] as RunningPart)).toBe('4.1× as long as usual; 20 calls a minute, usually 21');
  expect(
    partWords(
      part('x', { figures: ['CPU 92 %, just before 40 %'], failing: 0.02, isUsualKnown: false, usualPerMinute: null }),
    ),
  ).toBe('CPU 92 %, just before 40 %; takes 1.0× as long as just before; 20 calls a minute, just before 19; 2 % fail');
  expect(partWords(parts[4] as RunningPart)).toContain('silent: no data is not calm');
  expect(parts.filter(isOff).map(({ component }) => component)).toEqual(['prices', 'old-web']);
});

test('a picket doubles its way up, and never leaves the drawing', () => {
  expect(picketHeight(2) - picketHeight(1)).toBeCloseTo(picketHeight(1.5) - picketHeight(0.75));
  expect([picketHeight(1e-9), picketHeight(1e9)]).toEqual([3, 40]);
});

test('arrow keys go from picket to picket and say each one', () => {
  const onChoose = jest.fn();
  const pickets = parts.map(picketOf);
  render(<Pickets label="north: 5 parts" pickets={pickets} chosen={pickets[1]?.key} onChoose={onChoose} />);
  const slider = screen.getByRole('slider', { name: 'north: 5 parts' });
  expect(slider.getAttribute('aria-valuetext')).toContain('prices on north-1: calm.');
  fireEvent.keyDown(slider, { key: 'ArrowLeft' });
  fireEvent.keyDown(slider, { key: 'End' });
  fireEvent.keyDown(slider, { key: 'x' });
  expect(onChoose.mock.calls).toEqual([['prices|mid-2'], ['old-web|north-1']]);
});
