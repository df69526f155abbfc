import { normalDeviate, seededRandom } from '../stats';
import { DAY_MS, HOUR_MS, WEEK_MS } from '../time';
import { proveChange, strataFor, stratumOf, type SiteBeforeAfter } from './index';

/** Sites of which the first half was changed; all got slower or quicker meanwhile, the changed ones by more. */
function sites({
  number = 12,
  attempts = 120,
  meanwhile = 0,
  change = 0,
  failing = 0,
  seed = 3,
}: {
  number?: number;
  attempts?: number;
  meanwhile?: number;
  change?: number;
  failing?: number;
  seed?: number;
}): SiteBeforeAfter[] {
  const random = seededRandom(seed);
  return Array.from({ length: number }, (_, i) => {
    const isChanged = i < number / 2;
    const own = 0.1 * normalDeviate(random);
    const timeOf = (shift: number, failed: number) => ({
      excess: Array.from({ length: attempts }, () => own + shift + 0.35 * normalDeviate(random)),
      stratum: Array.from({ length: attempts }, () => 0),
      attempts: attempts + failed,
      failed,
    });
    return {
      site: i + 1,
      isChanged,
      before: timeOf(0, 1),
      after: timeOf(meanwhile + 0.03 * normalDeviate(random) + (isChanged ? change : 0), isChanged ? 1 + failing : 1),
    };
  });
}

test.each([
  ['slower everywhere by a fifth, and no slower where it was changed', { meanwhile: 0.2 }, 'noDifference'],
  ['a quarter slower than the others became', { meanwhile: 0.2, change: 0.25 }, 'worse'],
  ['a quarter quicker, while the others became slower', { meanwhile: 0.1, change: -0.25 }, 'better'],
  ['two sites in all: nobody to compare with', { number: 2, change: 0.5 }, 'tooLittle'],
  ['a dozen attempts each', { attempts: 12, change: 0.5 }, 'tooLittle'],
] as const)('%s: %s', (_what, plan, verdict) => expect(proveChange(sites(plan)).verdict).toBe(verdict));

test('how much it was, beside what the others became; each site against itself', () => {
  const { factor, sites: each } = proveChange(sites({ meanwhile: 0.2, change: Math.log(1.5), failing: 20 }));
  expect(factor?.low).toBeLessThan(1.5);
  expect(factor?.high).toBeGreaterThan(1.5);
  expect(each[0]).toMatchObject({ site: 1, isChanged: true, attempts: [121, 141] });
  expect(each[0]?.factor).toBeGreaterThan(1.5);
  expect(each[0]?.failed?.low).toBeGreaterThan(0.05);
  expect(each[11]?.failed?.estimate).toBe(0);
});

test('where nothing was changed it is called worse in at most five of a hundred', () => {
  const verdicts = Array.from({ length: 200 }, (_, seed) => proveChange(sites({ seed, attempts: 40 })).verdict);
  expect(verdicts.filter((one) => one === 'worse').length).toBeLessThanOrEqual(10);
});

describe('like is compared with like', () => {
  // Everything takes twice as long at noon, and after the change people come at noon more often: nothing changed.
  const time = (noons: number) => {
    const stratum = Array.from({ length: 100 }, (_, i) => (i < noons ? 12 : 8));
    return {
      stratum,
      excess: stratum.map((hour, i) => (hour === 12 ? Math.log(2) : 0) + 0.001 * i),
      attempts: 100,
      failed: 0,
    };
  };
  const site = { site: 1, isChanged: true, before: time(20), after: time(80) };

  test('another time of the day is no change', () => {
    expect(proveChange([site]).sites[0]?.factor).toBeCloseTo(1, 1);
    const alike = (one: ReturnType<typeof time>) => ({ ...one, stratum: one.stratum.map(() => 0) });
    const blind = { ...site, before: alike(site.before), after: alike(site.after) };
    expect(proveChange([blind]).sites[0]?.factor).toBeGreaterThan(1.5);
  });

  test('without a stratum in common nothing is told', () => {
    const after = { ...site.after, stratum: site.after.stratum.map((hour) => hour + 1000) };
    expect(proveChange([{ ...site, after }]).sites[0]?.factor).toBeNull();
  });

  test('strata are as fine as both times allow', () => {
    expect([WEEK_MS, DAY_MS, DAY_MS - 1].map(strataFor)).toEqual(['hourOfWeek', 'hourOfDay', 'none']);
    const at = Date.UTC(2026, 10, 18, 14, 20);
    expect(stratumOf(at, 'hourOfWeek')).toBe(stratumOf(at + WEEK_MS + 30 * 60_000, 'hourOfWeek'));
    expect(stratumOf(at, 'hourOfWeek')).not.toBe(stratumOf(at + DAY_MS, 'hourOfWeek'));
    expect(stratumOf(at, 'hourOfDay')).toBe(stratumOf(at + DAY_MS, 'hourOfDay'));
    expect(stratumOf(at, 'hourOfDay')).not.toBe(stratumOf(at + HOUR_MS, 'hourOfDay'));
  });
});
