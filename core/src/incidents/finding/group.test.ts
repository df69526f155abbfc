import fc from 'fast-check';
import { at, deviation } from '../../fixtures/bill';
import { groupDeviations } from '../index';

describe('grouping', () => {
  const none = () => 0;
  const oneApplication = () => 1;

  test('slow and failing of one flow from about the same time on are one incident', () => {
    const groups = groupDeviations(
      [
        deviation(1, 'slow', { from: 0, to: 60 }),
        deviation(1, 'failing', { from: 8, to: 50 }),
        deviation(2, 'failing', { from: 8, to: 50 }),
      ],
      none,
      oneApplication,
    );
    expect(groups.map((group) => group.parts.length)).toEqual([2, 1]);
  });

  test('what is missing behind a troubled flow belongs to it; its begin is that of the trouble', () => {
    const precedes = (earlier: number, later: number) => (earlier === 1 && later === 2 ? 0.9 : 0);
    const [group, ...rest] = groupDeviations(
      [deviation(2, 'missing', { from: -3, to: 60 }), deviation(1, 'slow', { from: 0, to: 60 })],
      precedes,
      oneApplication,
    );
    expect(rest).toEqual([]);
    expect(group?.onsetMs).toBe(at(0));
  });

  test('what is missing behind may seem to begin a while before its cause, but not long before, nor if it ends before', () => {
    const precedes = (earlier: number, later: number) => (earlier === 1 && later === 2 ? 0.9 : 0);
    const groupsOf = (from: number, to: number) =>
      groupDeviations(
        [deviation(2, 'missing', { from, to }), deviation(1, 'slow', { from: 0, to: 60 })],
        precedes,
        oneApplication,
      );
    expect(groupsOf(-12, 60)).toHaveLength(1);
    expect(groupsOf(-20, 60)).toHaveLength(2);
    expect(groupsOf(-12, 3)).toHaveLength(2);
  });

  test('flows of one application that fall silent together are one outage, those of another are not', () => {
    const groups = groupDeviations(
      [
        deviation(1, 'missing', { from: 0, to: 11 }),
        deviation(2, 'missing', { from: -6, to: 11 }),
        deviation(3, 'missing', { from: 0, to: 11 }),
      ],
      none,
      (flow) => (flow === 3 ? 2 : 1),
    );
    expect(groups.map((group) => group.parts.map((part) => part.flow))).toEqual([[2, 1], [3]]);
  });

  test('any order of the input gives the same groups', () => {
    const all = [
      deviation(1, 'slow', { from: 0, to: 60 }),
      deviation(2, 'missing', { from: 2, to: 60 }),
      deviation(3, 'missing', { from: 4, to: 60 }),
      deviation(1, 'failing', { from: 3, to: 40 }),
      deviation(4, 'failing', { from: 30, to: 40 }),
    ];
    const precedes = (earlier: number) => (earlier === 1 ? 0.8 : 0);
    const expected = groupDeviations(all, precedes, oneApplication);
    fc.assert(
      fc.property(fc.shuffledSubarray(all, { minLength: all.length }), (shuffled) => {
        expect(groupDeviations(shuffled, precedes, oneApplication)).toEqual(expected);
      }),
    );
  });
});
