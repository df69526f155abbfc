import fc from 'fast-check';
import { addVolumes, standingOf, usageOf } from './index';

describe('speed and answers', () => {
  // 1,000 attempts of which 40 usually go wrong: spread √(2 × 40 × 0.96) = 8.76.
  test.each([
    [66, 'asUsual'],
    [67, 'worse'],
    [239, 'worse'],
    [240, 'farWorse'],
    [0, 'asUsual'],
  ])('%i of 1,000 where 40 are usual: %s', (wrong, word) =>
    expect(standingOf({ attempts: 1000, wrong, usual: 40 }).word).toBe(word),
  );

  test('a difference of less than one in a hundred is none, however sure', () => {
    expect(standingOf({ attempts: 1_000_000, wrong: 49_000, usual: 40_000 }).word).toBe('asUsual');
    expect(standingOf({ attempts: 1_000_000, wrong: 51_000, usual: 40_000 }).word).toBe('worse');
  });

  test('few attempts, or nothing learned, say nothing', () => {
    expect(standingOf({ attempts: 29, wrong: 29, usual: 1 }).word).toBe('unknown');
    expect(standingOf({ attempts: 500, wrong: 499, usual: NaN }).word).toBe('unknown');
    expect(standingOf({ attempts: 0, wrong: 0, usual: 0 })).toEqual({ word: 'unknown', good: undefined });
  });

  test('the share behind the word is that of good ones', () => {
    // Wilson interval of 92 of 100 (computed by hand from the formula).
    const { good } = standingOf({ attempts: 100, wrong: 8, usual: 4 });
    expect(good?.estimate).toBeCloseTo(0.92, 9);
    expect(good?.low).toBeCloseTo(0.85, 2);
    expect(good?.high).toBeCloseTo(0.959, 2);
  });
});

describe('use', () => {
  // 400 expected, counts twice as wide as Poisson, the day to a tenth: 3 √(800 + 1600) = 147.
  const expected = { mean: 400, spread: 0.1, dispersion: 2 };
  test.each([
    [0, 'none'],
    [253, 'less'],
    [254, 'asUsual'],
    [546, 'asUsual'],
    [547, 'more'],
  ])('%i where 400 are expected: %s', (attempts, word) => expect(usageOf(attempts, expected).word).toBe(word));

  test('none where few would come anyway is no news; nothing expected is not known', () => {
    expect(usageOf(0, { mean: 3, spread: 0.2, dispersion: 1 }).word).toBe('asUsual');
    expect(usageOf(5, { mean: 0, spread: 0.2, dispersion: 1 }).word).toBe('unknown');
    expect(usageOf(5, { mean: NaN, spread: 0.2, dispersion: 1 }).word).toBe('unknown');
  });

  test('flows together: in any order the same, one alone is itself', () => {
    const volume = fc.record({
      mean: fc.double({ min: 0.1, max: 1e5, noNaN: true }),
      spread: fc.double({ min: 0, max: 1, noNaN: true }),
      dispersion: fc.double({ min: 1, max: 9, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(volume, { minLength: 1, maxLength: 6 }), (volumes) => {
        const [there, back] = [addVolumes(volumes), addVolumes([...volumes].reverse())];
        for (const key of ['mean', 'spread', 'dispersion'] as const) {
          expect(back[key] / (there[key] || 1)).toBeCloseTo(there[key] === 0 ? 0 : 1, 6);
          const [low, high] = [
            Math.min(...volumes.map((one) => one[key])),
            Math.max(...volumes.map((one) => one[key])),
          ];
          if (key !== 'mean') {
            expect(there[key]).toBeGreaterThanOrEqual(low - 1e-6);
            expect(there[key]).toBeLessThanOrEqual(high + 1e-6);
          }
        }
      }),
    );
    expect(addVolumes([])).toEqual({ mean: 0, spread: 0, dispersion: 0 });
  });
});
