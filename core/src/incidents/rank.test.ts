import fc from 'fast-check';
import { at, context, deviation, WINDOW } from '../fixtures/bill';
import { poissonDeviate, seededRandom } from '../stats';
import { FAILED } from '../telemetry';
import { MINUTE_MS } from '../time';
import {
  DEFAULT_RATES,
  directionOf,
  harmBill,
  harmPerHour,
  nearTies,
  priorityOf,
  rankStability,
  rankWorstFirst,
  weightOf,
} from './index';

describe('the rank', () => {
  const parts = [deviation(1, 'slow', { from: 0, to: 60 }), deviation(1, 'failing', { from: 5, to: 60 })];

  test('scaling all rates keeps the order', () => {
    const bills = [[100], [900, 900], [5000]].map((durations, id) => {
      const rows = durations.map((durationMs, i) => ({
        startMs: at(i),
        durationMs,
        person: i + 1,
        flags: id === 1 ? FAILED : 0,
      }));
      return (scale: number) => ({
        id: id + 1,
        bill: harmBill(
          parts,
          WINDOW,
          context(rows, {
            rates: {
              ...DEFAULT_RATES,
              waiting: scale,
              failed: 5 * scale,
              left: 15 * scale,
              missing: 5 * scale,
              money: 0.5 * scale,
            },
          }),
        ),
      });
    });
    const order = (scale: number) => rankWorstFirst(bills.map((bill) => bill(scale))).map(({ id }) => id);
    expect(order(3)).toEqual(order(1));
    expect(order(1)[0]).toBe(2);
  });

  test('the rank does not depend on the order of the input; equal harm goes by number', () => {
    const bill = harmBill(parts, WINDOW, context([]));
    const entries = [3, 1, 2].map((id) => ({ id, bill }));
    expect(rankWorstFirst(entries).map(({ id }) => id)).toEqual([1, 2, 3]);
    expect(
      harmPerHour({ ...bill, harm: { estimate: 30, low: 0, high: 60 } }, { fromMs: 0, toMs: 30 * MINUTE_MS }),
    ).toBe(60);
  });
});

describe('how certain the order is', () => {
  const entry = (id: number, harms: Record<string, number>, half = 1) => {
    const bill = harmBill([], WINDOW, context([]));
    const lines = bill.lines.map((line) => {
      const estimate = harms[line.name] ?? 0;
      return { ...line, harm: { estimate, low: estimate - half, high: estimate + half } };
    });
    const estimate = lines.reduce((sum, line) => sum + line.harm.estimate, 0);
    return { id, bill: { ...bill, lines, harm: { estimate, low: estimate - half, high: estimate + half } } };
  };

  test('stability is the best and worst rank while each rate is halved and doubled', () => {
    const stability = rankStability([entry(1, { waiting: 100 }), entry(2, { failed: 60 }), entry(3, { money: 10 })]);
    expect(stability.get(1)).toEqual({ best: 1, worst: 2 });
    expect(stability.get(2)).toEqual({ best: 1, worst: 2 });
    expect(stability.get(3)).toEqual({ best: 3, worst: 3 });
  });

  test('by average the few who lose most come first; a trace of harm counts as one person’s', () => {
    const of = (id: number, harm: number, people: number) => {
      const one = entry(id, { waiting: harm });
      return { ...one, bill: { ...one.bill, people: { estimate: people, low: 0, high: people } } };
    };
    const all = [of(1, 600, 300), of(2, 90, 3), of(3, 5, 0.1)];
    expect(rankWorstFirst(all, 'each').map(({ id }) => id)).toEqual([2, 3, 1]);
    expect(all.map(({ bill }) => weightOf(bill, 'each'))).toEqual([2, 30, 5]);
    expect(rankWorstFirst(all, 'harm').map(({ id }) => id)).toEqual([1, 2, 3]);
  });

  test('neighbours whose ranges overlap are near ties', () => {
    const ranked = [entry(1, { waiting: 100 }, 5), entry(2, { waiting: 92 }, 5), entry(3, { waiting: 20 }, 5)];
    expect([...nearTies(ranked)].sort()).toEqual([1, 2]);
  });

  test('priority is impact × urgency', () => {
    const { bill } = entry(1, {});
    expect(priorityOf(bill, 900, 'growing')).toBe('P1');
    expect(priorityOf(bill, 100, 'steady')).toBe('P2');
    expect(priorityOf(bill, 5, 'fading')).toBe('P4');
    expect(priorityOf({ ...bill, keyPeople: 2 }, 5, 'growing')).toBe('P2');
  });
});

describe('how harm moves', () => {
  const moment = (people: number, each = 5) => ({ people, harm: each * people });

  test('is said where it is more than a quarter, and more than chance', () => {
    expect(directionOf(moment(100), moment(160))).toBe('growing');
    expect(directionOf(moment(100), moment(60))).toBe('fading');
    expect(directionOf(moment(100), moment(120))).toBe('steady');
    expect(directionOf(moment(1_000), moment(1_200))).toBe('steady');
    expect(directionOf(moment(4), moment(7))).toBe('steady');
    expect(directionOf(moment(4), moment(0))).toBe('steady');
    expect(directionOf(moment(9), moment(0))).toBe('fading');
    expect(directionOf(moment(0), moment(9))).toBe('growing');
    expect(directionOf(moment(0), moment(0))).toBe('steady');
  });

  test('as many people who wait twice as long are more harm', () => {
    expect(directionOf(moment(80, 3), moment(80, 6))).toBe('growing');
  });

  test('looked at backwards it turns round, and the unit of harm makes no difference', () => {
    const turned = { growing: 'fading', fading: 'growing', steady: 'steady' } as const;
    fc.assert(
      fc.property(fc.nat(200), fc.nat(200), fc.double({ min: 0.1, max: 50, noNaN: true }), (a, b, unit) => {
        const direction = directionOf(moment(a), moment(b));
        expect(directionOf(moment(b), moment(a))).toBe(turned[direction]);
        expect(directionOf(moment(a, 5 * unit), moment(b, 5 * unit))).toBe(direction);
      }),
    );
  });

  test.each([3, 6, 20, 100])('where %d are hurt in each stretch, chance alone seldom moves it', (people) => {
    const random = seededRandom(people);
    const moved = Array.from({ length: 4_000 }, () =>
      directionOf(moment(poissonDeviate(random, people)), moment(poissonDeviate(random, people))),
    );
    // One of ten by the error alone, fewer where a quarter is more than that.
    expect(moved.filter((direction) => direction !== 'steady').length / moved.length).toBeLessThan(0.115);
  });
});
