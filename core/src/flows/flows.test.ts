import fc from 'fast-check';
import { columnsOf } from '../fixtures/attempts';
import { FAILED, PAGE, PROBE, type Span } from '../telemetry';
import { createHistogram, recordInPlace } from '../stats';
import {
  apdex,
  apdexOf,
  flowFacts,
  formatApdex,
  isEntry,
  learnSuccession,
  outcomeOf,
  rollUp,
  toAttempt,
  toInnerSpan,
} from './index';

const span = (attributes: Span['attributes'], more: Partial<Span> = {}): Span => ({
  traceId: 'a'.repeat(32),
  spanId: 'b'.repeat(16),
  parentSpanId: '',
  name: 'GET',
  kind: 2,
  startUs: 1_000_000,
  durationUs: 250_000,
  error: false,
  exceptionType: '',
  exception: {},
  attributes,
  resource: { 'service.name': 'portal-web', 'service.namespace': 'Sender Portal', 'host.name': 'north-1' },
  ...more,
});

describe('discovery', () => {
  const doors = new Set(['portal-web']);
  test('a server span without a parent, of an entry service, a consumed message or a screen begins an attempt', () => {
    expect(isEntry(span({}), new Set())).toBe(true);
    expect(isEntry(span({}, { parentSpanId: 'c'.repeat(16) }), new Set())).toBe(false);
    expect(isEntry(span({}, { parentSpanId: 'c'.repeat(16) }), doors)).toBe(true);
    expect(isEntry(span({}, { kind: 5, parentSpanId: 'c'.repeat(16) }), new Set())).toBe(true);
    expect(isEntry(span({ 'app.screen.name': 'Scan' }, { kind: 1 }), new Set())).toBe(true);
    expect(isEntry(span({}, { kind: 3 }), doors)).toBe(false);
  });

  test.each<[Span['attributes'], Partial<Span>, string]>([
    [{ 'http.request.method': 'GET', 'http.route': '/slots/{day}' }, {}, 'GET /slots/{day}'],
    [{ 'http.method': 'POST', 'http.target': '/labels/PW77?x=1' }, {}, 'POST /labels/{id}'],
    [{ 'http.request.method': 'GET', 'url.path': '/v2/track/9' }, {}, 'GET /v2/track/9'],
    [{ 'messaging.destination.name': 'route-rebuild' }, { kind: 5 }, 'consume route-rebuild'],
    [{ 'app.screen.name': 'Scan' }, {}, 'screen Scan'],
    [{ 'toplens.flow': 'Evening manifest' }, {}, 'Evening manifest'],
    [{}, { name: '' }, 'unnamed'],
  ])('names a flow from %j', (attributes, more, name) => expect(toAttempt(span(attributes, more)).flow).toBe(name));

  test('fails on an error status, on 5xx and on a business rule, not on 4xx', () => {
    expect(toAttempt(span({ 'http.response.status_code': 404 })).failed).toBe(false);
    expect(toAttempt(span({ 'http.response.status_code': 503 }))).toMatchObject({
      failed: true,
      failure: 'status 503',
    });
    expect(toAttempt(span({ 'toplens.outcome': 'failed' })).failed).toBe(true);
    expect(toAttempt(span({}, { error: true, exceptionType: 'SurchargeNotFound' })).failure).toBe('SurchargeNotFound');
  });

  test('people at work: where, as what, on which kind of device, with which server', () => {
    const atWork = {
      'toplens.flow': 'Receive parcels',
      'toplens.site': 'Brackwater',
      'toplens.department': 'Sorting',
      'toplens.role': 'clerk',
      'server.address': 'desk-mid',
    };
    const resource = { 'service.name': 'desk', 'host.name': 'brac-104', 'toplens.station': 'desktop' };
    expect(toAttempt(span(atWork, { kind: 3, resource }))).toMatchObject({
      site: 'Brackwater',
      department: 'Sorting',
      role: 'clerk',
      station: 'desktop',
      server: 'desk-mid',
      host: 'brac-104',
      isUserSide: true,
      isHandheld: false,
    });
    // A server's own span: it is the server that they work with.
    expect(toAttempt(span({ 'toplens.site': 'Brackwater', 'server.address': 'shop.example' }))).toMatchObject({
      server: 'north-1',
      station: '',
    });
  });

  test('values become minor units; a monstrous one is no value', () => {
    expect(toAttempt(span({ 'toplens.value.amount': 12.345, 'toplens.value.currency': 'EUR' })).valueMinor).toBe(1235);
    expect(toAttempt(span({ 'toplens.value.amount': 1e300 })).valueMinor).toBeNaN();
    expect(toAttempt(span({})).valueMinor).toBeNaN();
  });

  test('a store is a component of its own', () => {
    expect(toInnerSpan(span({ 'db.namespace': 'parcels-db' }, { kind: 3 })).component).toBe('parcels-db');
    expect(toInnerSpan(span({ 'server.address': 'slots' }, { kind: 3 }))).toMatchObject({
      component: 'portal-web',
      peer: 'slots',
    });
  });
});

test('rules name flows, by pattern, first match first', () => {
  const rules = [
    { technicalName: 'GET /slots*', name: 'Pick a slot', limitMs: 1200 },
    { technicalName: '*', importance: 3 },
  ];
  expect(flowFacts(rules, 'A', 'GET /slots/search')).toMatchObject({
    name: 'Pick a slot',
    limitMs: 1200,
    siteLimitsMs: {},
    stepLimitsMs: {},
    importance: 1,
  });
  expect(flowFacts(rules, 'A', 'GET /x.y')).toMatchObject({ name: 'GET /x.y', limitMs: undefined, importance: 3 });
});

test('Apdex from a histogram is that of the single durations, where T and 4T lie between buckets', () => {
  fc.assert(
    fc.property(
      fc.array(fc.constantFrom(100, 700, 1300, 3900, 9000), { minLength: 1, maxLength: 60 }),
      fc.integer({ min: 0, max: 5 }),
      (durationsMs, failed) => {
        const histogram = createHistogram();
        for (const duration of durationsMs) recordInPlace(histogram, duration);
        const all = [...durationsMs, ...Array<number>(failed).fill(1)];
        const isFailed = all.map((_, i) => i >= durationsMs.length);
        expect(apdexOf(histogram, failed, 1000)).toEqual(apdex(all, isFailed, 1000));
      },
    ),
  );
});

test('an attempt is late above its limit, hung above ten limits and 30 s, failed whatever its time', () => {
  // Common practice, no source: a usual 200 ms with a standard deviation of 13.33 ms has its limit at 240 ms.
  expect(outcomeOf(239, false, 240)).toBe('onTime');
  expect(outcomeOf(241, false, 240)).toBe('late');
  expect(outcomeOf(29_999, false, 240)).toBe('late');
  expect(outcomeOf(30_001, false, 240)).toBe('hung');
  expect(outcomeOf(40_000, false, 5_000)).toBe('late');
  expect(outcomeOf(1, true, 240)).toBe('failed');
  expect(outcomeOf(9e9, false, undefined)).toBe('onTime');
});

describe('Apdex (technical specification 1.1, from memory)', () => {
  const sample = (satisfied: number, tolerating: number, frustrated: number) => [
    ...Array<number>(satisfied).fill(2500),
    ...Array<number>(tolerating).fill(10_000),
    ...Array<number>(frustrated).fill(10_001),
  ];
  const noneFailed = Array<boolean>(100).fill(false);
  test('60 satisfied, 30 tolerating, 10 frustrated of 100 score 0.75', () => {
    expect(apdex(sample(60, 30, 10), noneFailed, 2500)).toEqual({
      score: 0.75,
      targetS: 2.5,
      attempts: 100,
      smallSample: false,
    });
  });
  test('failed attempts are frustrated, small samples are marked, nothing has no score', () => {
    expect(formatApdex(apdex([10, 10], [false, true], 100))).toBe('0.50 [0.1]*');
    expect(apdex([], [], 100)).toBeUndefined();
    expect(formatApdex(undefined)).toBe('no score');
    expect(() => apdex([1], [false], 0)).toThrow('0');
  });
});

const attempts = fc.array(
  fc.record({
    startMs: fc.integer({ min: 0, max: 3_000_000 }),
    durationMs: fc.integer({ min: 1, max: 100_000 }),
    flow: fc.integer({ min: 1, max: 3 }),
    flags: fc.constantFrom(0, FAILED, PROBE),
    session: fc.integer({ min: 0, max: 5 }),
  }),
  { maxLength: 80 },
);

test('order of the rows never changes a roll-up; probes are left out', () => {
  fc.assert(
    fc.property(attempts, fc.integer(), (rows, seed) => {
      const shuffled = rows
        .map((row, i) => ({ row, key: Math.sin(seed + i * 7.7) }))
        .sort((a, b) => a.key - b.key)
        .map(({ row }) => row);
      const rolled = rollUp(columnsOf(rows));
      expect(rollUp(columnsOf(shuffled))).toEqual(rolled);
      expect(rolled.reduce((n, bucket) => n + bucket.attempts, 0)).toBe(
        rows.filter((row) => row.flags !== PROBE).length,
      );
    }),
  );
});

test('a page comes before what people do on it, and never after', () => {
  const sessions = Array.from({ length: 40 }, (_, i) => [
    { session: i + 1, flow: 1, startMs: 10 },
    { session: i + 1, flow: 9, startMs: 20, flags: PAGE },
    { session: i + 1, flow: 2, startMs: 30 },
  ]);
  const { precedes, followersOf } = learnSuccession(columnsOf(sessions.flat()));
  expect([precedes(9, 2), precedes(1, 9), precedes(1, 2)]).toEqual([1, 0, 1]);
  expect([...followersOf(1)]).toEqual([2]);
  expect([...followersOf(9)]).toEqual([2]);
});

test('precedence is learned from the order within sessions', () => {
  const { precedes, followersOf } = learnSuccession(
    columnsOf([
      { session: 1, flow: 1, startMs: 10 },
      { session: 1, flow: 2, startMs: 20 },
      { session: 2, flow: 2, startMs: 40 },
      { session: 2, flow: 1, startMs: 30 },
      { session: 3, flow: 2, startMs: 50 },
      { flow: 2, startMs: 60 },
    ]),
  );
  expect(precedes(1, 2)).toBeCloseTo(2 / 3, 9);
  expect(precedes(2, 1)).toBe(0);
  expect([...followersOf(1)]).toEqual([]);
  const many = Array.from({ length: 40 }, (_, i) => [
    { session: i + 1, flow: 1, startMs: 10 },
    { session: i + 1, flow: i % 2 === 0 ? 2 : 3, startMs: 20 },
  ]);
  many.push([{ session: 1, flow: 4, startMs: 30 }]);
  expect([...learnSuccession(columnsOf(many.flat())).followersOf(1)]).toEqual([2, 3]);
});
