import fc from 'fast-check';
import { parseRegion, regionText } from './region';

test('a region comes back from the address as it went in', () => {
  const ms = fc.integer({ min: 0, max: 2e12 });
  fc.assert(
    fc.property(
      ms,
      fc.integer({ min: 1, max: 1e9 }),
      ms,
      fc.option(ms),
      fc.constantFrom({}, { only: 'failed' as const }, { only: 'bad' as const }, { only: 'succeeded' as const }),
      (fromMs, length, fromDurationMs, toDurationMs, only) => {
        const region = { fromMs, toMs: fromMs + length, fromDurationMs, toDurationMs, ...only };
        expect(parseRegion(regionText(region))).toEqual(region);
      },
    ),
  );
});

test.each([
  undefined,
  '',
  '1_2_3',
  '1_2_3_4_5',
  '1_2_3_4_late',
  '1_2_3_failed',
  'a_b_c_d',
  '5_1_0_',
  '1_5_-3_',
  '1_5_0_x',
])('%j is no region', (text) => {
  expect(parseRegion(text)).toBeUndefined();
});
