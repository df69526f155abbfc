import fc from 'fast-check';
import type { LogRecord } from '../formats';
import { eventOfCloudEvent, eventOfLine, eventOfRecord, isBusinessEvent } from './business-event';
import { linePattern, lineReader } from './line-pattern';
import { upTo } from '../fixtures/time-range';
import { unlessRefused } from '../fixtures/unless-refused';

const LATEST_US = 2e15;
// Enough of a hash for tests: the same for the same text, others for others.
const idOf = (of: string) =>
  [...of]
    .reduce((h, c) => (Math.imul(h, 31) + c.charCodeAt(0)) >>> 0, 7)
    .toString(16)
    .padStart(16, '0');
const record = (attributes: LogRecord['attributes'], more: Partial<LogRecord> = {}): LogRecord => ({
  atUs: 1e15,
  severity: 9,
  body: '',
  traceId: '',
  spanId: '',
  eventName: 'toplens.business_event',
  resource: { 'service.name': 'shop', 'toplens.application': 'Shop' },
  attributes,
  ...more,
});

describe('events of OTLP logs', () => {
  test('what happened, what it is worth, and who did it', () => {
    const told = record({
      'toplens.event.name': 'Order placed',
      'toplens.value.amount': 12.5,
      'toplens.value.currency': 'EUR',
      'user.id': 'c-7',
      'toplens.tier': 'Gold',
      'session.id': 's',
    });
    expect(isBusinessEvent(told)).toBe(true);
    expect(eventOfRecord(told, upTo(LATEST_US), idOf)).toMatchObject({
      kind: 'businessEvent',
      flow: 'Order placed',
      application: 'Shop',
      component: 'shop',
      startUs: 1e15,
      durationUs: 0,
      failed: false,
      valueMinor: 1250,
      currency: 'EUR',
      person: 'c-7',
      tier: 'Gold',
      session: 's',
    });
  });

  test('without worth it counts all the same', () => {
    expect(eventOfRecord(record({ 'toplens.event.name': 'Signed up' }), upTo(LATEST_US), idOf).valueMinor).toBeNaN();
  });

  test.each([
    [{}, {}, /^toplens\.event\.name/],
    [
      { 'toplens.event.name': 'x', 'toplens.value.amount': '12,50' },
      {},
      /^toplens\.value\.amount: expected a decimal number/,
    ],
    [{ 'toplens.event.name': 'x' }, { atUs: 0 }, /^timeUnixNano/],
    [{ 'toplens.event.name': 'x' }, { atUs: 3e15 }, /^timeUnixNano: lies ahead/],
  ])('%j is refused by name', (attributes, more, reason) => {
    expect(() => eventOfRecord(record(attributes, more), upTo(LATEST_US), idOf)).toThrow(reason);
  });

  test('told again it has the same identity; another person’s, or one with an id of its own, has another', () => {
    const spanId = (attributes: LogRecord['attributes']) =>
      eventOfRecord(record({ 'toplens.event.name': 'x', ...attributes }), upTo(LATEST_US), idOf).spanId;
    expect(spanId({ 'user.id': 'a' })).toBe(spanId({ 'user.id': 'a' }));
    expect(spanId({ 'user.id': 'a' })).not.toBe(spanId({ 'user.id': 'b' }));
    expect(spanId({ 'toplens.event.id': '00f067aa0ba902b7' })).toBe('00f067aa0ba902b7');
  });
});

describe('events of CloudEvents', () => {
  const event = {
    specversion: '1.0',
    id: '1',
    source: '/ledger',
    type: 'example.order.placed',
    time: '2018-04-05T17:31:00Z',
  };

  test('data tells what; the type where it does not', () => {
    const told = {
      ...event,
      data: {
        name: 'Order placed',
        amount: '9.90',
        currency: 'EUR',
        application: 'Shop',
        person: 'c-1',
        tier: 'Gold',
        promotion: 'SPRING',
      },
    };
    expect(eventOfCloudEvent(told, upTo(LATEST_US), idOf)).toMatchObject({
      flow: 'Order placed',
      valueMinor: 990,
      application: 'Shop',
      promotion: 'SPRING',
      startUs: Date.UTC(2018, 3, 5, 17, 31) * 1000,
    });
    expect(eventOfCloudEvent(event, upTo(LATEST_US), idOf)).toMatchObject({
      flow: 'example.order.placed',
      application: '/ledger',
    });
  });

  test.each([
    [{ ...event, specversion: '0.3' }, /^specversion/],
    [{ ...event, id: '' }, /^id/],
    [{ ...event, time: '5 April' }, /^time/],
    [{ ...event, data: { amount: 'much' } }, /^data\.amount/],
    [{ ...event, data: { person: {} } }, /^data\.person/],
    [[], /^event/],
  ])('%j is refused by name', (told, reason) =>
    expect(() => eventOfCloudEvent(told, upTo(LATEST_US), idOf)).toThrow(reason),
  );

  test('whatever is sent is read or refused', () => {
    fc.assert(
      fc.property(
        fc.json(),
        fc.json(),
        (data, id) =>
          void unlessRefused(() =>
            eventOfCloudEvent({ ...event, id: String(id), data: JSON.parse(data) as unknown }, upTo(LATEST_US), idOf),
          ),
      ),
    );
  });
});

describe('lines of logs by a named pattern', () => {
  const read = lineReader([
    { name: 'Order placed', component: 'ledger', pattern: 'order * booked, total {amount} {currency} for {person}' },
    { name: 'Refund', pattern: 'refund of {amount}' },
  ]);

  test('the whole line must fit, from the component that is meant', () => {
    expect(read('ledger', 'order 4711 booked, total 12.50 EUR for c-7')).toEqual({
      name: 'Order placed',
      amount: 12.5,
      texts: { currency: 'EUR', person: 'c-7' },
    });
    expect(read('shop', 'order 4711 booked, total 12.50 EUR for c-7')).toBeUndefined();
    expect(read('ledger', 'order 4711 booked, total 12.50 EUR for c-7, again')).toBeUndefined();
    expect(read('shop', 'refund of -3')).toEqual({ name: 'Refund', amount: -3, texts: {} });
    expect(read('shop', 'refund of nothing')).toBeUndefined();
    expect(lineReader([{ name: 'x', pattern: '*paid {amount}*' }])('', 'unpaid 1, paid 2')).toMatchObject({
      amount: 1,
    });
  });

  test('signs of expressions are letters here', () => {
    expect(lineReader([{ name: 'x', pattern: 'a.b (c) [{amount}]' }])('', 'a.b (c) [2]')?.amount).toBe(2);
    expect(lineReader([{ name: 'x', pattern: 'a.b' }])('', 'axb')).toBeUndefined();
  });

  test.each([
    ['{price}', /\{price\}: expected one of \{amount\}/],
    ['{person}{site}', /\{person\}: touches the place behind it/],
    ['{amount} {amount}', /\{amount\}: is there twice/],
  ])('%s is refused', (pattern, reason) => {
    expect(() => linePattern(pattern)).toThrow(reason);
  });

  test('a line leads to its trace, and is told from others by what it says', () => {
    const line = record({}, { traceId: '4bf92f3577b34da6a3ce929d0e0e4736', eventName: '' });
    const match = { name: 'Order placed', amount: 12.5, texts: { person: 'c-7' } };
    const one = eventOfLine(match, line, 'line 1', idOf);
    expect(one).toMatchObject({
      traceId: '4bf92f3577b34da6a3ce929d0e0e4736',
      person: 'c-7',
      valueMinor: 1250,
      application: 'Shop',
      component: 'shop',
    });
    expect(eventOfLine(match, line, 'line 2', idOf).spanId).not.toBe(one.spanId);
  });
});
