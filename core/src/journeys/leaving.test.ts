import { mantelHaenszel } from '../stats';
import { leavingAt, type Passing } from './index';

describe('leaving, against published tables', () => {
  /** Passings of a 2 × 2 table of one kind: exposed who left and stayed, others who left and stayed. */
  const table = (kind: string, ...[a, b, c, d]: [number, number, number, number]): Passing<string>[] => {
    const some = (n: number, exposed: boolean, goesOn: boolean) =>
      Array.from({ length: n }, (): Passing<string> => ({
        kind,
        lastMs: 0,
        exposed,
        inTrouble: true,
        goesOn,
        value: 0,
      }));
    return [...some(a, true, false), ...some(b, true, true), ...some(c, false, false), ...some(d, false, true)];
  };

  test('Berkeley admissions: compared department by department the difference turns round (Bickel, Hammel & O’Connell 1975)', () => {
    // Men and women refused and admitted, by department; R UCBAdmissions. Risk of admission, as in checks against
    // metafor: −0.01842520.
    const departments: [string, number, number, number, number][] = [
      ['A', 512, 313, 89, 19],
      ['B', 353, 207, 17, 8],
      ['C', 120, 205, 202, 391],
      ['D', 138, 279, 131, 244],
      ['E', 53, 138, 94, 299],
      ['F', 22, 351, 24, 317],
    ];
    const { pooled, difference } = leavingAt(
      departments.flatMap((row) => table(...row)),
      1,
    );
    expect(pooled?.riskDifference.estimate).toBeCloseTo(-0.0184251961909, 10);
    expect(pooled?.oddsRatio).toBeCloseTo(0.904696828259, 9);
    expect(pooled?.standardError).toBeCloseTo(0.01482539444, 9);
    expect(difference).toBe(0);
  });

  test('attributable fraction among the exposed: 13/2176 against 5/3354 is 0.7505 (Willeberg 1977, epiR help)', () => {
    const { pooled } = leavingAt(table('all', 13, 2176 - 13, 5, 3354 - 5), 1);
    expect((pooled?.riskDifference.estimate as number) / (13 / 2176)).toBeCloseTo(0.75047016191918, 10);
    expect(pooled?.riskRatio).toBeCloseTo(4.0075, 3);
  });

  test.each([
    [130, 0.94615385],
    [57, 0.87719298],
    [227, 0.969163],
  ])(
    'attributable fraction: %i against 7 in 10,000 (Doll & Hill via CDC Principles of Epidemiology, lesson 3, from memory)',
    (exposed, fraction) => {
      const { pooled } = leavingAt(table('all', exposed, 10_000 - exposed, 7, 10_000 - 7), 1);
      expect((pooled?.riskDifference.estimate as number) / (exposed / 10_000)).toBeCloseTo(fraction, 8);
    },
  );

  test('thirteen vaccine trials pooled: metafor dat.bcg (Colditz 1994), table from memory, difference and odds ratio as metafor prints them', () => {
    const trials: [number, number, number, number][] = [
      [4, 119, 11, 128],
      [6, 300, 29, 274],
      [3, 228, 11, 209],
      [62, 13536, 248, 12619],
      [33, 5036, 47, 5761],
      [180, 1361, 372, 1079],
      [8, 2537, 10, 619],
      [505, 87886, 499, 87892],
      [29, 7470, 45, 7232],
      [17, 1699, 65, 1600],
      [186, 50448, 141, 27197],
      [5, 2493, 3, 2338],
      [27, 16886, 29, 17825],
    ];
    const pooled = mantelHaenszel(
      trials.map(([a, b, c, d]) => ({ exposed: a + b, exposedEvents: a, others: c + d, otherEvents: c })),
    );
    expect(pooled?.riskDifference.estimate).toBeCloseTo(-0.00328818183, 10);
    expect(pooled?.oddsRatio).toBeCloseTo(0.62287402457, 9);
  });
});
