import { emptyColumns } from '@toplens/core/telemetry';
import { conditionsOf, flowsIn, NO_FOCUS, sliceKey, sliceOf } from './focus';
import type { EngineState } from '../state/engine-state';

const numbers: Record<string, number> = { 'site:Ostrel': 4, 'region:GB': 9 };
const state = {
  names: {
    numberOf: (dimension: string, value: string) => numbers[`${dimension}:${value}`],
    flows: [
      { id: 1, application: 'Shop' },
      { id: 2, application: 'Shop' },
      { id: 3, application: 'Desk' },
    ],
  },
} as unknown as EngineState;

function rows() {
  const columns = emptyColumns(4);
  columns.n = 4;
  columns.site.set([4, 4, 5, 0]);
  columns.region.set([9, 8, 9, 9]);
  return columns;
}

const held = (focus: Parameters<typeof sliceOf>[1]) =>
  [0, 1, 2, 3].filter((row) => sliceOf(state, focus)?.(rows(), row));

test('nothing narrowed is no slice; several dimensions must all hold', () => {
  expect(sliceOf(state, NO_FOCUS)).toBeUndefined();
  expect(held({ values: { site: 'Ostrel' } })).toEqual([0, 1]);
  expect(held({ values: { site: 'Ostrel', region: 'GB' } })).toEqual([0]);
});

test('a value that never came holds for no row, not for rows without one', () => {
  expect(held({ values: { site: 'Nowhere' } })).toEqual([]);
  expect(conditionsOf(state, { values: { site: 'Nowhere' } })).toEqual([['site', -1]]);
});

test('an application or a flow leaves its flows, both together what belongs to both', () => {
  expect(flowsIn(state, NO_FOCUS)).toBeUndefined();
  expect([...(flowsIn(state, { application: 'Shop', values: {} }) ?? [])]).toEqual([1, 2]);
  expect([...(flowsIn(state, { flow: 3, values: {} }) ?? [])]).toEqual([3]);
  expect([...(flowsIn(state, { application: 'Shop', flow: 3, values: {} }) ?? [])]).toEqual([]);
});

test('slices of the same values have the same key, others another', () => {
  expect(sliceKey({ values: { region: 'GB', site: 'Ostrel' } })).toBe(
    sliceKey({ values: { site: 'Ostrel', region: 'GB' } }),
  );
  expect(sliceKey({ values: { site: 'GB' } })).not.toBe(sliceKey({ values: { region: 'GB' } }));
});
