import fc from 'fast-check';
import type { LogRecord } from '../formats';
import { RecordRefused } from '../telemetry';
import { attemptBetween, BEGIN_EVENT, beginOrEndOf, END_EVENT, NEVER_ENDED, unendedAttempt } from './index';

const RANGE = { earliestUs: 0, latestUs: 2e15 };
const AT_US = 1e15;
const idOf = (text: string) => Buffer.from(text).toString('hex').slice(-16).padStart(16, '1');

const record = (eventName: string, secondsLater: number, attributes: LogRecord['attributes']): LogRecord => ({
  atUs: AT_US + secondsLater * 1e6,
  severity: 9,
  body: '',
  traceId: '',
  spanId: '',
  eventName,
  attributes: { 'toplens.attempt.id': 'upload-17', ...attributes },
  resource: { 'service.name': 'depot-desk', 'service.version': '4.1' },
});
const begin = (attributes: LogRecord['attributes'] = {}) =>
  record(BEGIN_EVENT, 0, { 'toplens.flow': 'Upload a manifest', 'user.id': 'u-1', ...attributes });
const read = (one: LogRecord) => beginOrEndOf(one, RANGE, idOf);

test('an attempt lasts from its begin to its end; the end may tell what the begin could not know', () => {
  const end = record(END_EVENT, 42, { 'toplens.value.amount': 12.5, 'toplens.site': 'North' });
  expect(attemptBetween(read(begin()), read(end))).toMatchObject({
    flow: 'Upload a manifest',
    component: 'depot-desk',
    version: '4.1',
    person: 'u-1',
    site: 'North',
    startUs: AT_US,
    durationUs: 42e6,
    valueMinor: 1250,
    failed: false,
    kind: 'work',
  });
});

test.each([
  ['an exception', { 'exception.type': 'DiskFull', 'exception.message': 'no room' }, 'DiskFull'],
  ['an outcome', { 'toplens.outcome': 'failed', 'error.type': 'Refused' }, 'Refused'],
])('an end with %s failed', (_what, attributes, failure) => {
  const attempt = attemptBetween(read(begin()), read(record(END_EVENT, 3, attributes)));
  expect(attempt).toMatchObject({ failed: true, failure });
});

test('without an end it failed, and says why', () => {
  expect(unendedAttempt(read(begin()))).toMatchObject({
    failed: true,
    failure: NEVER_ENDED,
    durationUs: 15 * 60e6,
    detail: { message: 'No end came for 15 min: how long it took is not known.' },
  });
  expect(unendedAttempt(read(begin({ 'toplens.idle': 30 }))).durationUs).toBe(30e6);
});

test('an end told twice, or an end before its begin by another clock, is no negative time', () => {
  expect(attemptBetween(read(begin()), read(record(END_EVENT, -5, {}))).durationUs).toBe(0);
});

test.each([
  [record(BEGIN_EVENT, 0, { 'toplens.attempt.id': '', 'toplens.flow': 'x' }), /^toplens\.attempt\.id: missing/],
  [record(BEGIN_EVENT, 0, {}), /^toplens\.flow: missing/],
  [begin({ 'toplens.idle': 'soon' }), /^toplens\.idle: expected 10 to 86400 seconds/],
  [begin({ 'toplens.idle': 9 }), /^toplens\.idle/],
  [begin({ 'toplens.idle': 86_401 }), /^toplens\.idle/],
  [record(BEGIN_EVENT, 2e9, { 'toplens.flow': 'x' }), /^timeUnixNano: /],
])('what cannot be taken is named: %#', (wrong, words) => {
  expect(() => read(wrong)).toThrow(RecordRefused);
  expect(() => read(wrong)).toThrow(words);
});

test('begin and end of one attempt have one id, those of another component or attempt another', () => {
  const ids = (one: LogRecord) => beginOrEndOf(one, RANGE, (text) => text).id;
  fc.assert(
    fc.property(fc.string({ minLength: 1 }), fc.string({ minLength: 1 }), (a, b) => {
      const first = ids(begin({ 'toplens.attempt.id': a }));
      expect(ids(record(END_EVENT, 1, { 'toplens.attempt.id': a }))).toBe(first);
      if (a !== b) expect(ids(begin({ 'toplens.attempt.id': b }))).not.toBe(first);
      expect(ids({ ...begin({ 'toplens.attempt.id': a }), resource: { 'service.name': 'other' } })).not.toBe(first);
    }),
  );
});

test('what cannot be shown is no part of any text', () => {
  const attempt = unendedAttempt(read(begin({ 'toplens.site': 'No\u0000rth', 'secret.attribute': 'x' })));
  expect(attempt.site).toBe('No rth');
});
