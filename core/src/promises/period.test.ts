import { DAY_MS, HOUR_MS } from '../time';
import { forecastPeriod, periodAt, periodBefore } from './period';
import { clockOf, countedStretches, isCountedIn, minuteOf, type ServiceHours } from './service-hours';

const utc = (text: string) => Date.parse(`${text}Z`);

// Clock changes of the IANA time zone database: Dublin 29 March and 25 October 2026, New York 8 March 2026.
test.each([
  ['month', 'Europe/Dublin', '2026-03-29T12:00', '2026-03-01T00:00', '2026-03-31T23:00'],
  ['month', 'Europe/Dublin', '2026-10-25T12:00', '2026-09-30T23:00', '2026-11-01T00:00'],
  ['month', 'America/New_York', '2026-03-01T04:59', '2026-02-01T05:00', '2026-03-01T05:00'],
  // 29 March 2026 is a Sunday: it ends its week, an hour short.
  ['week', 'Europe/Dublin', '2026-03-29T22:59', '2026-03-23T00:00', '2026-03-29T23:00'],
  ['week', 'UTC', '2026-03-30T00:00', '2026-03-30T00:00', '2026-04-06T00:00'],
] as const)('the %s in %s that holds %s', (kind, zone, at, from, to) =>
  expect(periodAt({ kind, zone }, utc(at))).toEqual({ fromMs: utc(from), toMs: utc(to) }),
);

test('periods follow one another; a rolling one ends now, and is looked ahead by a quarter', () => {
  const month = { kind: 'month', zone: 'Europe/Dublin' } as const;
  const now = utc('2026-04-15T09:00');
  expect(periodBefore(month, now)).toEqual(periodAt(month, utc('2026-03-10T00:00')));
  expect(forecastPeriod(month, now)).toEqual(periodAt(month, now));
  const rolling = { kind: 'rolling', days: 28 } as const;
  expect(periodAt(rolling, now)).toEqual({ fromMs: now - 28 * DAY_MS, toMs: now });
  expect(periodBefore(rolling, now).toMs).toBe(now - 28 * DAY_MS);
  expect(forecastPeriod(rolling, now)).toEqual({ fromMs: now - 21 * DAY_MS, toMs: now + 7 * DAY_MS });
});

test('a zone that nobody knows is named', () =>
  expect(() => periodAt({ kind: 'month', zone: 'Atlantis/Harbour' }, 0)).toThrow(/no time zone is called Atlantis/));

const office: ServiceHours = { zone: 'Europe/Dublin', days: [1, 2, 3, 4, 5], fromMinute: 480, toMinute: 1080 };
const march = { fromMs: utc('2026-03-01T00:00'), toMs: utc('2026-03-31T23:00') };
const lengthOf = (stretches: { fromMs: number; toMs: number }[]) =>
  stretches.reduce((sum, { fromMs, toMs }) => sum + toMs - fromMs, 0);

test('hours are those of the clock: an hour earlier in UTC once summer time holds', () => {
  const stretches = countedStretches({ hours: office, excluded: [] }, march);
  // 22 working days in March 2026, ten hours each.
  expect(stretches).toHaveLength(22);
  expect(lengthOf(stretches)).toBe(220 * HOUR_MS);
  expect(stretches[19]).toEqual({ fromMs: utc('2026-03-27T08:00'), toMs: utc('2026-03-27T18:00') });
  expect(stretches[20]).toEqual({ fromMs: utc('2026-03-30T07:00'), toMs: utc('2026-03-30T17:00') });
});

test('whole days run into one another, and the day of the change has 23 hours', () => {
  const always = { ...office, days: [1, 2, 3, 4, 5, 6, 7], fromMinute: 0, toMinute: 1440 };
  expect(countedStretches({ hours: always, excluded: [] }, march)).toEqual([march]);
  const sundays = { ...always, days: [7] };
  expect(countedStretches({ hours: sundays, excluded: [] }, march).map((one) => lengthOf([one]) / HOUR_MS)).toEqual([
    24, 24, 24, 24, 23,
  ]);
});

test('what is excluded, and holidays, are cut out; overlapping ones once', () => {
  const at = (text: string) => utc(`2026-03-${text}`);
  const gap = (from: string, to: string) => ({ fromMs: at(from), toMs: at(to), reason: 'maintenance' });
  const window = { fromMs: at('02T00:00'), toMs: at('04T00:00') };
  const promise = { hours: office, excluded: [gap('02T10:00', '02T11:00'), gap('02T10:30', '02T12:00')] };
  expect(countedStretches(promise, window)).toEqual([
    { fromMs: at('02T08:00'), toMs: at('02T10:00') },
    { fromMs: at('02T12:00'), toMs: at('02T18:00') },
    { fromMs: at('03T08:00'), toMs: at('03T18:00') },
  ]);
  expect(lengthOf(countedStretches(promise, window, (ms) => ms === at('03T08:00')))).toBe(8 * HOUR_MS);
  const isCounted = isCountedIn(countedStretches(promise, window));
  expect(
    ['02T07:59', '02T08:00', '02T10:00', '02T11:59', '02T12:00', '03T17:59', '03T18:00'].map(at).map(isCounted),
  ).toEqual([false, true, false, false, true, true, false]);
});

test.each([
  ['08:00', 480],
  ['24:00', 1440],
  ['00:05', 5],
  ['24:01', undefined],
  ['8:00', undefined],
  ['07:60', undefined],
])('%s on the clock', (text, minute) => {
  expect(minuteOf(text)).toBe(minute);
  if (minute !== undefined) expect(clockOf(minute)).toBe(text);
});
