import { columnsOf, type TestAttempt } from '../fixtures/attempts';
import { at, context, deviation, KEY_TIER, WINDOW } from '../fixtures/bill';
import { normalWith } from '../fixtures/normal';
import { spanWith } from '../fixtures/trace-span';
import { BUCKET_MS, rollUp } from '../flows';
import { History } from '../normal';
import { SpanKind, FAILED } from '../telemetry';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../time';
import { groupDeviations, harmBill, rankOrigins, todaysLevel, type ObservedAttempt } from './index';

/** Hand-made cases, each with an answer that follows from one rule: another constant gives another answer. */

const lineOf = (bill: ReturnType<typeof harmBill>, name: string) => bill.lines.find((line) => line.name === name)!;

describe('the range of a line', () => {
  test.each([
    // All lie above the expectation of 0.2 s: 20 minutes waited, where the edges count most; 0.1 minutes, where the expectation does.
    [2_200, 20],
    [210, 0.1],
  ])(
    'waiting, %d ms each: the expectation may lie off by 3 %%, what is left out is 1.5 %%, the edges are 0.8 minutes',
    (durationMs, waited) => {
      const attempts = Array.from({ length: 600 }, (_, i) => ({ startMs: at(i / 10), durationMs, person: i + 1 }));
      const { quantity } = lineOf(
        harmBill([deviation(1, 'slow', { from: 0, to: 60 })], WINDOW, context(attempts)),
        'waiting',
      );
      expect(quantity.estimate).toBeCloseTo(waited, 6);
      const shifted = ((600 - 300) * 0.2 * 0.03) / 60;
      const sd = Math.hypot(shifted, (waited * 0.8) / 60, waited * 0.015);
      expect((quantity.high - quantity.low) / 2 / (1.96 * sd)).toBeCloseTo(1, 2);
    },
  );

  test('key customers: as certain as the lines that it repeats', () => {
    const attempts = Array.from({ length: 400 }, (_, i) => ({
      startMs: at(i / 8),
      flags: FAILED,
      person: i + 1,
      tier: KEY_TIER,
    }));
    const bill = harmBill([deviation(1, 'failing', { from: 0, to: 60 })], WINDOW, context(attempts));
    const [failed, key] = [lineOf(bill, 'failed'), lineOf(bill, 'keyCustomers')];
    const relative = ({ estimate, low, high }: { estimate: number; low: number; high: number }) =>
      (high - low) / estimate;
    expect(relative(key.quantity) / relative(failed.harm)).toBeCloseTo(3.92 / 4, 2);
  });
});

test('of second tries that work, those are not charged that are usual: one of ten fails anyway', () => {
  // Twenty people fail and succeed ten minutes later: of forty attempts one in twenty fails as usual, so two, a tenth
  // of the failures.
  const attempts = Array.from({ length: 20 }, (_, i) => [
    { startMs: at(i), durationMs: 0, flags: FAILED, person: i + 1 },
    { startMs: at(i + 10), durationMs: 0, person: i + 1 },
  ]).flat();
  const normal = normalWith({ failedShare: 0.05 });
  const bill = harmBill(
    [deviation(1, 'failing', { from: 0, to: 60 })],
    WINDOW,
    context(attempts, { normalAt: () => normal }),
  );
  expect(lineOf(bill, 'waiting').quantity.estimate).toBeCloseTo(20 * 10 * 0.9, 6);
});

test("today's level moves by three tenths of what the last half hours say", () => {
  // Ten attempts every five minutes for eight days, and half as many in the last fifteen minutes.
  const history = new History();
  const NOW = at(0);
  const put = (hourMs: number, perBucket: (startMs: number) => number) => {
    const attempts: TestAttempt[] = [];
    for (let startMs = hourMs; startMs < hourMs + HOUR_MS; startMs += BUCKET_MS)
      for (let i = 0; i < perBucket(startMs); i++) attempts.push({ startMs: startMs + i * 1000 });
    history.putHour(hourMs, rollUp(columnsOf(attempts)));
  };
  for (let hourMs = NOW - 8 * DAY_MS; hourMs < NOW - HOUR_MS; hourMs += HOUR_MS) put(hourMs, () => 10);
  put(NOW - HOUR_MS, (startMs) => (startMs >= NOW - 15 * MINUTE_MS ? 5 : 10));
  // Ratios of stretches that expect thirty: 1, 1, …, 1, and at last 15 of 30.
  expect(todaysLevel(history, () => false, 1, NOW)).toBeCloseTo(1 - 0.3 * 0.5, 2);
});

describe('what belongs together', () => {
  const none = () => 0;
  const oneApplication = () => 1;

  test('flows of one application that fall silent one after the other are two outages', () => {
    expect(
      groupDeviations(
        [deviation(1, 'missing', { from: 0, to: 11 }), deviation(2, 'missing', { from: 30, to: 41 })],
        none,
        oneApplication,
      ),
    ).toHaveLength(2);
    expect(
      groupDeviations(
        [deviation(1, 'missing', { from: 0, to: 20 }), deviation(2, 'missing', { from: 13, to: 33 })],
        none,
        oneApplication,
      ),
    ).toHaveLength(2);
    expect(
      groupDeviations(
        [deviation(1, 'missing', { from: 0, to: 20 }), deviation(2, 'missing', { from: 7, to: 27 })],
        none,
        oneApplication,
      ),
    ).toHaveLength(1);
  });

  test('flows with one cause belong together while it goes on, signals of one flow without a known cause for a quarter of an hour', () => {
    const groups = (apart: number, flow: number, cause?: string) =>
      groupDeviations(
        [deviation(1, 'slow', { from: 0, to: 120 }), deviation(flow, 'failing', { from: apart, to: 120 })],
        none,
        oneApplication,
        () => cause,
      ).length;
    expect([groups(50, 2, 'db'), groups(110, 2, 'db'), groups(50, 2)]).toEqual([1, 1, 2]);
    expect([groups(12, 1), groups(20, 1)]).toEqual([1, 2]);
  });

  test('a flow that two causes hit joins neither with the other; what comes back in it belongs to what goes on', () => {
    const causes = new Map([
      ['1:slow', 'db'],
      ['2:slow', 'db'],
      ['2:failing', 'login'],
      ['3:failing', 'login'],
    ]);
    const groups = groupDeviations(
      [
        deviation(1, 'slow', { from: 0, to: 200 }),
        deviation(2, 'slow', { from: 2, to: 60 }),
        deviation(2, 'failing', { from: 5, to: 90 }),
        deviation(3, 'failing', { from: 4, to: 90 }),
        deviation(2, 'slow', { from: 120, to: 180 }),
      ],
      none,
      (flow) => flow,
      ({ flow, signal, onsetMs }) => (onsetMs < at(100) ? causes.get(`${flow}:${signal}`) : undefined),
    );
    expect(groups.map(({ parts }) => parts.map(({ flow, signal }) => `${flow} ${signal}`))).toEqual([
      ['1 slow', '2 slow', '2 slow'],
      ['3 failing', '2 failing'],
    ]);
  });
});

test('the score of a candidate adds its reasons by the published weights, early and deep among them', () => {
  // web calls slots; slots takes 400 ms more from the onset on, web 400 ms more from ten minutes later on.
  const span = (
    spanId: string,
    parentSpanId: string,
    component: string,
    { startMs, ms }: { startMs: number; ms: number },
  ) =>
    spanWith({
      spanId,
      parentSpanId,
      component,
      kind: SpanKind.SERVER,
      startUs: startMs * 1000,
      durationUs: ms * 1000,
      name: spanId,
    });
  const attempt = (atMs: number, isBad: boolean, web: number, slots: number): ObservedAttempt => ({
    atMs,
    isBad,
    rootId: 'a',
    spans: [
      span('a', '', 'web', { startMs: atMs, ms: web + slots }),
      span('b', 'a', 'slots', { startMs: atMs + web, ms: slots }),
    ],
  });
  const attempts = [
    ...Array.from({ length: 40 }, (_, i) => attempt(at(-40 + i), false, 50 + (i % 5), 100 + (i % 7))),
    ...Array.from({ length: 40 }, (_, i) => attempt(at(i / 2), true, (i < 20 ? 50 : 450) + (i % 5), 500 + (i % 7))),
  ];
  const { candidates } = rankOrigins(attempts, 'slow', at(0), []);
  const [first, second] = candidates;
  expect(candidates.map(({ component }) => component)).toEqual(['slots', 'web']);
  expect(first!.reasons.early).toBeCloseTo(1, 6);
  expect(first!.reasons.deep).toBe(1);
  expect(second!.reasons.early).toBeLessThan(0.1);
  for (const { score, reasons } of candidates)
    expect(score).toBeCloseTo(
      0.6 * reasons.time + 0.1 * reasons.failures + 0.1 * reasons.early + 0.05 * reasons.deep + 0.15 * reasons.change,
      9,
    );
});
