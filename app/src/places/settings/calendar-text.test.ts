import { addedTo, calendarText, parseCalendar } from './calendar-text';

const TEXT = [
  '2026-12-25',
  '2026-11-02 to 2026-11-09 migration',
  '2026-11-12T08:00Z to 2026-11-12T10:30Z rehearsal',
  'maintenance 2026-11-20T22:00Z to 2026-11-21T02:00Z new disks',
].join('\n');

test('lines are read and written as they were', () => {
  const parsed = parseCalendar(TEXT);
  if (typeof parsed === 'string') throw new Error(parsed);
  expect(parsed.holidays).toEqual(['2026-12-25']);
  expect(parsed.maintenance).toEqual([
    { fromMs: Date.UTC(2026, 10, 20, 22), toMs: Date.UTC(2026, 10, 21, 2), reason: 'new disks' },
  ]);
  expect(parsed.excluded).toHaveLength(2);
  expect(calendarText(parsed)).toBe(TEXT);
});

test('a time in another zone is the same moment in UTC', () => {
  const parsed = parseCalendar('Maintenance 2026-11-20T23:00+01:00 to 2026-11-21T03:00+01:00 new disks');
  if (typeof parsed === 'string') throw new Error(parsed);
  expect(calendarText(parsed)).toBe('maintenance 2026-11-20T22:00Z to 2026-11-21T02:00Z new disks');
});

test.each([
  ['2026-11-20T22:00 to 2026-11-21T02:00Z x', 'write a day as'],
  ['2026-13-45', 'write a day as'],
  ['maintenance 2026-11-21T02:00Z to 2026-11-20T22:00Z x', 'it ends before it begins'],
  ['maintenance 2026-11-20T22:00Z to 2026-11-21T02:00Z', 'say why'],
])('%s is not taken, and says what is asked for', (line, words) => expect(parseCalendar(line)).toContain(words));

test('a file adds what is not there yet', () => {
  const more = parseCalendar('2026-12-25\n2027-01-01');
  if (typeof more === 'string') throw new Error(more);
  expect(addedTo('2026-12-25\n', more)).toBe('2026-12-25\n2027-01-01');
});
