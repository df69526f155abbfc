import type { WatchPoint } from '@/data/watch';
import { toCsv } from '@/frame/table/columns';
import { askedOf, columnsOf, placeWords, pointWords, serviceWords, waitingWords, watchPath } from './watch-words';

jest.mock('@/data/watch', () => ({}));

const NOW = Date.UTC(2026, 2, 10, 14, 0);
const POINT: WatchPoint = {
  id: 4,
  component: 'scales',
  file: 'src/weigh.js',
  line: 24,
  variables: ['parcel.weight', 'band'],
  most: 100,
  why: 'x',
  madeMs: NOW - 600_000,
  madeBy: 'Kit Lowe',
  endsMs: NOW + 600_000,
  stoppedMs: null,
  stoppedBy: '',
  readings: 12,
  lastMs: NOW,
  isInForce: true,
};

test('a watched line in words, while it holds and when it is over', () => {
  expect(placeWords(POINT)).toBe('src/weigh.js:24 in scales');
  expect(pointWords(POINT, NOW)).toBe('12 readings · until 14:10 at most · since 13:50 by Kit Lowe');
  const over = { ...POINT, isInForce: false };
  expect(pointWords({ ...over, readings: 1, endsMs: NOW - 60_000 }, NOW)).toContain('1 reading · over since 13:59');
  expect(pointWords({ ...over, readings: 100 }, NOW)).toContain('over: it has all that were wanted');
  expect(pointWords({ ...over, stoppedMs: NOW, stoppedBy: 'Dana' }, NOW)).toContain('stopped 14:00 by Dana');
});

test('where nothing was read, it says why', () => {
  const place = { instance: 'a:1', state: 'set' as const, words: '', seenMs: NOW };
  expect(waitingWords({ point: POINT, places: [] })).toContain('no process of scales has taken it up');
  expect(waitingWords({ point: POINT, places: [place] })).toContain('the line was not passed since');
  expect(waitingWords({ point: POINT, places: [{ ...place, state: 'notLoaded' }] })).toContain('see below');
  const over = { ...POINT, isInForce: false };
  expect(waitingWords({ point: over, places: [place] })).toContain('was not passed meanwhile');
  // Nobody can know of a line that nobody looked at.
  expect(waitingWords({ point: over, places: [] })).toBe('Nothing was read: no process of scales took it up.');
  expect(waitingWords({ point: over, places: [{ ...place, state: 'refused' }] })).toBe(
    'Nothing was read: see below why.',
  );
});

test('services that can be watched', () => {
  expect(serviceWords({ component: 'scales', version: '2.4.0', instances: 2 })).toBe('scales 2.4.0, 2 processes');
  expect(serviceWords({ component: 'scales', version: '', instances: 1 })).toBe('scales, 1 process');
});

test('a place in the code goes through an address and back', () => {
  const parts = (path: string) => path.replace('/watch/at/', '').split('/').map(decodeURIComponent);
  const back = (...place: Parameters<typeof watchPath>) => askedOf(parts(watchPath(...place)));
  expect(back('my scales', 'src/weigh.js', 24)).toEqual({ component: 'my scales', file: 'src/weigh.js', line: '24' });
  expect(back('scales')).toEqual({ component: 'scales', file: '', line: '' });
  expect(back('scales', 'C:\\a.js')).toEqual({ component: 'scales', file: 'C:\\a.js', line: '' });
  // The router takes the escaped stroke apart as well.
  expect(askedOf(['scales', 'src', 'weigh.js:24'])).toEqual({ component: 'scales', file: 'src/weigh.js', line: '24' });
});

test('readings are saved with a column for each variable', () => {
  const reading = { id: 'a', atMs: NOW, instance: 'a:1', traceId: '', spanId: null, values: ['31.5', '6'] };
  expect(toCsv(columnsOf(POINT.variables), [reading]).split('\r\n')).toEqual([
    'When,Process,parcel.weight,band',
    '2026-03-10T14:00:00.000Z,a:1,31.5,6',
    ...(toCsv(columnsOf(POINT.variables), [reading]).endsWith('\r\n') ? [''] : []),
  ]);
});
