import { seededRandom } from '../stats';
import { onlyHere } from './only-here';

const tally = (value: number, views: number, bad: number) => ({ value, views, bad });

describe('only here or everywhere', () => {
  test('one country hit, the rest spared', () => {
    const { verdict, hit } = onlyHere([tally(1, 500, 4), tally(2, 200, 110), tally(3, 300, 3)]);
    expect(verdict).toBe('here');
    expect(hit.map(({ value }) => value)).toEqual([2]);
    expect(hit[0]?.here).toBeCloseTo(0.55);
    expect(hit[0]?.elsewhere).toBeCloseTo(7 / 800);
  });

  test('everywhere, more here, one value, hardly anything', () => {
    expect(onlyHere([tally(1, 500, 100), tally(2, 500, 103)]).verdict).toBe('everywhere');
    expect(onlyHere([tally(1, 500, 100), tally(2, 500, 250)])).toMatchObject({ verdict: 'more', hit: [{ value: 2 }] });
    expect(onlyHere([tally(1, 500, 100)]).verdict).toBe('oneValue');
    expect(onlyHere([tally(1, 500, 1), tally(2, 500, 2)]).verdict).toBe('none');
    expect(onlyHere([]).verdict).toBe('none');
  });

  test('forty countries alike: hardly ever one is said to stand out', () => {
    const random = seededRandom(11);
    let fooled = 0;
    for (let world = 0; world < 200; world++) {
      const countries = Array.from({ length: 40 }, (_, i) => {
        const bad = Array.from({ length: 60 }, () => random() < 0.1).filter(Boolean).length;
        return tally(i + 1, 60, bad);
      });
      if (onlyHere(countries).hit.length > 0) fooled++;
    }
    // 5 % are expected where nothing differs; three standard errors above that are 9.6 %.
    expect(fooled / 200).toBeLessThanOrEqual(0.096);
  });
});
