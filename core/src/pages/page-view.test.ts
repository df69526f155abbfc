import fc from 'fast-check';
import type { LogRecord } from '../formats';
import { isThirdParty } from './host-of';
import { viewOfRecord } from './page-view';
import { errorGroup, errorOfRecord, withoutValues } from './script-errors';
import { upTo } from '../fixtures/time-range';
import { unlessRefused } from '../fixtures/unless-refused';

const LATEST_US = 2e15;
const record = (attributes: LogRecord['attributes'], more: Partial<LogRecord> = {}): LogRecord => ({
  atUs: 1e15,
  severity: 0,
  body: '',
  traceId: '',
  spanId: '',
  eventName: 'toplens.page_view',
  resource: { 'service.name': 'shop-pages' },
  attributes: { 'toplens.view.id': '00f067aa0ba902b7', 'url.path': '/orders/4711?who=me', ...attributes },
  ...more,
});

describe('a page view as a browser tells it', () => {
  test('paths lose their query and ids; parts, vitals and resources are read', () => {
    const view = viewOfRecord(
      record({
        'toplens.timing.responseStart': 100,
        'toplens.timing.loadEventEnd': 400,
        'toplens.vital.lcp': 350.5,
        'toplens.vital.cls': 0.02,
        'geo.country.iso_code': 'nl',
        'geo.region.iso_code': 'nl-nh',
        'toplens.resources': '[["https://tiles.example/1.png?key=x","img",10,90,1200,1]]',
      }),
      upTo(LATEST_US),
    );
    expect(view).toMatchObject({
      page: '/orders/{id}',
      path: '/orders/4711',
      country: 'NL',
      area: 'NL-NH',
      vitals: { lcp: 350.5, cls: 0.02 },
      missing: 1,
      share: 1,
      component: 'shop-pages',
      resources: [{ url: 'https://tiles.example/1.png', type: 'img', missing: true }],
    });
    expect(view.parts?.reduce((sum, ms) => sum + ms, 0)).toBe(400);
  });

  test.each([
    [{ 'toplens.view.id': 'zz' }, /^toplens.view.id/],
    [{ 'url.path': '' }, /^url.path/],
    [{ 'toplens.view.kind': 'popup' }, /^toplens.view.kind/],
    [{ 'toplens.share': 0 }, /^toplens.share/],
    [{ 'toplens.resources': '{' }, /^toplens.resources/],
    [{ 'toplens.resources': '[["a","img",-1,2,3,0]]' }, /^toplens.resources/],
  ])('%j is refused by name', (attributes, reason) => {
    expect(() => viewOfRecord(record(attributes), upTo(LATEST_US))).toThrow(reason);
  });

  test('whatever a page sends is read or refused, and numbers stay within what can be stored', () => {
    const value = fc.oneof(fc.string(), fc.double(), fc.boolean(), fc.json());
    const name = fc.constantFrom(
      'toplens.resources',
      'toplens.interactions',
      'toplens.errors',
      'toplens.vital.lcp',
      'toplens.timing.loadEventEnd',
      'url.path',
      'toplens.view.sequence',
    );
    fc.assert(
      fc.property(fc.dictionary(name, value, { noNullPrototype: true }), (attributes) => {
        const view = unlessRefused(() => viewOfRecord(record(attributes), upTo(LATEST_US)));
        if (!view) return;
        expect(view.interactions).toBeLessThanOrEqual(10_000);
        expect(view.sequence).toBeLessThanOrEqual(32_767);
      }),
    );
  });

  test('third parties are told by the last two labels of a host', () => {
    expect(isThirdParty('https://static.pages.example/a.js', 'www.pages.example')).toBe(false);
    expect(isThirdParty('https://tiles.example/a.png', 'www.pages.example')).toBe(true);
    expect(isThirdParty('/local.js', 'www.pages.example')).toBe(false);
    expect(isThirdParty('http://127.0.0.1:9/a.png', '127.0.0.1:8')).toBe(true);
  });
});

describe('script errors', () => {
  const error = (attributes: LogRecord['attributes']) =>
    errorOfRecord(
      record({
        'toplens.error.id': '10f067aa0ba902b7',
        'exception.type': 'TypeError',
        'exception.message': 'x is undefined',
        ...attributes,
      }),
      upTo(LATEST_US),
    );

  test('are read, or refused by name', () => {
    expect(error({})).toMatchObject({
      id: '10f067aa0ba902b7',
      view: '00f067aa0ba902b7',
      type: 'TypeError',
      message: 'x is undefined',
    });
    expect(() => error({ 'toplens.error.id': '' })).toThrow(/^toplens.error.id/);
  });

  test('group by type and top frames, whatever the message holds; without frames by the message without its values', () => {
    const frames = [{ file: 'map.ts', line: 12, column: 3, method: 'draw' }];
    expect(errorGroup('TypeError', 'order 1', frames)).toBe(errorGroup('TypeError', 'order 2', frames));
    expect(errorGroup('TypeError', 'order 17 of "Kim" failed', [])).toBe(
      errorGroup('TypeError', 'order 4 of "Lou" failed', []),
    );
    expect(errorGroup('TypeError', 'order', [])).not.toBe(errorGroup('TypeError', 'parcel', []));
    expect(withoutValues('GET https://a.example/x?y=1 failed with 503')).toBe('GET <url> failed with <n>');
  });
});
