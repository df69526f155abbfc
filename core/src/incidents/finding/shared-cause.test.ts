import fc from 'fast-check';
import type { Deviation } from '../../normal';
import { MINUTE_MS } from '../../time';
import { sharedCauses } from './shared-cause';

const NOON = Date.UTC(2026, 2, 10, 12);

const slow = (flow: number, from: number, to = from + 60): Deviation => ({
  flow,
  signal: 'slow',
  onsetMs: NOON + from * MINUTE_MS,
  endMs: NOON + to * MINUTE_MS,
  firedMs: NOON + (from + 3) * MINUTE_MS,
  active: false,
  z: 8,
  excess: 40,
  level: 'hurting',
});

type Case = [Deviation, Record<string, number>];
const told = (...cases: Case[]) => {
  const causes = sharedCauses(new Map(cases.map(([one, scores]) => [one, new Map(Object.entries(scores))])));
  return cases.map(([one]) => causes.get(one));
};

test('flows are joined by what may well have caused both, however deep in each the traces point', () => {
  expect(
    told(
      [slow(1, 0), { stock: 0.7 }],
      [slow(2, 3), { stock: 0.45, 'stock-db': 0.5 }],
      [slow(3, 9), { gateway: 0.5, stock: 0.35 }],
    ),
  ).toEqual(['stock', 'stock', 'stock']);
});

test('nobody is joined by what is likeliest in one of them alone, or scores too little', () => {
  expect(told([slow(1, 0), { stock: 0.7 }], [slow(2, 0), { web: 0.7, stock: 0.3 }])).toEqual([undefined, undefined]);
  expect(told([slow(1, 0), { stock: 0.29 }], [slow(2, 0), { stock: 0.29 }])).toEqual([undefined, undefined]);
});

test('a flow that two causes hit is given to the one that explains more, and joins nothing else', () => {
  expect(
    told(
      [slow(1, 0), { stock: 0.8 }],
      [slow(2, 0), { stock: 0.8 }],
      [slow(3, 1), { stock: 0.4, 'site:3': 0.5 }],
      [slow(4, 1), { 'site:3': 0.9 }],
      [slow(5, 1), { 'site:3': 0.6 }],
    ),
  ).toEqual(['stock', 'stock', 'site:3', 'site:3', 'site:3']);
});

test('what begins later is joined when it goes on with the others for half of the shorter time, not at their end alone', () => {
  const first = slow(1, 0, 140);
  const later = (from: number, to: number): Case => [slow(2, from, to), { 'promotion:1 of 2': 0.9 }];
  const joined = (from: number, to: number) => told([first, { 'promotion:1 of 2': 0.9 }], later(from, to))[1];
  expect(joined(60, 300)).toBe('promotion:1 of 2');
  expect(joined(100, 180)).toBe('promotion:1 of 2');
  expect(joined(101, 181)).toBeUndefined();
  expect(joined(134, 190)).toBeUndefined();
  // It is new, and both go on: until one of them is over nothing tells them apart.
  expect(joined(136, 140)).toBe('promotion:1 of 2');
});

test('what another explains in part goes with those that have it for certain', () => {
  const both = told([slow(1, 0), { stock: 0.8 }], [slow(2, 0), { stock: 0.8 }], [slow(3, 1), { web: 0.7, stock: 0.2 }]);
  expect(both).toEqual(['stock', 'stock', 'stock']);
  const less = told(
    [slow(1, 0), { stock: 0.8 }],
    [slow(2, 0), { stock: 0.8 }],
    [slow(3, 1), { web: 0.7, stock: 0.19 }],
  );
  expect(less).toEqual(['stock', 'stock', undefined]);
});

test('a cause at another time is another trouble, unless it begins while the others go on', () => {
  expect(told([slow(1, 0), { stock: 0.8 }], [slow(2, 61), { stock: 0.8 }])).toEqual([undefined, undefined]);
  expect(told([slow(1, 0, 100), { stock: 0.8 }], [slow(2, 61), { stock: 0.8 }])).toEqual(['stock', 'stock']);
  expect(
    told([slow(1, 0, 200), { stock: 0.8 }], [slow(2, 5, 40), { stock: 0.8 }], [slow(2, 90), { stock: 0.8 }]),
  ).toEqual(['stock', 'stock', 'stock']);
});

test('the order in which deviations come makes no difference', () => {
  const cases: Case[] = [
    [slow(1, 0), { a: 0.5, b: 0.45 }],
    [slow(2, 10), { b: 0.6, c: 0.4 }],
    [slow(3, 20), { a: 0.5, c: 0.5 }],
    [slow(4, 70), { a: 0.5, b: 0.5, c: 0.5 }],
    [slow(5, 75), { c: 0.9 }],
  ];
  const expected = new Map(cases.map(([one], i) => [one, told(...cases)[i]]));
  fc.assert(
    fc.property(fc.shuffledSubarray(cases, { minLength: cases.length }), (shuffled) => {
      expect(told(...shuffled)).toEqual(shuffled.map(([one]) => expected.get(one)));
    }),
  );
});
