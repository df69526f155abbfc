import { cleanText, numberOf, whyRejected, type Span } from './index';
import { upTo } from '../fixtures/time-range';

const good: Span = {
  traceId: '4bf92f3577b34da6a3ce929d0e0e4736',
  spanId: '00f067aa0ba902b7',
  parentSpanId: '',
  name: '',
  kind: 2,
  startUs: 1e15,
  durationUs: 1000,
  error: false,
  exceptionType: '',
  exception: {},
  attributes: {},
  resource: {},
};

test.each<[Partial<Span>, string | undefined]>([
  [{}, undefined],
  [{ traceId: '4bf9' }, 'traceId'],
  [{ traceId: '0'.repeat(32) }, 'traceId'],
  [{ spanId: 'xyz' }, 'spanId'],
  [{ parentSpanId: '12' }, 'parentSpanId'],
  [{ startUs: NaN }, 'startTimeUnixNano'],
  [{ durationUs: -1 }, 'ends before it starts'],
  [{ durationUs: NaN }, 'endTimeUnixNano'],
  [{ durationUs: 25 * 3600 * 1e6 }, 'longer than 24 hours'],
  [{ startUs: 3e15 }, "this server's clock"],
])('a span with %j is taken or refused with the field named', (change, reason) => {
  const said = whyRejected({ ...good, ...change }, upTo(2e15));
  if (reason === undefined) expect(said).toBeUndefined();
  else expect(said).toContain(reason);
});

test('texts are cut and cleaned, markup stays text, halves of characters are replaced', () => {
  expect(cleanText('a\u0000b\n<i>')).toBe('a b <i>');
  expect(cleanText('x'.repeat(1000))).toHaveLength(256);
  expect(cleanText('\ud83d')).toBe('\ufffd');
});

test('numbers are read from text too; what is no number is none', () => {
  expect([numberOf('12.5'), numberOf(3), numberOf('NaN'), numberOf(true), numberOf('')]).toEqual([
    12.5,
    3,
    undefined,
    undefined,
    undefined,
  ]);
});
