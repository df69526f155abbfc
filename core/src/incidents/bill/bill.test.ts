import fc from 'fast-check';
import { at, context, deviation, KEY_TIER, WINDOW } from '../../fixtures/bill';
import { normalWith } from '../../fixtures/normal';
import { normalDeviate, seededRandom } from '../../stats';
import { FAILED, PROBE } from '../../telemetry';
import { promised } from '../../fixtures/promise';
import { harmBill, isAbout, weightOf, type HarmBill } from '../index';

const quantity = (bill: ReturnType<typeof harmBill>, name: string) =>
  bill.lines.find((line) => line.name === name)?.quantity.estimate ?? NaN;

describe('the harm bill', () => {
  test('charges waiting beyond what was expected, and only that', () => {
    const attempts = Array.from({ length: 30 }, (_, i) => ({ startMs: at(i), durationMs: 60_200, person: i + 1 }));
    // A hung attempt is charged up to the hang limit: 30 s.
    const bill = harmBill([deviation(1, 'slow', { from: 0, to: 60 })], WINDOW, context(attempts));
    expect(quantity(bill, 'waiting')).toBeCloseTo((30 * 29.8) / 60, 6);
    expect(bill.people.estimate).toBeCloseTo(30, 2);
    expect(bill.outcomes).toEqual({ onTime: 0, late: 0, hung: 30, failed: 0 });
  });

  test('a failure that a second try makes good costs the time between, not a failure', () => {
    const attempts = [
      { startMs: at(1), flags: FAILED, person: 1, durationMs: 60_000 },
      { startMs: at(4), person: 1 },
      { startMs: at(2), flags: FAILED, person: 2 },
      { startMs: at(45), person: 2 },
      { startMs: at(3), flags: FAILED },
    ];
    const bill = harmBill([deviation(1, 'failing', { from: 0, to: 60 })], WINDOW, context(attempts));
    // Less the hair's breadth of failures that are usual here, whose second tries nobody is billed for.
    expect(quantity(bill, 'waiting')).toBeCloseTo(3, 3);
    expect(quantity(bill, 'failed')).toBeCloseTo(2, 3);
    expect(bill.people.estimate).toBeCloseTo(3, 3);
  });

  test('a site with a limit of its own is judged by that one, the others by the flow’s', () => {
    const attempts = [1, 2].flatMap((site) =>
      Array.from({ length: 10 }, (_, i) => ({ startMs: at(i), durationMs: 400, site, person: 10 * site + i })),
    );
    const sites = new Map([[2, { limitMs: 300, lateShare: 1e-6, hungShare: 0 }]]);
    const bill = harmBill(
      [deviation(1, 'slow', { from: 0, to: 60 })],
      WINDOW,
      context(attempts, { normalAt: () => ({ ...normalWith(), sites }) }),
    );
    expect(bill.outcomes).toEqual({ onTime: 10, late: 10, hung: 0, failed: 0 });
    expect([...bill.hurtPersons].sort((a, b) => a - b)).toEqual(Array.from({ length: 10 }, (_, i) => 20 + i));
  });

  test('probes never count, and attempts outside incident or window neither', () => {
    const attempts = [
      { startMs: at(1), flags: FAILED | PROBE, person: 1 },
      { startMs: at(-1), flags: FAILED, person: 2 },
      { startMs: at(61), flags: FAILED, person: 3 },
      { startMs: at(31), flags: FAILED, person: 4 },
      { startMs: at(2), flags: FAILED, person: 5, flow: 2 },
    ];
    const bill = harmBill([deviation(1, 'failing', { from: 0, to: 30 })], WINDOW, context(attempts));
    expect(bill.people.estimate).toBe(0);
    expect(bill.harm.estimate).toBe(0);
  });

  test('an outage is charged by what usually comes, and by whom', () => {
    const bill = harmBill(
      [deviation(1, 'missing', { from: 0, to: 10 })],
      WINDOW,
      context([], { expectedValue: () => 8 }),
    );
    expect(quantity(bill, 'missing')).toBeCloseTo(100, 6);
    expect(quantity(bill, 'money')).toBeCloseTo(800, 6);
    expect(bill.people.estimate).toBeCloseTo(40, 6);
    expect(bill.harm.estimate).toBeCloseTo(100 * 5 + 800 * 0.5, 6);
  });

  test('who left upstream is charged once, in the flow that misses most', () => {
    const parts = [
      deviation(1, 'slow', { from: 0, to: 10 }),
      deviation(2, 'missing', { from: 0, to: 10 }),
      deviation(3, 'missing', { from: 0, to: 10 }),
    ];
    const bill = harmBill(parts, WINDOW, context([{ startMs: at(1), flow: 3 }]));
    expect(quantity(bill, 'missing')).toBeCloseTo(100, 6);
    expect(bill.people.estimate).toBe(0);
  });

  test('key customers count again', () => {
    const bill = harmBill(
      [deviation(1, 'failing', { from: 0, to: 60 })],
      WINDOW,
      context([{ startMs: at(1), flags: FAILED, person: 1, tier: KEY_TIER }]),
    );
    expect(quantity(bill, 'keyCustomers')).toBeCloseTo(5, 3);
    expect(bill.keyPeople).toBe(1);
    expect(bill.harm.estimate).toBeCloseTo(10, 3);
  });

  const random = fc.array(
    fc.record({
      startMs: fc.integer({ min: at(0), max: at(59) }),
      durationMs: fc.integer({ min: 1, max: 5_000 }),
      flags: fc.constantFrom(0, 0, FAILED),
      person: fc.integer({ min: 0, max: 12 }),
      tier: fc.constantFrom(1, KEY_TIER),
    }),
    { maxLength: 60 },
  );
  const parts = [deviation(1, 'slow', { from: 0, to: 60 }), deviation(1, 'failing', { from: 5, to: 60 })];

  test('order of the rows changes nothing', () => {
    fc.assert(
      fc.property(random, (rows) => {
        const there = harmBill(parts, WINDOW, context(rows));
        const back = harmBill(parts, WINDOW, context([...rows].reverse()));
        expect(back.harm.estimate).toBeCloseTo(there.harm.estimate, 6);
        expect(back.people.estimate).toBeCloseTo(there.people.estimate, 6);
        expect(back.outcomes).toEqual(there.outcomes);
      }),
    );
  });

  test('the sum is the sum of its lines, and each line is quantity × rate', () => {
    fc.assert(
      fc.property(random, (rows) => {
        const bill = harmBill(parts, WINDOW, context(rows));
        expect(bill.lines.reduce((sum, line) => sum + line.harm.estimate, 0)).toBeCloseTo(bill.harm.estimate, 6);
        for (const line of bill.lines) {
          expect(line.quantity.estimate * line.rate).toBeCloseTo(line.harm.estimate, 6);
          expect(line.harm.low).toBeLessThanOrEqual(line.harm.estimate);
          expect(line.harm.high).toBeGreaterThanOrEqual(line.harm.estimate);
        }
      }),
    );
  });

  test('another failure of somebody new never makes it less', () => {
    fc.assert(
      fc.property(random, fc.integer({ min: 0, max: 59 }), (rows, minute) => {
        const more = [...rows, { startMs: at(minute), durationMs: 100, flags: FAILED, person: 99, tier: 1 }];
        expect(harmBill(parts, WINDOW, context(more)).harm.estimate).toBeGreaterThanOrEqual(
          harmBill(parts, WINDOW, context(rows)).harm.estimate - 0.01,
        );
      }),
    );
  });

  test('a window cut in two adds up: waiting, failures and the sum', () => {
    fc.assert(
      fc.property(random, fc.integer({ min: 1, max: 59 }), (rows, cut) => {
        const spread = rows.map((row, i) => ({ ...row, person: 100 + i }));
        const [whole, before, after] = [
          WINDOW,
          { fromMs: at(0), toMs: at(cut) },
          { fromMs: at(cut), toMs: at(60) },
        ].map((window) => harmBill(parts, window, context(spread))) as [HarmBill, HarmBill, HarmBill];
        for (const name of ['waiting', 'failed'] as const)
          expect(quantity(before, name) + quantity(after, name)).toBeCloseTo(quantity(whole, name), 3);
        expect(before.harm.estimate + after.harm.estimate).toBeCloseTo(whole.harm.estimate, 2);
        // Nobody is counted twice: people of the whole are no more than those of its parts together.
        expect(whole.people.estimate).toBeLessThanOrEqual(before.people.estimate + after.people.estimate + 1e-6);
      }),
    );
  });

  test('importance multiplies lines 1 to 4 of its flow, not money', () => {
    const rows = [{ startMs: at(1), flags: FAILED, person: 1 }];
    const plain = harmBill(parts, WINDOW, context(rows, { expectedValue: () => 10 }));
    const weighty = harmBill(parts, WINDOW, context(rows, { expectedValue: () => 10, importanceOf: () => 3 }));
    const harm = (bill: HarmBill, name: string) => bill.lines.find((line) => line.name === name)?.harm.estimate ?? NaN;
    expect(harm(weighty, 'failed')).toBeCloseTo(3 * harm(plain, 'failed'), 6);
    expect(harm(weighty, 'money')).toBeCloseTo(harm(plain, 'money'), 6);
  });

  test('the range of money holds the sum of what single values really were, 95 times in 100', () => {
    const random = seededRandom(7);
    const spread = 0.6;
    let inside = 0;
    const worlds = 400;
    for (let world = 0; world < worlds; world++) {
      const n = 20 + Math.floor(random() * 60);
      const rows = Array.from({ length: n }, (_, i) => ({ startMs: at(i % 60), flags: FAILED, person: i + 1 }));
      const values = rows.map(() => 40 * Math.exp(spread * normalDeviate(random) - spread ** 2 / 2));
      const around = context(rows, {
        expectedValue: () => 40,
        valueSpread: () => 40 * Math.sqrt(Math.exp(spread ** 2) - 1),
        normalAt: () => normalWith({ failedShare: 1e-6 }),
      });
      const money = harmBill(
        [deviation(1, 'failing', { from: 1, to: 58 })],
        { fromMs: at(0), toMs: at(60) },
        around,
      ).lines.find((line) => line.name === 'money')?.quantity;
      const truth = values.reduce((sum, value, i) => sum + (i % 60 >= 1 && i % 60 < 58 ? value : 0), 0);
      if (money && truth >= money.low && truth <= money.high) inside++;
    }
    // The uncertain edges of the trouble make it a little wider than the values alone need.
    expect(inside / worlds).toBeGreaterThan(0.92);
    expect(inside / worlds).toBeLessThan(0.99);
  });

  test('a promise that is likely broken costs its part of the penalty', () => {
    const rows = Array.from({ length: 20 }, (_, i) => ({ startMs: at(i), flags: FAILED, person: i + 1 }));
    const bill = harmBill(parts, WINDOW, context(rows, { promises: [promised({ price: 2 })] }));
    expect(bill.penalties).toBeCloseTo(40, 1);
    expect(quantity(bill, 'money')).toBeCloseTo(40, 1);
    expect(weightOf(bill, 'promises')).toBeCloseTo(40, 1);
  });
});

test('attempts that do not say whose they are make people known roughly', () => {
  const bill = { unnamedHurt: 10, people: { estimate: 40, low: 30, high: 50 } };
  expect(isAbout(bill)).toBe(true);
  expect(isAbout({ ...bill, unnamedHurt: 4 })).toBe(false);
  expect(isAbout({ ...bill, unnamedHurt: 0 })).toBe(false);
});
