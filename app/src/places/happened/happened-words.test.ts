import type { Schemas } from '@/data/client';
import { feedAddress } from '@/data/happened';
import { happenedSentence } from './happened-words';

const window = { fromMs: Date.UTC(2026, 2, 10, 9), toMs: Date.UTC(2026, 2, 10, 10) };

test('the sentence counts, says when, and whether there is more', () => {
  const told = (n: number, isCut = false) =>
    happenedSentence({ window, isCut, happenings: Array.from({ length: n }) } as unknown as Schemas['Happened']);
  expect(told(0)).toMatch(/^Nothing of it happened from .*\d\d:00 to .*\d\d:00\.$/);
  expect(told(1)).toMatch(/^1 thing happened from .*, newest first\.$/);
  expect(told(500, true)).toMatch(/^More than 500 things happened from .*: the newest are listed\.$/);
});

test('feed and calendar are asked for with what is looked at', () => {
  expect(feedAddress({ last: 1440, rankBy: 'harm', application: 'Shop' }, 'opened', 'json')).toBe(
    '/api/happened.json?last=1440&application=Shop&kind=opened',
  );
  expect(feedAddress({ last: 60, rankBy: 'harm' }, undefined, 'ics')).toBe('/api/happened.ics?last=60');
});
