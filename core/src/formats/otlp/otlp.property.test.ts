import fc from 'fast-check';
import { DEFAULT_LIMITS } from '../../telemetry';
import { MalformedTelemetry, readTracesJson, readTracesProtobuf } from './index';

// The reference: protobufjs code that the OpenTelemetry project generated from the published schema.
// eslint-disable-next-line @typescript-eslint/no-require-imports
const generated = require('@opentelemetry/otlp-transformer/build/src/generated/root') as {
  opentelemetry: {
    proto: {
      collector: {
        trace: { v1: { ExportTraceServiceRequest: { encode: (message: object) => { finish: () => Uint8Array } } } };
      };
    };
  };
};
const Request = generated.opentelemetry.proto.collector.trace.v1.ExportTraceServiceRequest;

const hexOf = (bytes: Uint8Array) => Buffer.from(bytes).toString('hex');
const bytes = (length: number) => fc.uint8Array({ minLength: length, maxLength: length });
const nanos = fc.bigInt({ min: 1n, max: 4_000_000_000_000_000_000n });
const anyValue = fc.oneof(
  fc.string().map((stringValue) => ({ stringValue })),
  fc.string({ unit: 'grapheme', minLength: 20, maxLength: 90 }).map((stringValue) => ({ stringValue })),
  fc.boolean().map((boolValue) => ({ boolValue })),
  fc.integer().map((intValue) => ({ intValue })),
  // JSON has no negative zero.
  fc.double({ noNaN: true, noDefaultInfinity: true }).map((doubleValue) => ({ doubleValue: doubleValue + 0 })),
  fc.array(fc.string()).map((values) => ({ arrayValue: { values: values.map((stringValue) => ({ stringValue })) } })),
);
const keys = fc.constantFrom(
  'http.route',
  'user.id',
  'toplens.site',
  'toplens.value.amount',
  'session.id',
  'not.read',
  'db.query.text',
);
const attributes = fc.uniqueArray(fc.record({ key: keys, value: anyValue }), {
  selector: ({ key }) => key,
  maxLength: 6,
});
const span = fc.record({
  traceId: bytes(16),
  spanId: bytes(8),
  parentSpanId: fc.option(bytes(8), { nil: undefined }),
  name: fc.string(),
  kind: fc.integer({ min: 0, max: 5 }),
  startTimeUnixNano: nanos,
  endTimeUnixNano: nanos,
  attributes,
  traceState: fc.oneof(fc.string(), fc.constantFrom('toplens=probe', 'other=1, toplens=probe')),
  flags: fc.nat(),
  events: fc.array(
    fc.record({
      name: fc.constantFrom('exception', 'log', 'loadEventEnd'),
      timeUnixNano: nanos,
      attributes: fc.uniqueArray(
        fc.record({
          key: fc.constantFrom('exception.type', 'exception.message', 'exception.stacktrace', 'else'),
          value: fc.record({ stringValue: fc.string({ unit: fc.constantFrom('a', '\n', '\r', '\t', 'é', '') }) }),
        }),
        { selector: ({ key }) => key, maxLength: 4 },
      ),
    }),
    { maxLength: 2 },
  ),
  links: fc.array(fc.record({ traceId: bytes(16), spanId: bytes(8) }), { maxLength: 2 }),
  status: fc.record({ code: fc.integer({ min: 0, max: 2 }), message: fc.string() }),
});
const request = fc.array(
  fc.record({
    resource: fc.record({ attributes }),
    scopeSpans: fc.array(fc.record({ scope: fc.constant({ name: 'x' }), spans: fc.array(span, { maxLength: 4 }) }), {
      maxLength: 2,
    }),
  }),
  { maxLength: 3 },
);

type Sent = typeof request extends fc.Arbitrary<infer T> ? T : never;

/** fixed64 as the reference takes it: two halves. */
const long = (value: bigint) => ({
  low: Number(value & 0xffffffffn) | 0,
  high: Number(value >> 32n) | 0,
  unsigned: true,
});

const asProtobuf = (sent: Sent) =>
  Request.encode({
    resourceSpans: sent.map((resourceSpans) => ({
      ...resourceSpans,
      scopeSpans: resourceSpans.scopeSpans.map((scope) => ({
        ...scope,
        spans: scope.spans.map((s) => ({
          ...s,
          startTimeUnixNano: long(s.startTimeUnixNano),
          endTimeUnixNano: long(s.endTimeUnixNano),
          events: s.events.map((event) => ({ ...event, timeUnixNano: long(event.timeUnixNano) })),
        })),
      })),
    })),
  }).finish();

/** The JSON mapping of the OTLP specification: ids in hexadecimal, 64-bit numbers as text. */
const asJson = (sent: Sent): unknown =>
  JSON.parse(
    JSON.stringify(
      {
        resourceSpans: sent.map((resourceSpans) => ({
          ...resourceSpans,
          scopeSpans: resourceSpans.scopeSpans.map((scope) => ({
            ...scope,
            spans: scope.spans.map((s) => ({
              ...s,
              traceId: hexOf(s.traceId),
              spanId: hexOf(s.spanId),
              parentSpanId: s.parentSpanId && hexOf(s.parentSpanId),
              links: [],
            })),
          })),
        })),
      },
      (_key, value: unknown) => (typeof value === 'bigint' ? String(value) : value),
    ),
  );

test('random messages read the same from protobuf made by the reference, and from JSON', () => {
  fc.assert(
    fc.property(request, (sent) => {
      const fromProtobuf = readTracesProtobuf(asProtobuf(sent));
      expect(fromProtobuf).toEqual(readTracesJson(asJson(sent)));
      const spans = sent.flatMap((r) => r.scopeSpans.flatMap((s) => s.spans));
      expect(fromProtobuf).toHaveLength(spans.length);
      spans.forEach((s, i) => {
        const read = fromProtobuf[i];
        expect(read?.traceId).toBe(hexOf(s.traceId));
        expect(read?.startUs).toBe(Number(s.startTimeUnixNano / 1000n));
        expect(read?.error).toBe(s.status.code === 2);
        const ended = s.events.find(({ name }) => name === 'loadEventEnd');
        expect(read?.marks).toEqual(ended && { loadEventEnd: Number(ended.timeUnixNano / 1000n) });
      });
    }),
    { numRuns: 300 },
  );
});

test('texts are cut at the lengths that are set, the same from both forms', () => {
  const lengths = { text: 64, message: 70, statement: 80, stack: 90, value: 100 };
  const long = 'x'.repeat(200);
  const any = (key: string) => ({ key, value: { stringValue: long } });
  const sent = {
    resourceSpans: [
      {
        resource: { attributes: [any('service.name')] },
        scopeSpans: [
          {
            spans: [
              {
                name: long,
                attributes: [any('db.query.text')],
                events: [{ name: 'exception', attributes: [any('exception.message'), any('exception.stacktrace')] }],
              },
            ],
          },
        ],
      },
    ],
  };
  for (const [read] of [
    readTracesJson(sent, { ...DEFAULT_LIMITS, lengths }),
    readTracesProtobuf(Request.encode(sent).finish(), { ...DEFAULT_LIMITS, lengths }),
  ]) {
    expect(read?.name).toHaveLength(64);
    expect(read?.resource['service.name']).toHaveLength(64);
    expect(read?.attributes['db.query.text']).toHaveLength(80);
    expect(read?.exception['exception.message']).toHaveLength(70);
    expect(read?.exception['exception.stacktrace']).toHaveLength(90);
  }
});

test('a message cut anywhere is refused or reads as fewer spans, and never hangs or runs over', () => {
  fc.assert(
    fc.property(request, fc.double({ min: 0, max: 1, noNaN: true }), (sent, at) => {
      const whole = asProtobuf(sent);
      try {
        readTracesProtobuf(whole.subarray(0, Math.floor(at * whole.length)));
      } catch (error) {
        expect(error).toBeInstanceOf(MalformedTelemetry);
      }
    }),
  );
});

test('random bytes never do more than be refused', () => {
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 400 }), (noise) => {
      try {
        readTracesProtobuf(noise);
      } catch (error) {
        expect(error).toBeInstanceOf(MalformedTelemetry);
      }
    }),
    { numRuns: 500 },
  );
});

test('JSON as encoders really write it: numbers for 64-bit values, null for NaN, unknown keys and enums', () => {
  const [read] = readTracesJson({
    somethingNew: 1,
    resourceSpans: [
      {
        scopeSpans: [
          {
            spans: [
              {
                traceId: '4BF92F3577B34DA6A3CE929D0E0E4736',
                spanId: '00f067aa0ba902b7',
                kind: 99,
                startTimeUnixNano: '1544712660300000000',
                endTimeUnixNano: 1544712660500000000,
                attributes: [
                  { key: 'toplens.value.amount', value: { doubleValue: null } },
                  { key: 'http.route', value: { stringValue: '<b>\u0007</b>' } },
                  { key: 'http.response.status_code', value: { intValue: '500' } },
                ],
              },
            ],
          },
        ],
      },
    ],
  });
  expect(read).toMatchObject({
    traceId: '4bf92f3577b34da6a3ce929d0e0e4736',
    kind: 1,
    startUs: 1544712660300000,
    durationUs: 200000,
    attributes: { 'http.route': '<b> </b>', 'http.response.status_code': 500 },
  });
  expect(read?.attributes).not.toHaveProperty('toplens.value.amount');
});

test('what is wrong is named by its place', () => {
  expect(() => readTracesJson({ resourceSpans: [{ scopeSpans: {} }] })).toThrow(
    'resourceSpans[0].scopeSpans: expected a list',
  );
  expect(() => readTracesJson([])).toThrow('request body: expected an object');
});
