import Ajv from 'ajv';
import { viewOfRecord } from '../../pages';
import { MalformedTelemetry, readLogsJson } from '..';
import { harToLogs } from './read-har';
import { upTo } from '../../fixtures/time-range';

// The reference: JSON schemas of HAR 1.2, package har-schema 2.0.0 (ISC).
const ajv = new Ajv({ strict: false, validateSchema: false, validateFormats: false });
// The package has no types, and its schemas are of an older draft that Ajv is not asked to check.
const schemas = jest.requireActual<Record<string, { $schema: string; $id: string }>>('har-schema');
for (const { $schema: _draft, ...schema } of Object.values(schemas)) ajv.addSchema(schema);
const isValid = (file: unknown) => ajv.validate('har.json#', file);

const timings = { blocked: 2, dns: 10, connect: 40, ssl: 25, send: 1, wait: 99, receive: 30 };
const entry = (url: string, startedDateTime: string, more: object = {}) => ({
  pageref: 'page_1',
  startedDateTime,
  time: 182,
  cache: {},
  timings,
  request: {
    method: 'GET',
    url,
    httpVersion: 'HTTP/2',
    cookies: [],
    headers: [],
    queryString: [],
    headersSize: -1,
    bodySize: 0,
  },
  response: {
    status: 200,
    statusText: 'OK',
    httpVersion: 'HTTP/2',
    cookies: [],
    headers: [],
    content: { size: 900, mimeType: 'text/html' },
    redirectURL: '',
    headersSize: -1,
    bodySize: 900,
  },
  ...more,
});
const har = (more: object = {}) => ({
  log: {
    version: '1.2',
    creator: { name: 'made up', version: '1' },
    pages: [
      {
        startedDateTime: '2026-11-25T10:00:00.000Z',
        id: 'page_1',
        title: 'Orders',
        pageTimings: { onContentLoad: 400, onLoad: 900 },
      },
    ],
    entries: [
      entry('https://pages.example/orders/17?who=me', '2026-11-25T10:00:00.000Z'),
      entry('https://tiles.example/a.png?key=1', '2026-11-25T10:00:00.300Z', {
        response: { ...entry('', '').response, status: 404, content: { size: 0, mimeType: 'image/png' } },
      }),
    ],
    ...more,
  },
});
const source = {
  component: 'pages',
  application: 'Orders',
  version: '3.1',
  idOf: (text: string) => text.length.toString(16).padStart(16, '0'),
};
const viewsOf = (file: unknown) =>
  readLogsJson(harToLogs(file, source)).map((record) => viewOfRecord(record, upTo(4e15)));

describe('HAR 1.2 files', () => {
  test('a valid one becomes a page view whose parts add up to its load', () => {
    expect(isValid(har())).toBe(true);
    const [view] = viewsOf(har());
    expect(view).toMatchObject({
      page: '/orders/{id}',
      host: 'pages.example',
      component: 'pages',
      application: 'Orders',
      version: '3.1',
      missing: 1,
      atUs: Date.parse('2026-11-25T10:00:00Z') * 1000,
    });
    // redirect, cache, lookup, connect, tls, waiting, transfer, dom, scripts, resources, handlers: by hand from the
    // timings.
    expect(view?.parts).toEqual([0, 2, 10, 15, 25, 100, 30, 0, 218, 500, 0]);
    expect(view?.resources).toEqual([
      expect.objectContaining({
        url: 'https://tiles.example/a.png',
        type: 'img',
        startMs: 300,
        durationMs: 182,
        missing: true,
      }),
    ]);
  });

  test('without pages all entries are of one', () => {
    const file = har({ pages: undefined });
    expect(viewsOf(file)[0]?.parts?.reduce((sum, ms) => sum + ms, 0)).toBeCloseTo(482);
  });

  test.each<[string, (file: ReturnType<typeof har>) => void, string]>([
    ['no log', (file) => delete (file as Partial<typeof file>).log, 'log'],
    ['no entries', (file) => delete (file.log as Partial<typeof file.log>).entries, 'log.entries'],
    [
      'no wait',
      (file) => ((file.log.entries[0] as { timings: object }).timings = { send: 1, receive: 2 }),
      'log.entries[0].timings.wait',
    ],
    [
      'a wait that is a text',
      (file) => ((file.log.entries[0] as { timings: object }).timings = { send: 1, wait: 'long', receive: 2 }),
      'log.entries[0].timings.wait',
    ],
    [
      'no response',
      (file) => delete (file.log.entries[1] as { response?: object }).response,
      'log.entries[1].response',
    ],
    ['no time', (file) => delete (file.log.entries[1] as { time?: number }).time, 'log.entries[1].time'],
    [
      'no page timings',
      (file) => delete (file.log.pages[0] as { pageTimings?: object }).pageTimings,
      'log.pages[0].pageTimings',
    ],
  ])('%s: refused by the schema and, by name, here', (_what, spoil, field) => {
    const file = structuredClone(har());
    spoil(file);
    expect(isValid(file)).toBe(false);
    expect(() => harToLogs(file, source)).toThrow(MalformedTelemetry);
    expect(() => harToLogs(file, source)).toThrow(new RegExp(`^${field.replace(/[.[\]]/g, '\\$&')}: `));
  });

  test('a moment that is none is refused by name', () => {
    const file = har({ entries: [entry('https://pages.example/', 'noon')] });
    expect(() => harToLogs(file, source)).toThrow(/^log\.entries\[0\]\.startedDateTime: /);
  });
});
