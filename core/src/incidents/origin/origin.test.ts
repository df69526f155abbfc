import { spanWith } from '../../fixtures/trace-span';
import { seededRandom } from '../../stats';
import { SpanKind } from '../../telemetry';
import { MINUTE_MS } from '../../time';
import type { TraceSpan } from '../../traces';
import { changeWords, originReasons, originTrust, rankOrigins, type ComponentChange, type ObservedAttempt } from '..';

const ONSET = Date.UTC(2026, 2, 10, 10);
const { CLIENT, SERVER } = SpanKind;

interface Shape {
  /** milliseconds of own time */
  web: number;
  slots: number;
  db: number;
  cards?: number;
  fails?: 'slots' | 'db' | 'cards';
}

/** web → slots → parcels-db, and web → an outside service that sends nothing. */
function attempt(atMs: number, isBad: boolean, { web, slots, db, cards = 0, fails }: Shape): ObservedAttempt {
  const ms = 1000;
  const span = (
    spanId: string,
    parentSpanId: string,
    component: string,
    { kind, from, length, more = {} }: { kind: number; from: number; length: number; more?: Partial<TraceSpan> },
  ) =>
    spanWith({
      spanId,
      parentSpanId,
      component,
      kind,
      startUs: atMs * ms + from * ms,
      durationUs: length * ms,
      name: spanId,
      ...more,
    });
  const inner = slots + db;
  const failed = fails !== undefined;
  return {
    atMs,
    isBad,
    rootId: 'a',
    spans: [
      span('a', '', 'web', { kind: SERVER, from: 0, length: web + inner + cards, more: { failed } }),
      span('b', 'a', 'web', {
        kind: CLIENT,
        from: web,
        length: inner,
        more: { peer: 'slots', failed: fails === 'slots' || fails === 'db' },
      }),
      span('c', 'b', 'slots', {
        kind: SERVER,
        from: web,
        length: inner,
        more: { failed: fails === 'slots' || fails === 'db' },
      }),
      span('d', 'c', 'parcels-db', { kind: CLIENT, from: web + slots, length: db, more: { failed: fails === 'db' } }),
      ...(cards > 0
        ? [
            span('e', 'a', 'web', {
              kind: CLIENT,
              from: web + inner,
              length: cards,
              more: { peer: 'card-network', failed: fails === 'cards' },
            }),
          ]
        : []),
    ],
  };
}

const USUAL: Shape = { web: 40, slots: 60, db: 100 };

function world(bad: (i: number) => Shape, usual: Shape = USUAL, seed = 1): ObservedAttempt[] {
  const random = seededRandom(seed);
  const jitter = (shape: Shape): Shape => ({
    ...shape,
    web: shape.web * (0.8 + 0.4 * random()),
    slots: shape.slots * (0.8 + 0.4 * random()),
    db: shape.db * (0.8 + 0.4 * random()),
  });
  return [
    ...Array.from({ length: 40 }, (_, i) => attempt(ONSET - (40 - i) * MINUTE_MS, false, jitter(usual))),
    ...Array.from({ length: 40 }, (_, i) => attempt(ONSET + i * 20_000, true, jitter(bad(i)))),
  ];
}

const first = (attempts: ObservedAttempt[], signal: 'slow' | 'failing', changes: ComponentChange[] = []) =>
  rankOrigins(attempts, signal, ONSET, changes);

test('the store that takes the time is first; those that only wait for it are no candidates', () => {
  const { candidates, second } = first(
    world(() => ({ ...USUAL, db: 1_200 })),
    'slow',
  );
  expect(candidates[0]).toMatchObject({ component: 'parcels-db', isSilent: false, change: null });
  expect(candidates[0]?.reasons.time).toBeGreaterThan(0.95);
  expect((candidates[0]?.nowUs ?? 0) / (candidates[0]?.usualUs ?? 1)).toBeCloseTo(12, -0.5);
  expect(Math.abs((candidates[0]?.onsetMs ?? 0) - ONSET)).toBeLessThan(2 * MINUTE_MS);
  expect(candidates.slice(1).every((candidate) => candidate.score < 0.3)).toBe(true);
  expect(second).toBeNull();
});

test('of failing attempts the deepest that fails is first, not those that pass the failure on', () => {
  expect(
    first(
      world(() => ({ ...USUAL, fails: 'slots' })),
      'failing',
    ).candidates[0],
  ).toMatchObject({ component: 'slots', failing: 40 });
  expect(
    first(
      world(() => ({ ...USUAL, fails: 'db' })),
      'failing',
    ).candidates[0]?.component,
  ).toBe('parcels-db');
});

test('an outside service that sends nothing is told by its callers', () => {
  const usual = { ...USUAL, cards: 300 };
  expect(
    first(
      world(() => ({ ...usual, cards: 4_000 }), usual),
      'slow',
    ).candidates[0],
  ).toMatchObject({ component: 'card-network', isSilent: true });
  expect(
    first(
      world(() => ({ ...usual, cards: 5_000, fails: 'cards' }), usual),
      'failing',
    ).candidates[0],
  ).toMatchObject({ component: 'card-network', isSilent: true });
});

test('a release just before speaks for its component; one long before, or of another, does not', () => {
  const both = world(() => ({ ...USUAL, slots: 400, db: 440 }));
  const release = (component: string, minutes: number) => ({
    component,
    atMs: ONSET - minutes * MINUTE_MS,
    words: `${component} 2.0 released`,
  });
  expect(first(both, 'slow', [release('slots', 3)]).candidates[0]).toMatchObject({
    component: 'slots',
    change: { words: 'slots 2.0 released' },
  });
  expect(first(both, 'slow', [release('parcels-db', 3)]).candidates[0]?.component).toBe('parcels-db');
  expect(first(both, 'slow', [release('slots', 300)]).candidates.every((candidate) => candidate.change === null)).toBe(
    true,
  );
  expect(
    first(
      world(() => ({ ...USUAL, db: 1_200 })),
      'slow',
      [release('web', 3)],
    ).candidates[0]?.component,
  ).toBe('parcels-db');
});

test('two origins at once: the second is told from the attempts that the first does not explain', () => {
  const two = first(
    world((i) => (i % 3 === 0 ? { ...USUAL, web: 900 } : { ...USUAL, db: 1_200 })),
    'slow',
  );
  expect([two.candidates[0]?.component, two.second]).toEqual(['parcels-db', 'web']);
  const failing = first(
    world((i) => ({ ...USUAL, cards: 50, fails: i % 3 === 0 ? 'cards' : 'db' })),
    'failing',
  );
  expect([failing.candidates[0]?.component, failing.second]).toEqual(['parcels-db', 'card-network']);
});

test('the order of the attempts makes no difference; without bad ones there is no candidate', () => {
  const attempts = world(() => ({ ...USUAL, db: 700 }));
  expect(first([...attempts].reverse(), 'slow')).toEqual(first(attempts, 'slow'));
  expect(first(attempts.slice(0, 40), 'slow')).toEqual({
    candidates: [],
    rungs: [],
    changes: [],
    second: null,
    bad: 0,
    usual: 40,
  });
  expect(first(attempts.slice(40), 'slow').candidates[0]?.component).toBe('parcels-db');
});

test('reasons come in words with their numbers, and confidence as measured', () => {
  const origin = first(
    world(() => ({ ...USUAL, db: 1_200 })),
    'slow',
    [{ component: 'parcels-db', atMs: ONSET - 3 * MINUTE_MS, words: 'parcels-db 9.1 released' }],
  );
  const [top] = origin.candidates;
  expect(top && originReasons(top, origin, ONSET)).toEqual([
    expect.stringMatching(/^holds (9\d|100) % of the added time: \d+ ms usually, 1\.2 s now$/),
    'parcels-db 9.1 released 3 min before it began',
    'first to leave its normal range',
  ]);
  const other = { component: 'slots', atMs: ONSET - 4 * MINUTE_MS, words: 'slots 4.18.0 released' };
  const far = { component: 'elsewhere', atMs: ONSET - 4 * MINUTE_MS, words: 'no rung of this' };
  const { changes } = first(
    world(() => ({ ...USUAL, db: 1_200 })),
    'slow',
    [other, far],
  );
  expect(changes.map((change) => changeWords(change, ONSET))).toEqual(['slots 4.18.0 released 4 min before it began']);
  expect(originTrust(origin)).toBe(0.97);
  expect(originTrust({ candidates: [] })).toBeUndefined();
  expect(origin.rungs.map(({ component }) => component)).toEqual(['web', 'slots', 'parcels-db']);
});
