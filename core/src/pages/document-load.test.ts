import type { Span } from '../telemetry';
import { attemptOfView, loadsAmong, PARTS, viewOfRecord } from './index';

const START_US = Date.UTC(2026, 2, 10, 12) * 1000;
const TRACE = 'a'.repeat(32);
const range = { earliestUs: START_US - 1e9, latestUs: START_US + 1e9 };
const resource = { 'service.name': 'shop-pages', 'telemetry.sdk.language': 'webjs', 'service.version': '4.1' };

const span = (spanId: string, more: Partial<Span>): Span => ({
  traceId: TRACE,
  spanId: spanId.repeat(16),
  parentSpanId: '',
  name: '',
  kind: 1,
  startUs: START_US,
  durationUs: 0,
  error: false,
  exceptionType: '',
  exception: {},
  attributes: {},
  resource,
  ...more,
});
const after = (ms: number) => START_US + ms * 1000;

const load = span('1', {
  name: 'documentLoad',
  durationUs: 900_000,
  attributes: {
    'url.full': 'https://shop.example/orders/4711?from=mail',
    'user_agent.original': 'Mozilla/5.0 (X11; Linux x86_64) Chrome/140.0',
    'user.id': 'p-1',
  },
  marks: {
    fetchStart: START_US,
    domInteractive: after(500),
    domContentLoadedEventEnd: after(600),
    domComplete: after(880),
    loadEventEnd: after(900),
    firstContentfulPaint: after(450),
  },
});
const page = span('2', {
  name: 'documentFetch',
  parentSpanId: load.spanId,
  durationUs: 300_000,
  marks: { connectEnd: after(50), requestStart: after(50), responseStart: after(200), responseEnd: after(300) },
});
const picture = span('3', {
  name: 'resourceFetch',
  parentSpanId: load.spanId,
  startUs: after(350),
  durationUs: 400_000,
  attributes: { 'url.full': 'https://pictures.example/map.png?size=2', 'http.response_content_length': 5_000 },
});
const other = span('4', { name: 'GET', kind: 3 });

test('a document load with its parts is one view; every other span stays', () => {
  const { spans, views } = loadsAmong([picture, other, page, load]);
  expect(spans).toEqual([other]);
  const [record] = views;
  const view = viewOfRecord(record as NonNullable<typeof record>, range);
  expect(view).toMatchObject({
    id: load.spanId,
    kind: 'load',
    component: 'shop-pages',
    version: '4.1',
    page: '/orders/{id}',
    path: '/orders/4711',
    host: 'shop.example',
    person: 'p-1',
    vitals: { ttfb: 200, fcp: 450 },
    traceId: '',
    spanId: '',
  });
  // By W3C Navigation Timing 2: 50 ms until it was asked for, 150 to the first byte, 100 of transfer.
  const part = (name: (typeof PARTS)[number]) => view.parts?.[PARTS.indexOf(name)];
  expect([part('waiting'), part('transfer'), part('dom'), part('scripts')]).toEqual([150, 100, 200, 100]);
  expect(view.resources).toEqual([
    {
      url: 'https://pictures.example/map.png',
      type: '',
      startMs: 350,
      durationMs: 400,
      bytes: 5_000,
      missing: false,
      traceId: '',
      spanId: '',
    },
  ]);
  expect(attemptOfView(view, '')).toMatchObject({ flow: 'Page /orders/{id}', durationUs: 900_000, kind: 'page' });
});

test('what answered the page is the parent that its traceparent told', () => {
  const { views } = loadsAmong([{ ...load, parentSpanId: 'b'.repeat(16) }]);
  expect(views[0]).toMatchObject({ traceId: TRACE, spanId: 'b'.repeat(16) });
});

test('of an older instrumentation, or one that was told to leave events out, the load lasts as long all the same', () => {
  const bare = span('5', {
    name: 'documentLoad',
    durationUs: 700_000,
    attributes: { 'http.url': 'https://shop.example/', 'http.user_agent': 'Mobi' },
  });
  const [record] = loadsAmong([bare]).views;
  const view = viewOfRecord(record as NonNullable<typeof record>, range);
  expect(view).toMatchObject({ page: '/', userAgent: 'Mobi' });
  expect(view.parts?.reduce((sum, ms) => sum + ms, 0)).toBe(700);
});

test('a server that names a span so, and parts without their load, stay spans', () => {
  const servers = { ...load, resource: { 'service.name': 'renderer' } };
  expect(loadsAmong([servers, page])).toEqual({ spans: [servers, page], views: [] });
});
