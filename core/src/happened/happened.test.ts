import ICAL from 'ical.js';
import { calendarOfHappenings } from '../formats';
import { jsonFeed, newestFirst, type Happening } from './index';

const AT = Date.UTC(2026, 2, 10, 9, 30);
const one: Happening = {
  id: 'opened-12',
  kind: 'opened',
  atMs: AT,
  title: 'Fails for 14 %; usually 1 %: Pay, by card',
  application: 'Shop',
  team: 'Payments',
  path: '/incident/12',
};
const other: Happening = {
  ...one,
  id: 'release-Shop-4.18',
  kind: 'release',
  atMs: AT + 60_000,
  team: '',
  path: '/flows',
};

test('newest first; of one moment in an order that stays', () => {
  const twin = { ...one, id: 'opened-13' };
  expect(newestFirst([one, twin, other]).map(({ id }) => id)).toEqual(['release-Shop-4.18', 'opened-12', 'opened-13']);
  expect(newestFirst([twin, one, other])).toEqual(newestFirst([one, twin, other]));
});

test('a JSON Feed 1.1: version, title and items with ids, addresses and RFC 3339 times', () => {
  expect(jsonFeed([other, one], 'https://lens.example', 'https://lens.example/api/happened.json')).toEqual({
    version: 'https://jsonfeed.org/version/1.1',
    title: 'Top Lens: what happened',
    home_page_url: 'https://lens.example/happened',
    feed_url: 'https://lens.example/api/happened.json',
    items: [
      {
        id: 'https://lens.example/happened#release-Shop-4.18',
        url: 'https://lens.example/flows',
        title: one.title,
        content_text: `${one.title} · Shop`,
        date_published: '2026-03-10T09:31:00.000Z',
        tags: ['release', 'Shop'],
      },
      {
        id: 'https://lens.example/happened#opened-12',
        url: 'https://lens.example/incident/12',
        title: one.title,
        content_text: `${one.title} · Shop · Payments`,
        date_published: '2026-03-10T09:30:00.000Z',
        tags: ['opened', 'Shop', 'Payments'],
      },
    ],
  });
});

test('a calendar that a reader of RFC 5545 gives back, with its signs escaped', () => {
  const text = calendarOfHappenings([one], 'https://lens.example', AT + 3_600_000);
  expect(text).toContain('SUMMARY:Fails for 14 %\\; usually 1 %: Pay\\, by card\r\n');
  expect(text).toContain('DTSTART:20260310T093000Z\r\n');
  const [event] = new ICAL.Component(ICAL.parse(text) as [string, [], []]).getAllSubcomponents('vevent');
  expect(event?.getFirstPropertyValue('summary')).toBe(one.title);
  expect(event?.getFirstPropertyValue('uid')).toBe('opened-12@top-lens');
  expect(String(event?.getFirstPropertyValue('url'))).toBe('https://lens.example/incident/12');
});
