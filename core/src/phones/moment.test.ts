import fc from 'fast-check';
import type { LogRecord } from '../formats';
import { RecordRefused, type Span } from '../telemetry';
import { isMoment, momentOfRecord, requestOfSpan } from './moment';
import { readShape } from './screen-shape';

const RANGE = { earliestUs: 0, latestUs: 10_000 };
const PHONE = {
  'service.name': 'round',
  'service.namespace': 'Round',
  'os.name': 'Android',
  'device.model.name': 'Quill 2',
};
const record = (
  eventName: string,
  attributes: LogRecord['attributes'] = {},
  resource: LogRecord['resource'] = PHONE,
): LogRecord => ({
  atUs: 5_000,
  severity: 0,
  body: '',
  traceId: '',
  spanId: '',
  eventName,
  attributes,
  resource,
});
const read = (eventName: string, attributes?: LogRecord['attributes']) =>
  momentOfRecord(record(eventName, attributes), RANGE, (text) => text);

// Names of events and attributes: @opentelemetry/semantic-conventions 1.45.0, experimental_events and -attributes.
test.each([
  ['app.widget.click', { 'app.widget.name': 'Keep', 'app.widget.id': 'b1' }, 'tap', 'Keep'],
  ['app.widget.click', { 'app.widget.id': 'b1' }, 'tap', 'b1'],
  ['app.screen.click', {}, 'tap', 'screen'],
  ['device.app.lifecycle', { 'ios.app.state': 'background' }, 'state', 'background'],
  ['session.start', {}, 'state', 'session start'],
  ['exception', { 'exception.type': 'Timeout' }, 'error', 'Timeout'],
  ['toplens.usage', { 'process.cpu.utilization': 0.5 }, 'usage', ''],
])('%s %j is a moment: %s %s', (eventName, attributes, kind, what) => {
  expect(isMoment(record(eventName, attributes as LogRecord['attributes']))).toBe(true);
  expect(read(eventName, attributes as LogRecord['attributes'])).toMatchObject({
    kind,
    what,
    device: 'Quill 2',
    application: 'Round',
  });
});

test('servers and pages tell of exceptions as well: those are no moments', () => {
  expect(isMoment(record('exception', {}, { 'service.name': 'shop' }))).toBe(false);
  expect(isMoment(record('exception', {}, { ...PHONE, 'browser.platform': 'Android' }))).toBe(false);
  expect(isMoment(record('exception', {}, { ...PHONE, 'user_agent.name': 'Chrome Mobile' }))).toBe(false);
  expect(isMoment(record('', {}))).toBe(false);
});

test('the same moment has the same identity, another one has another', () => {
  const { id } = read('app.widget.click', { 'app.widget.id': 'a', 'session.id': 's' });
  expect(read('app.widget.click', { 'app.widget.id': 'a', 'session.id': 's' }).id).toBe(id);
  expect(read('app.widget.click', { 'app.widget.id': 'b', 'session.id': 's' }).id).not.toBe(id);
  expect(read('app.widget.click', { 'app.widget.id': 'a', 'session.id': 't' }).id).not.toBe(id);
});

test('figures that make no sense are not told; a usage that tells nothing is refused', () => {
  expect(read('toplens.usage', { 'process.cpu.utilization': 3, 'process.memory.usage': -1 })).toMatchObject({
    cpu: 1,
    memory: NaN,
  });
  expect(() => read('toplens.usage')).toThrow(RecordRefused);
  expect(() => momentOfRecord({ ...record('app.screen.click'), atUs: 20_000 }, RANGE, String)).toThrow(/timeUnixNano/);
});

const span = (attributes: Span['attributes'], more: Partial<Span> = {}): Span =>
  ({
    traceId: 'a'.repeat(32),
    spanId: 'b'.repeat(16),
    parentSpanId: '',
    name: 'GET',
    kind: 3,
    startUs: 1,
    durationUs: 2,
    error: false,
    exceptionType: '',
    attributes: { 'http.request.method': 'GET', ...attributes },
    resource: PHONE,
    ...more,
  }) as unknown as Span;

test.each([
  [{ 'url.full': 'https://api.round.example/stops/4411?who=me#x' }, 'api.round.example/stops/{id}'],
  [{ 'server.address': 'api.round.example', 'url.template': '/stops/{stop}' }, 'api.round.example/stops/{stop}'],
  [{ 'server.address': 'api.round.example', 'url.path': '/stops/4411' }, 'api.round.example/stops/{id}'],
  [{ 'url.full': 'nonsense' }, 'not told'],
])('the address of %j is host and path, without ids and query', (attributes, address) => {
  expect(requestOfSpan(span(attributes))?.what).toBe(address);
});

test('a request failed without an answer, and with a status from 400 on', () => {
  const failed = (attributes: Span['attributes'], more?: Partial<Span>) =>
    requestOfSpan(span(attributes, more))?.failed;
  expect(failed({ 'http.response.status_code': 399 })).toBe(false);
  expect(failed({ 'http.response.status_code': 400 })).toBe(true);
  expect(failed({}, { error: true })).toBe(true);
});

test('only what a phone itself asks by HTTP is a request', () => {
  expect(requestOfSpan(span({}, { kind: 2 }))).toBeUndefined();
  expect(requestOfSpan(span({}, { resource: { 'service.name': 'shop' } }))).toBeUndefined();
  expect(requestOfSpan(span({ 'http.request.method': '' }))).toBeUndefined();
});

test('any text as the shape of a screen is read or refused in words', () => {
  const piece = fc.oneof(fc.string(), fc.json(), fc.constant('{"width":1,"height":1,"parts":[["text",1,2,3,null]]}'));
  fc.assert(
    fc.property(piece, (text) => {
      try {
        expect(readShape(text).parts.length).toBeLessThanOrEqual(150);
      } catch (error) {
        expect(error).toBeInstanceOf(RecordRefused);
        expect((error as Error).message).toMatch(/^toplens\.shape: /);
      }
    }),
  );
  const parts = (n: number) =>
    JSON.stringify({ width: 390, height: 844, parts: Array.from({ length: n }, () => ['text', 0, 0, 1, 1]) });
  expect(readShape(parts(150)).parts).toHaveLength(150);
  expect(() => readShape(parts(151))).toThrow('150 at most');
});
