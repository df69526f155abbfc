import fc from 'fast-check';
import { attributes, nanos, type LogRecord, type Span } from './otlp';
import { Sender } from './sender';

interface Body {
  resourceLogs?: { resource: { attributes: unknown[] }; scopeLogs: { logRecords: LogRecord[] }[] }[];
  resourceSpans?: { scopeSpans: { spans: Span[] }[] }[];
}

const sent: { url: string; init: RequestInit; body: Body }[] = [];
const answers = { fails: false };
const fetchStandIn = ((url: string, init: RequestInit) => {
  sent.push({ url, init, body: JSON.parse(init.body as string) as Body });
  return answers.fails ? Promise.reject(new TypeError('no network')) : Promise.resolve({ status: 202 });
}) as unknown as typeof window.fetch;

const record = (name: string, size = 10): LogRecord => ({
  timeUnixNano: '1',
  eventName: 'toplens.page_view',
  attributes: attributes({ 'toplens.page': name, text: 'x'.repeat(size) }),
});
const span = (name: string): Span => ({
  traceId: '0'.repeat(31) + '1',
  spanId: '0'.repeat(15) + '1',
  name,
  kind: 3,
  startTimeUnixNano: '1',
  endTimeUnixNano: '2',
  attributes: [],
  status: { code: 0 },
});
const recordsSent = () => sent.flatMap(({ body }) => body.resourceLogs?.[0]?.scopeLogs[0]?.logRecords ?? []);
const namesSent = () =>
  recordsSent().map(
    ({ attributes: all }) =>
      all.flatMap(({ key, value }) => (key === 'toplens.page' && 'stringValue' in value ? [value.stringValue] : []))[0],
  );

const newSender = () =>
  new Sender('https://watch.example/v1/browser?key=k', { 'toplens.application': 'Web shop', empty: '' }, fetchStandIn);

beforeEach(() => {
  jest.useFakeTimers();
  sent.length = 0;
  answers.fails = false;
});
afterEach(() => jest.useRealTimers());

test('what comes within a moment goes in one request, which needs no leave of the other origin', () => {
  const sender = newSender();
  sender.record(record('a'));
  sender.span(span('GET /x'));
  jest.advanceTimersByTime(1_900);
  sender.record(record('b'));
  expect(sent).toEqual([]);
  jest.advanceTimersByTime(200);
  expect(sent).toHaveLength(1);
  expect(sent[0]?.url).toBe('https://watch.example/v1/browser?key=k');
  expect(sent[0]?.init).toMatchObject({
    method: 'POST',
    keepalive: true,
    mode: 'no-cors',
    credentials: 'omit',
    headers: { 'content-type': 'text/plain' },
  });
  expect(namesSent()).toEqual(['a', 'b']);
  expect(sent[0]?.body.resourceSpans?.[0]?.scopeSpans[0]?.spans.map(({ name }) => name)).toEqual(['GET /x']);
  expect(sent[0]?.body.resourceLogs?.[0]?.resource.attributes).toEqual([
    { key: 'toplens.application', value: { stringValue: 'Web shop' } },
  ]);
  jest.advanceTimersByTime(10_000);
  expect(sent).toHaveLength(1);
});

test('a page that goes away sends what there is at once, and nothing when there is nothing', () => {
  const sender = newSender();
  sender.sendNow();
  expect(sent).toEqual([]);
  sender.record(record('a'));
  sender.sendNow();
  expect(namesSent()).toEqual(['a']);
  jest.advanceTimersByTime(5_000);
  expect(sent).toHaveLength(1);
});

test('however much there is: in requests small enough for a page that goes away, each record once and in order', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 25_000 }), { minLength: 1, maxLength: 25 }), (sizes) => {
      sent.length = 0;
      const sender = newSender();
      sizes.forEach((size, i) => sender.record(record(String(i), size)));
      sender.sendNow();
      expect(namesSent()).toEqual(sizes.map((_, i) => String(i)));
      for (const { init } of sent) expect((init.body as string).length).toBeLessThanOrEqual(60_000);
    }),
    { numRuns: 60 },
  );
});

test('a record that is too large alone is left out, and takes no other with it', () => {
  const sender = newSender();
  sender.record(record('a'));
  sender.record(record('huge', 70_000));
  sender.record(record('b'));
  sender.sendNow();
  expect(namesSent()).toEqual(['a', 'b']);
});

test('a network that is away is nothing the page hears of', async () => {
  answers.fails = true;
  const heard = jest.fn();
  process.on('unhandledRejection', heard);
  const sender = newSender();
  sender.record(record('a'));
  sender.sendNow();
  await jest.advanceTimersByTimeAsync(0);
  process.off('unhandledRejection', heard);
  expect(heard).not.toHaveBeenCalled();
});

test('numbers, texts and moments as OTLP writes them', () => {
  expect(attributes({ a: 'x', b: 0, c: undefined, d: '' })).toEqual([
    { key: 'a', value: { stringValue: 'x' } },
    { key: 'b', value: { doubleValue: 0 } },
  ]);
  // 2026-03-10T10:00:00.0005Z: nineteen digits, more than a double holds.
  expect(nanos(Date.UTC(2026, 2, 10, 10) + 0.5)).toBe('1773136800000500000');
});
