import fc from 'fast-check';
import { seededRandom } from '../stats';
import { whereAddressesFail, type AddressSlice } from './addresses';

const slice = (
  value: string,
  requests: number,
  failed: number,
  dimension: AddressSlice['dimension'] = 'carrier',
): AddressSlice => ({
  address: 'a',
  dimension,
  value,
  requests,
  failed,
});

test('an address that fails for one carrier says so, with how much more often', () => {
  const found = whereAddressesFail(
    [{ address: 'a', requests: 300, failed: 33 }],
    [slice('Copperwave', 60, 30), slice('Northline', 240, 3), slice('NL', 150, 17, 'country')],
  );
  expect(found.get('a')).toMatchObject({ value: 'Copperwave', times: 40 });
  expect(found.get('a')?.low).toBeGreaterThan(12);
});

test('what is chance, what all share, and what stands alone says nothing', () => {
  const none = (slices: AddressSlice[], failed: number) =>
    expect(whereAddressesFail([{ address: 'a', requests: 200, failed }], slices).size).toBe(0);
  none([slice('x', 100, 12), slice('y', 100, 9)], 21);
  none([slice('x', 200, 21)], 21);
  none([slice('x', 4, 4), slice('y', 196, 1)], 5);
});

test('of many addresses that fail evenly, hardly any is said to fail somewhere', () => {
  const random = seededRandom(3);
  const draw = (n: number, share: number) => Array.from({ length: n }, () => random()).filter((u) => u < share).length;
  let said = 0;
  for (let world = 0; world < 30; world++) {
    const slices = Array.from({ length: 20 }, (_, i) =>
      ['x', 'y', 'z'].map((value) => ({ ...slice(value, 200, draw(200, 0.1)), address: `a${i}` })),
    );
    const addresses = slices.map((own, i) => ({
      address: `a${i}`,
      requests: 600,
      failed: own.reduce((sum, one) => sum + one.failed, 0),
    }));
    if (whereAddressesFail(addresses, slices.flat()).size > 0) said++;
  }
  // 5 % of worlds may say something; 30 worlds, and chance, give 5 at the very most.
  expect(said).toBeLessThanOrEqual(5);
});

test('the order of slices and addresses changes nothing', () => {
  const counts = fc.record({
    requests: fc.integer({ min: 1, max: 300 }),
    share: fc.double({ min: 0, max: 1, noNaN: true }),
  });
  fc.assert(
    fc.property(fc.array(counts, { minLength: 2, maxLength: 8 }), (drawn) => {
      const slices = drawn.map(({ requests, share }, i) => slice(`v${i}`, requests, Math.round(requests * share)));
      const all = {
        address: 'a',
        requests: slices.reduce((sum, one) => sum + one.requests, 0),
        failed: slices.reduce((sum, one) => sum + one.failed, 0),
      };
      const one = whereAddressesFail([all], slices).get('a');
      const other = whereAddressesFail([all], [...slices].reverse()).get('a');
      expect(other && other.failed / other.requests).toBe(one && one.failed / one.requests);
    }),
    { numRuns: 30 },
  );
});
