import { NILE } from '../fixtures/nile';
import {
  benjaminiHochberg,
  betaI,
  binomialCdf,
  chiSquareTail,
  createHistogram,
  gammaQ,
  hodgesLehmann,
  kendallTauB,
  mannWhitney,
  mantelHaenszel,
  meanRidit,
  normalTail,
  rateRatio,
  recordInPlace,
  smoothedLevel,
  twoSidedP,
  type Stratum,
} from './index';

describe('distributions', () => {
  test('normal and χ² tails agree with statistical tables (R pnorm, qchisq)', () => {
    expect(1 - normalTail(1.96)).toBeCloseTo(0.975002104852, 11);
    expect(normalTail(-1.96)).toBeCloseTo(0.975002104852, 11);
    expect(twoSidedP(1.95996398454)).toBeCloseTo(0.05, 10);
    expect(chiSquareTail(3.841458820694, 1)).toBeCloseTo(0.05, 10);
    expect(gammaQ(2, 0)).toBe(1);
  });

  test('binomial and Poisson tails agree with R pbinom, ppois', () => {
    expect(binomialCdf(2, 10, 0.1)).toBeCloseTo(0.9298091736, 10);
    // P(Poisson(8) > 15) = 1 − Q(16, 8)
    expect(1 - gammaQ(16, 8)).toBeCloseTo(0.008231010987, 11);
    expect(betaI(0.5, 2, 2)).toBeCloseTo(0.5, 12);
  });

  test('refuse what has no meaning', () => {
    expect(() => gammaQ(0, 1)).toThrow('0');
    expect(() => betaI(2, 1, 1)).toThrow('2');
  });
});

test('two Poisson rates: the example of R `poisson.test` (11 in 800, 21 in 3011)', () => {
  const found = rateRatio(11, 800, 21, 3011);
  expect(found?.ratio).toBeCloseTo(1.971488095, 8);
  expect(found?.p).toBeCloseTo(0.079668633, 8);
  expect(found?.low).toBeCloseTo(0.858426403, 8);
  expect(found?.high).toBeCloseTo(4.277265944, 7);
  expect(rateRatio(0, 1, 0, 1)).toBeUndefined();
  expect(rateRatio(4, 1, 0, 1)?.ratio).toBe(Infinity);
  expect(() => rateRatio(1, 0, 1, 1)).toThrow('0');
});

describe('Mantel–Haenszel', () => {
  // Bickel, Hammel & O'Connell 1975; R `UCBAdmissions`: per department men in, men out, women in, women out.
  const berkeley = [
    [512, 313, 89, 19],
    [353, 207, 17, 8],
    [120, 205, 202, 391],
    [138, 279, 131, 244],
    [53, 138, 94, 299],
    [22, 351, 24, 317],
  ].map(([a = 0, b = 0, c = 0, d = 0]): Stratum => ({
    exposed: a + b,
    exposedEvents: a,
    others: c + d,
    otherEvents: c,
  }));

  test('Berkeley: the crude difference of 0.1416 turns into −0.0184 (metafor, Sato error)', () => {
    const pooled = mantelHaenszel(berkeley);
    expect(pooled?.riskDifference.estimate).toBeCloseTo(-0.0184251961909, 12);
    expect(pooled?.standardError).toBeCloseTo(0.01482539444, 10);
    expect(pooled?.oddsRatio).toBeCloseTo(0.904696828259, 11);
    expect(pooled?.riskRatio).toBeCloseTo(0.944905022596, 11);
    const crude = mantelHaenszel([
      berkeley.reduce((sum, s) => ({
        exposed: sum.exposed + s.exposed,
        exposedEvents: sum.exposedEvents + s.exposedEvents,
        others: sum.others + s.others,
        otherEvents: sum.otherEvents + s.otherEvents,
      })),
    ]);
    expect(crude?.riskDifference.estimate).toBeCloseTo(0.141645428, 8);
  });

  test('strata with an empty side say nothing', () => {
    expect(mantelHaenszel([{ exposed: 5, exposedEvents: 3, others: 0, otherEvents: 0 }])).toBeUndefined();
  });
});

test('Benjamini & Hochberg 1995, their 15 p-values: four are kept at 0.05', () => {
  const p = [
    0.0001, 0.0004, 0.0019, 0.0095, 0.0201, 0.0278, 0.0298, 0.0344, 0.0459, 0.324, 0.4262, 0.5719, 0.6528, 0.759, 1,
  ];
  const adjusted = benjaminiHochberg(p);
  const expected = [
    0.0015, 0.003, 0.0095, 0.035625, 0.0603, 0.0638571429, 0.0638571429, 0.0645, 0.0765, 0.486, 0.5811818182, 0.714875,
    0.7532307692, 0.8132142857, 1,
  ];
  adjusted.forEach((value, i) => expect(value).toBeCloseTo(expected[i] as number, 9));
  expect(adjusted.filter((value) => value <= 0.05)).toHaveLength(4);
  expect(benjaminiHochberg([...p].reverse()).reverse()).toEqual(adjusted);
});

describe('Mann–Whitney', () => {
  // R `wilcox.test` help: airquality, Ozone in May against August.
  const may = [41, 36, 12, 18, 28, 23, 19, 8, 7, 16, 11, 14, 18, 14, 34, 6, 30, 11, 1, 11, 4, 32, 23, 45, 115, 37];
  const august = [
    39, 9, 16, 78, 35, 66, 122, 89, 110, 44, 28, 65, 22, 59, 23, 31, 44, 21, 9, 45, 168, 73, 76, 118, 84, 85,
  ];

  test('agrees with R on the ozone of May and August', () => {
    expect(mannWhitney(may, august)?.u).toBe(127.5);
    expect(mannWhitney(may, august)?.p).toBeCloseTo(0.000120807830769, 14);
    expect(mannWhitney(august, may)?.u).toBe(548.5);
    expect(mannWhitney(august, may)?.z).toBeGreaterThan(0);
    expect(hodgesLehmann(may, august)).toBeCloseTo(-32, 3);
  });

  test('knows nothing of empty samples, and no difference between equal ones', () => {
    expect(mannWhitney([], [1])).toBeUndefined();
    expect(mannWhitney([2, 2], [2, 2])).toMatchObject({ z: 0, p: 1 });
  });
});

test("Kendall's τ-b by hand: x 1 2 2 3, y 1 3 2 3 has 4 concordant pairs, a tie on each side: 4/√(5·5)", () => {
  expect(kendallTauB([1, 2, 2, 3], [1, 3, 2, 3])).toBeCloseTo(4 / 5, 12);
  expect(kendallTauB([1, 2, 3], [3, 2, 1])).toBe(-1);
  expect(kendallTauB([1, 1], [1, 2])).toBeUndefined();
});

test('ridit by hand: of 10, 20 and 30 everybody, the one of 30 has (2 + 1/2)/3, all together one half', () => {
  const [everybody, group] = [createHistogram(), createHistogram()];
  for (const value of [10, 20, 30]) recordInPlace(everybody, value);
  recordInPlace(group, 30);
  expect(meanRidit(everybody, group)?.mean).toBeCloseTo(2.5 / 3, 12);
  expect(meanRidit(everybody, everybody)?.mean).toBeCloseTo(0.5, 12);
  expect(meanRidit(everybody, createHistogram())).toBeUndefined();
});

test('simple exponential smoothing of the Nile, α 0.2, agrees with R HoltWinters', () => {
  const smoothed = smoothedLevel(NILE, 0.2);
  expect(smoothed?.level).toBeCloseTo(821.316976184, 8);
  expect(smoothed?.sse).toBeCloseTo(2043111.451562, 5);
  expect(smoothedLevel([], 0.2)).toBeUndefined();
});
