import fc from 'fast-check';
import { at, context, deviation, KEY_TIER, WINDOW } from '../fixtures/bill';
import { normalWith } from '../fixtures/normal';
import { normalDeviate, poissonDeviate, seededRandom } from '../stats';
import { FAILED, PROBE } from '../telemetry';
import { MINUTE_MS } from '../time';
import {
  DEFAULT_RATES,
  directionOf,
  groupDeviations,
  harmBill,
  harmPerHour,
  hurtSentence,
  incidentTitle,
  nearTies,
  priorityOf,
  rankStability,
  rankWorstFirst,
  weightOf,
  windowSentence,
  type HarmBill,
} from './index';
import { formatMoney, percent } from '../words';

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
    const bill = harmBill(parts, WINDOW, context(rows, { penaltyOf: (_flow, outside) => outside * 2 }));
    expect(bill.penalties).toBeCloseTo(40, 1);
    expect(quantity(bill, 'money')).toBeCloseTo(40, 1);
    expect(weightOf(bill, 'promises')).toBeCloseTo(40, 1);
  });

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

describe('sentences', () => {
  const facts = {
    flow: 'Pick a slot',
    application: 'Sender Portal',
    wholeApplication: false,
    slowness: 4.13,
    badShare: 0.3,
    usualShare: 0.004,
    volumeShare: 0.6,
    isOver: false,
    lengthMs: 11 * 60_000,
  };
  test.each([
    [{ ...facts, signal: 'slow' as const }, 'Takes 4.1× as long as usual: Pick a slot'],
    [{ ...facts, signal: 'slow' as const, slowness: 1.1 }, 'Is slow for 30 %, usually 0.4 %: Pick a slot'],
    [{ ...facts, signal: 'failing' as const }, 'Fails for 30 %, usually 0.4 %: Pick a slot'],
    [
      { ...facts, signal: 'failing' as const, only: { dimension: 'promotion', value: 'SPRING10' } },
      'Fails for promotion SPRING10: Pick a slot',
    ],
    [{ ...facts, signal: 'missing' as const }, '40 % fewer attempts than usual: Pick a slot'],
    [{ ...facts, signal: 'missing' as const, volumeShare: 1.213 }, 'Fewer attempts than usual: Pick a slot'],
    [{ ...facts, signal: 'missing' as const, volumeShare: 0, wholeApplication: true }, 'Nobody gets in: Sender Portal'],
    [
      { ...facts, signal: 'missing' as const, volumeShare: 0, wholeApplication: true, isOver: true },
      'Nobody got in for 11 min: Sender Portal',
    ],
    [{ ...facts, signal: 'slow' as const, isOver: true }, 'Took 4.1× as long as usual: Pick a slot'],
    [
      { ...facts, signal: 'failing' as const, isPage: true, isOver: true },
      'Came incomplete for 30 %, usually 0.4 %: Pick a slot',
    ],
  ])('title of %j', (given, title) => expect(incidentTitle(given)).toBe(title));

  test.each([
    [0, '0 %'],
    [0.0004, 'under 0.1 %'],
    [0.004, '0.4 %'],
    [0.0996, '10 %'],
    [0.124, '12 %'],
    [0.994, '99 %'],
    [0.9961, '99.6 %'],
    [0.9996, 'over 99.9 %'],
    [1, '100 %'],
    [1.3, '130 %'],
  ])('a share of %d is told as %s', (share, words) => expect(percent(share)).toBe(words));

  test('of a window and of an incident', () => {
    const window = {
      people: 917,
      harmPerHour: 1760.4,
      flows: 5,
      money: 1427,
      currency: 'GBP',
      withoutTeam: 2,
      incidents: 5,
      isPast: false,
    };
    expect(windowSentence(window)).toEqual({
      headline: '917 people are hurt: 1,760 harm points an hour, in five flows.',
      detail: '£1,427 not earned. Two of the five are with nobody yet.',
    });
    expect(windowSentence({ ...window, incidents: 0 }).headline).toBe('Nobody is being hurt.');
    expect(windowSentence({ ...window, incidents: 0, isPast: true }).headline).toBe('Nobody was hurt.');
    expect(windowSentence({ ...window, people: 1, harmPerHour: 1, flows: 1, isPast: true }).headline).toBe(
      '1 person was hurt: 1 harm point an hour, in one flow.',
    );
    expect(windowSentence({ ...window, withoutTeam: 0 }).detail).toContain('All five are with a team.');
    expect(hurtSentence({ people: 1, keyPeople: 1, gaveUp: 3, left: 2, missing: 7, signal: 'slow' })).toBe(
      '1 person waited, 1 of them key customers; 3 attempts failed for good; 2 people left because of it; 7 later attempts never came.',
    );
    expect(formatMoney(12, 'points')).toBe('12 points');
  });
});
