import type { LogRecord } from '../formats';
import { toLogLine, whyLineRejected } from './log-line';
import { upTo } from '../fixtures/time-range';

const AT_US = Date.UTC(2026, 2, 10, 10) * 1000;
const LATEST_US = AT_US + 60e6;
const record = (more: Partial<LogRecord> = {}): LogRecord => ({
  atUs: AT_US,
  severity: 17,
  body: 'no slot for parcel 7',
  traceId: '',
  spanId: '',
  eventName: '',
  attributes: {},
  resource: { 'service.name': 'slots', 'host.name': 'coast-3' },
  ...more,
});

describe('a record that cannot be taken says why, and names the field', () => {
  test.each<[string, Partial<LogRecord>]>([
    ['timeUnixNano: missing', { atUs: 0 }],
    ['timeUnixNano: missing', { atUs: NaN }],
    ["timeUnixNano: lies ahead of this server's clock", { atUs: LATEST_US + 1 }],
    ['traceId: expected 16 bytes', { traceId: '0'.repeat(32) }],
    ['traceId: expected 16 bytes', { traceId: 'abc' }],
    ['spanId: expected 8 bytes', { spanId: '0'.repeat(16) }],
    ['spanId: expected 8 bytes', { spanId: 'a'.repeat(15) }],
    ['body: empty, and no exception', { body: '' }],
  ])('%s', (words, more) => {
    expect(whyLineRejected(record(more), upTo(LATEST_US))).toMatch(new RegExp(`^${words}`));
  });

  test.each<[string, Partial<LogRecord>]>([
    ['a plain line', {}],
    ['one with its span', { traceId: 'a'.repeat(32), spanId: 'b'.repeat(16) }],
    ['one of this very moment', { atUs: LATEST_US }],
    ['an exception without a text', { body: '', attributes: { 'exception.type': 'TimeoutError' } }],
    ['an exception without a type', { body: '', attributes: { 'exception.message': 'gone' } }],
  ])('%s can be taken', (_, more) => {
    expect(whyLineRejected(record(more), upTo(LATEST_US))).toBeUndefined();
  });
});

describe('a line', () => {
  test('belongs to the component and the host of its resource, unless it says otherwise itself', () => {
    expect(toLogLine(record())).toEqual({
      atUs: AT_US,
      component: 'slots',
      host: 'coast-3',
      severity: 17,
      traceId: '',
      spanId: '',
      failure: '',
      body: 'no slot for parcel 7',
      repeat: 0,
    });
    expect(toLogLine(record({ attributes: { 'host.name': 'north-1' } }))).toMatchObject({ host: 'north-1' });
    expect(toLogLine(record({ resource: {} }))).toMatchObject({ component: 'unknown service', host: '' });
  });

  test('of an exception says its type and what it said, where there is no text', () => {
    const thrown = { 'exception.type': 'TimeoutError', 'exception.message': 'no answer within 30 s' };
    expect(toLogLine(record({ attributes: thrown }))).toMatchObject({
      failure: 'TimeoutError',
      body: 'no slot for parcel 7',
    });
    expect(toLogLine(record({ body: '', attributes: thrown })).body).toBe('TimeoutError: no answer within 30 s');
    expect(toLogLine(record({ body: '', attributes: { 'exception.message': 'gone' } }))).toMatchObject({
      failure: '',
      body: 'gone',
    });
  });

  test('names are cleaned of what no screen should show', () => {
    expect(toLogLine(record({ resource: { 'service.name': 'slots\u0000\u001b[31m' } })).component).not.toMatch(
      /[\u0000-\u001f]/,
    );
  });
});
