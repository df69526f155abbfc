import fc from 'fast-check';
import type { LogRecord } from '../formats';
import { attemptOfView } from './attempt-of-view';
import { viewOfRecord, type PageView } from './page-view';
import { upTo } from '../fixtures/time-range';

const VIEW = '00f067aa0ba902b7';
const CALL = ['4bf92f3577b34da6a3ce929d0e0e4736', '00f067aa0ba902b8'];
const viewWith = (attributes: LogRecord['attributes'], more: Partial<LogRecord> = {}) =>
  viewOfRecord(
    {
      atUs: 1e15,
      severity: 0,
      body: '',
      traceId: '',
      spanId: '',
      eventName: 'toplens.page_view',
      resource: { 'service.name': 'shop-pages', 'toplens.application': 'Shop', 'service.version': '5.1' },
      attributes: {
        'toplens.view.id': VIEW,
        'toplens.view.sequence': 1,
        'url.path': '/basket',
        'toplens.timing.loadEventEnd': 812.5,
        'user.id': 'c-7',
        'session.id': 's-1',
        'toplens.tier': 'Gold',
        ...attributes,
      },
      ...more,
    },
    upTo(2e15),
  );
const fetched = (...rows: unknown[][]) => ({ 'toplens.resources': JSON.stringify(rows) });

test('a load is an attempt of its page: until the load event, by whom, from where', () => {
  expect(attemptOfView(viewWith({}), 'NL')).toMatchObject({
    flow: 'Page /basket',
    application: 'Shop',
    component: 'shop-pages',
    startUs: 1e15,
    durationUs: 812_500,
    failed: false,
    failure: '',
    kind: 'page',
    person: 'c-7',
    session: 's-1',
    tier: 'Gold',
    region: 'NL',
    version: '5.1',
    spanId: VIEW,
    traceId: '0000000000000000' + VIEW,
    probe: false,
  });
});

test('it has failed when a part of the page does not come, named by whom most is owed, or when a script throws', () => {
  const tile = (n: number, missing: number) => [`https://tiles.example/${n}.png`, 'img', 10, 90, 0, missing];
  expect(attemptOfView(viewWith(fetched(tile(1, 0), tile(2, 0))), '')?.failed).toBe(false);
  expect(attemptOfView(viewWith(fetched(['/own.css', 'link', 1, 2, 0, 1], tile(1, 1), tile(2, 1))), '')).toMatchObject({
    failed: true,
    failure: 'does not come from tiles.example',
  });
  expect(attemptOfView(viewWith({ 'toplens.errors': 2 }), '')?.failure).toBe('script error');
});

test('a background call that fails is an attempt of its own, and leaves the page whole', () => {
  expect(
    attemptOfView(viewWith(fetched(['https://api.example/pay', 'fetch', 10, 90, 0, 1, ...CALL])), '')?.failed,
  ).toBe(false);
});

test('routes, frames and loads without an end are none; what a script loads hurts nobody', () => {
  expect(attemptOfView(viewWith({ 'toplens.view.kind': 'route' }), '')).toBeUndefined();
  expect(attemptOfView(viewWith({ 'toplens.view.kind': 'frame' }), '')).toBeUndefined();
  expect(attemptOfView(viewWith({ 'toplens.timing.loadEventEnd': 0 }), '')).toBeUndefined();
  expect(attemptOfView(viewWith({ 'user_agent.synthetic.type': 'test' }), '')?.probe).toBe(true);
});

test('the trace that answered the page is its trace', () => {
  expect(attemptOfView(viewWith({}, { traceId: CALL[0] as string, spanId: CALL[1] as string }), '')).toMatchObject({
    traceId: CALL[0],
    spanId: VIEW,
  });
});

test('of a load told several times, in any order, there is one attempt, the same', () => {
  const tellings = [1, 2, 3].map((sequence) =>
    viewWith({ 'toplens.view.sequence': sequence, 'toplens.errors': sequence - 1 }),
  );
  const once = attemptOfView(tellings[0] as PageView, '');
  fc.assert(
    fc.property(fc.shuffledSubarray(tellings, { minLength: 3 }), (order) => {
      expect(order.flatMap((view) => attemptOfView(view, '') ?? [])).toEqual([once]);
    }),
  );
});
