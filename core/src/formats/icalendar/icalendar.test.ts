import fc from 'fast-check';
import { DAY_MS, HOUR_MS, type Calendar } from '../../time';
import { calendarOf, readICalendar, writeICalendar } from './index';

const file = (...lines: string[]) => ['BEGIN:VCALENDAR', 'VERSION:2.0', ...lines, 'END:VCALENDAR'].join('\r\n');
const event = (...lines: string[]) => ['BEGIN:VEVENT', 'UID:1@example', ...lines, 'END:VEVENT'];
const all = { fromMs: Date.UTC(1990, 0, 1), toMs: Date.UTC(2040, 0, 1) };
const starts = (text: string, window = all) =>
  readICalendar(text, window).occurrences.map(({ fromMs }) => new Date(fromMs).toISOString());

// RFC 5545, 3.8.5.3 (Recurrence Rule), examples: all in New York, 9 o'clock of its clock.
describe('the examples of RFC 5545', () => {
  const recurring = (rule: string, begin = '19970902T090000') =>
    starts(file(...event(`DTSTART;TZID=America/New_York:${begin}`, 'DURATION:PT1H', `RRULE:${rule}`)));

  test('daily for 10 occurrences', () => {
    expect(recurring('FREQ=DAILY;COUNT=10')).toEqual(
      [2, 3, 4, 5, 6, 7, 8, 9, 10, 11].map((day) => `1997-09-${String(day).padStart(2, '0')}T13:00:00.000Z`),
    );
  });

  test('weekly on Tuesday and Thursday, from Sunday on, for five weeks', () => {
    expect(recurring('FREQ=WEEKLY;COUNT=10;WKST=SU;BYDAY=TU,TH').map((one) => one.slice(5, 10))).toEqual([
      '09-02',
      '09-04',
      '09-09',
      '09-11',
      '09-16',
      '09-18',
      '09-23',
      '09-25',
      '09-30',
      '10-02',
    ]);
  });

  test('monthly on the second-to-last Monday, over the end of daylight saving', () => {
    expect(recurring('FREQ=MONTHLY;COUNT=6;BYDAY=-2MO', '19970922T090000')).toEqual([
      '1997-09-22T13:00:00.000Z',
      '1997-10-20T13:00:00.000Z',
      // From 26 October on New York is five hours behind.
      '1997-11-17T14:00:00.000Z',
      '1997-12-22T14:00:00.000Z',
      '1998-01-19T14:00:00.000Z',
      '1998-02-16T14:00:00.000Z',
    ]);
  });

  test('the Tuesday after the first Monday of November, every four years', () => {
    expect(
      recurring('FREQ=YEARLY;INTERVAL=4;COUNT=3;BYMONTH=11;BYDAY=TU;BYMONTHDAY=2,3,4,5,6,7,8', '19961105T090000').map(
        (one) => one.slice(0, 10),
      ),
    ).toEqual(['1996-11-05', '2000-11-07', '2004-11-02']);
  });

  test('the second-to-last weekday of the month', () => {
    expect(
      recurring('FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-2;COUNT=5', '19970929T090000').map((one) =>
        one.slice(5, 10),
      ),
    ).toEqual(['09-29', '10-30', '11-27', '12-30', '01-29']);
  });

  test('a zone that only the file describes (3.6.5, Time Zone Component)', () => {
    const zone = [
      'BEGIN:VTIMEZONE',
      'TZID:Works',
      ...['BEGIN:STANDARD', 'DTSTART:19981025T020000', 'TZOFFSETFROM:-0400', 'TZOFFSETTO:-0500', 'END:STANDARD'],
      ...['BEGIN:DAYLIGHT', 'DTSTART:19990404T020000', 'TZOFFSETFROM:-0500', 'TZOFFSETTO:-0400', 'END:DAYLIGHT'],
      'END:VTIMEZONE',
    ];
    const at = (begin: string) => starts(file(...zone, ...event(`DTSTART;TZID=Works:${begin}`, 'DURATION:PT1H')));
    expect(at('19990101T090000')).toEqual(['1999-01-01T14:00:00.000Z']);
    expect(at('19990601T090000')).toEqual(['1999-06-01T13:00:00.000Z']);
  });
});

describe('reading', () => {
  const weekly = (...more: string[]) =>
    event(
      'SUMMARY:Patches',
      'DTSTART;TZID=Europe/Dublin:20260318T220000',
      'DTEND;TZID=Europe/Dublin:20260319T000000',
      'RRULE:FREQ=WEEKLY;COUNT=4',
      ...more,
    );

  test('maintenance at ten in the evening stays there over a clock change', () => {
    expect(starts(file(...weekly()))).toEqual([
      '2026-03-18T22:00:00.000Z',
      '2026-03-25T22:00:00.000Z',
      '2026-04-01T21:00:00.000Z',
      '2026-04-08T21:00:00.000Z',
    ]);
  });

  test('exceptions are left out, moved and cancelled ones taken as they are', () => {
    const moved = event(
      'SUMMARY:Patches',
      'RECURRENCE-ID;TZID=Europe/Dublin:20260401T220000',
      'DTSTART;TZID=Europe/Dublin:20260402T230000',
      'DTEND;TZID=Europe/Dublin:20260403T010000',
    );
    const cancelled = event(
      'RECURRENCE-ID;TZID=Europe/Dublin:20260408T220000',
      'DTSTART;TZID=Europe/Dublin:20260408T220000',
      'STATUS:CANCELLED',
    );
    expect(starts(file(...weekly('EXDATE;TZID=Europe/Dublin:20260325T220000'), ...moved, ...cancelled))).toEqual([
      '2026-03-18T22:00:00.000Z',
      '2026-04-02T22:00:00.000Z',
    ]);
  });

  test('a rule without an end ends with the window; only what touches it is told', () => {
    const daily = file(...event('DTSTART:20200101T000000Z', 'DURATION:PT2H', 'RRULE:FREQ=DAILY'));
    const window = { fromMs: Date.UTC(2026, 2, 10, 1), toMs: Date.UTC(2026, 2, 12) };
    expect(starts(daily, window)).toEqual(['2026-03-10T00:00:00.000Z', '2026-03-11T00:00:00.000Z']);
  });

  test('whole days are dates, of each day one; the day named as end does not belong to it', () => {
    const [holiday] = readICalendar(
      file(...event('DTSTART;VALUE=DATE:20261225', 'DTEND;VALUE=DATE:20261227', 'CATEGORIES:Holiday,Team')),
      all,
    ).occurrences;
    expect(holiday).toMatchObject({ days: ['2026-12-25', '2026-12-26'], categories: ['holiday', 'team'] });
  });

  test('times without a zone, or in one that nobody knows, are UTC, and that is said', () => {
    const read = (begin: string) => readICalendar(file(...event(begin, 'DURATION:PT1H')), all);
    expect(read('DTSTART:20260310T090000')).toMatchObject({
      occurrences: [{ fromMs: Date.UTC(2026, 2, 10, 9) }],
      notes: ['Times without a zone are taken as UTC.'],
    });
    expect(read('DTSTART;TZID=Nowhere:20260310T090000').notes).toEqual([
      'The zone “Nowhere” is not known: its times are taken as UTC.',
    ]);
    expect(read('DTSTART:20260310T090000Z').notes).toEqual([]);
  });

  test.each(['', 'nothing', 'BEGIN:VCARD\r\nEND:VCARD', 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT'])(
    'what is no calendar is said in words: %j',
    (text) => expect(() => readICalendar(text, all)).toThrow('this is no iCalendar file'),
  );

  test('a rule of every second is refused, and does not run for ever', () => {
    const secondly = file(...event('DTSTART:20260310T090000Z', 'DURATION:PT1S', 'RRULE:FREQ=SECONDLY'));
    expect(() => readICalendar(secondly, all)).toThrow('more than 2000 events');
  });
});

test('what a file means: its category, else whole days are holidays and times are maintenance', () => {
  const stretch = { fromMs: 0, toMs: HOUR_MS, days: [], categories: [] };
  expect(
    calendarOf([
      { ...stretch, summary: 'New disks' },
      { ...stretch, summary: 'Rehearsal', categories: ['excluded'] },
      { fromMs: 0, toMs: DAY_MS, summary: 'New Year', days: ['1970-01-01'], categories: [] },
      { fromMs: 0, toMs: DAY_MS, summary: ' ', days: ['1970-01-01'], categories: ['maintenance'] },
    ]),
  ).toEqual({
    holidays: ['1970-01-01'],
    maintenance: [
      { fromMs: 0, toMs: HOUR_MS, reason: 'New disks' },
      { fromMs: 0, toMs: DAY_MS, reason: 'no reason told' },
    ],
    excluded: [{ fromMs: 0, toMs: HOUR_MS, reason: 'Rehearsal' }],
  });
});

test('what is written is read back as it was, whatever the words', () => {
  const day = fc
    .integer({ min: 18_000, max: 22_000 })
    .map((days) => new Date(days * DAY_MS).toISOString().slice(0, 10));
  const stretch = fc
    .record({
      from: fc.integer({ min: 1_600_000_000, max: 1_900_000_000 }),
      length: fc.integer({ min: 1, max: 900_000 }),
    })
    .map(({ from, length }) => ({ fromMs: from * 1000, toMs: (from + length) * 1000 }));
  const reason = fc.string({ minLength: 1 }).filter((text) => /^[\x20-\x7e]+$/.test(text) && text.trim() === text);
  const reasoned = fc.tuple(stretch, reason).map(([window, words]) => ({ ...window, reason: words }));
  const byBegin = (a: { fromMs: number; reason: string }, b: { fromMs: number; reason: string }) =>
    a.fromMs - b.fromMs || a.reason.localeCompare(b.reason);
  fc.assert(
    fc.property(
      fc.uniqueArray(day, { maxLength: 5 }),
      fc.uniqueArray(reasoned, { maxLength: 4, selector: ({ fromMs }) => fromMs }),
      fc.uniqueArray(reasoned, { maxLength: 4, selector: ({ fromMs }) => fromMs }),
      (holidays, maintenance, excluded) => {
        const calendar: Calendar = {
          holidays: holidays.sort(),
          maintenance: maintenance.sort(byBegin),
          excluded: excluded.sort(byBegin),
        };
        const text = writeICalendar(calendar, Date.UTC(2026, 2, 10));
        expect(calendarOf(readICalendar(text, all).occurrences)).toEqual(calendar);
      },
    ),
  );
});
