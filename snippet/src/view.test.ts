import type { LogRecord } from './otlp';
import { Resources } from './resources';
import { View } from './view';

type Entry = Partial<PerformanceResourceTiming> & { name: string };
let onEntries: (entries: Entry[]) => void = () => undefined;
const clock = { now: 0 };
const navigation: { entry: Record<string, unknown> | undefined } = { entry: undefined };

beforeAll(() => {
  globalThis.PerformanceObserver = class {
    constructor(report: (list: { getEntries: () => Entry[] }) => void) {
      onEntries = (entries) => report({ getEntries: () => entries });
    }
    observe() {}
  } as never;
  jest.spyOn(performance, 'now').mockImplementation(() => clock.now);
  performance.getEntriesByType = () => (navigation.entry ? [navigation.entry] : []) as never;
});
beforeEach(() => {
  clock.now = 0;
  navigation.entry = undefined;
  document.body.replaceChildren();
});

const newResources = () => new Resources('https://watch.example/');
const fetched = (name: string, more: Partial<Entry> = {}): Entry => ({
  name,
  initiatorType: 'script',
  startTime: 10,
  duration: 20.04,
  transferSize: 300,
  ...more,
});
const valueOf = (record: LogRecord, wanted: string) => {
  const value = record.attributes.find(({ key }) => key === wanted)?.value;
  return value && ('stringValue' in value ? value.stringValue : value.doubleValue);
};

describe('what a page fetched', () => {
  test('is told without what came behind the path, from the begin of the view on, and without the snippet’s own', () => {
    const resources = newResources();
    onEntries([
      fetched('https://shop.example/a.js?person=7#x'),
      fetched('https://shop.example/early.js', { startTime: 2 }),
      fetched('https://watch.example/v1/browser?key=k'),
      fetched('https://shop.example/prices', { initiatorType: 'fetch' }),
    ]);
    expect(resources.since(5)).toEqual({ rows: [['https://shop.example/a.js', 'script', 5, 20, 300, 0]], more: 0 });
  });

  test('calls are told with their trace, as they were watched', () => {
    const resources = newResources();
    resources.addCall(['https://shop.example/prices', 'fetch', 40, 100, 0, 0, 'a'.repeat(32), 'b'.repeat(16)]);
    expect(resources.since(30).rows).toEqual([
      ['https://shop.example/prices', 'fetch', 10, 100, 0, 0, 'a'.repeat(32), 'b'.repeat(16)],
    ]);
  });

  test('a picture that failed, one that answered badly and one that does not come are missing', () => {
    const resources = newResources();
    const image = document.createElement('img');
    image.src = 'https://shop.example/gone.png';
    document.body.append(image);
    clock.now = 1_000;
    image.dispatchEvent(new Event('error'));
    onEntries([fetched('https://shop.example/old.css', { initiatorType: 'link', responseStatus: 404 })]);
    const hangs = document.createElement('img');
    hangs.src = 'https://shop.example/slow.png';
    Object.defineProperty(hangs, 'complete', { value: false });
    Object.defineProperty(image, 'complete', { value: true });
    document.body.append(hangs);
    const missing = () =>
      resources
        .since(0)
        .rows.filter(([, , , , , isMissing]) => isMissing)
        .map(([url]) => url.split('/').at(-1));
    expect(missing().sort()).toEqual(['gone.png', 'old.css']);
    clock.now = 5_000;
    expect(missing().sort()).toEqual(['gone.png', 'old.css', 'slow.png']);
  });

  test('of too many the missing and the slow ones are told, in order, and how many more there were', () => {
    const resources = newResources();
    onEntries(
      Array.from({ length: 200 }, (_, i) =>
        fetched(`https://shop.example/${i}.js`, { startTime: i, duration: i === 7 ? 9_000 : 1 + (i % 5) }),
      ),
    );
    const { rows, more } = resources.since(0);
    expect(rows.length).toBeLessThanOrEqual(60);
    expect(rows.length + more).toBe(200);
    expect(rows.map(([url]) => url)).toContain('https://shop.example/7.js');
    const starts = rows.map(([, , startMs]) => startMs);
    expect(starts).toEqual([...starts].sort((a, b) => a - b));
    expect(JSON.stringify(rows).length).toBeLessThanOrEqual(7_500);
  });
});

describe('a view', () => {
  test('of a load tells the moments of its navigation, and the attempt that answered it', () => {
    navigation.entry = {
      responseStart: 120.5,
      domInteractive: 300,
      loadEventEnd: 0,
      serverTiming: [
        { name: 'cache', description: 'hit' },
        { name: 'traceparent', description: `00-${'a'.repeat(32)}-${'b'.repeat(16)}-01` },
      ],
    };
    const view = new View('load', 0, '/send');
    view.vitals['toplens.vital.lcp'] = 812;
    const first = view.record({ 'session.id': 's' }, newResources());
    expect(first).toMatchObject({ eventName: 'toplens.page_view', traceId: 'a'.repeat(32), spanId: 'b'.repeat(16) });
    expect(valueOf(first, 'toplens.timing.responseStart')).toBe(120.5);
    expect(valueOf(first, 'toplens.vital.lcp')).toBe(812);
    expect([valueOf(first, 'url.path'), valueOf(first, 'session.id'), valueOf(first, 'toplens.view.sequence')]).toEqual(
      ['/send', 's', 1],
    );
    const again = view.record({}, newResources());
    expect([valueOf(again, 'toplens.view.sequence'), valueOf(again, 'toplens.view.id')]).toEqual([2, view.id]);
  });

  test('of a route has no navigation of its own', () => {
    navigation.entry = {
      responseStart: 120.5,
      serverTiming: [{ name: 'traceparent', description: `00-${'a'.repeat(32)}-${'b'.repeat(16)}-01` }],
    };
    const told = new View('route', 900, '/track').record({}, newResources());
    expect(told.traceId).toBeUndefined();
    expect(valueOf(told, 'toplens.timing.responseStart')).toBeUndefined();
    expect(valueOf(told, 'toplens.view.kind')).toBe('route');
  });

  test.each(['', 'nonsense', `00-${'A'.repeat(32)}-${'b'.repeat(16)}-01`])(
    'a server that says "%s" names no attempt',
    (description) => {
      navigation.entry = { serverTiming: [{ name: 'traceparent', description }] };
      expect(new View('load', 0, '/').record({}, newResources()).traceId).toBeUndefined();
    },
  );
});
