import { JsonLogsSerializer, ProtobufLogsSerializer } from '@opentelemetry/otlp-transformer';
import { resourceFromAttributes } from '@opentelemetry/resources';
import { InMemoryLogRecordExporter, LoggerProvider, SimpleLogRecordProcessor } from '@opentelemetry/sdk-logs';
import fc from 'fast-check';
import { MalformedTelemetry, readLogsJson, readLogsProtobuf } from './index';

/** Records as the OpenTelemetry SDK makes them, and the two forms in which its exporters send them. */
function sent(emit: (logger: ReturnType<LoggerProvider['getLogger']>) => void) {
  const exporter = new InMemoryLogRecordExporter();
  const provider = new LoggerProvider({
    resource: resourceFromAttributes({ 'service.name': 'slots', 'host.name': 'coast-3' }),
    processors: [new SimpleLogRecordProcessor({ exporter })],
  });
  emit(provider.getLogger('test'));
  const records = exporter.getFinishedLogRecords();
  const json = Buffer.from(JsonLogsSerializer.serializeRequest(records) as Uint8Array).toString();
  return {
    records,
    json: readLogsJson(JSON.parse(json)),
    protobuf: readLogsProtobuf(ProtobufLogsSerializer.serializeRequest(records) as Uint8Array),
  };
}

test('a line of the OpenTelemetry SDK reads the same from both encodings', () => {
  const { json, protobuf } = sent((logger) => {
    logger.emit({
      timestamp: [1_700_000_000, 123_456_789],
      severityNumber: 17,
      severityText: 'ERROR',
      body: 'no slot\nfor 17',
      attributes: { 'exception.type': 'SlotGone', n: 3 },
    });
    logger.emit({
      severityText: 'Warning',
      body: { free: 2, names: ['a', 'b'] },
      eventName: 'toplens.change',
      attributes: { list: ['x', 'y'] },
    });
  });
  expect(protobuf).toEqual(json);
  expect(json[0]).toMatchObject({
    atUs: 1_700_000_000_123_456,
    severity: 17,
    body: 'no slot\nfor 17',
    traceId: '',
    attributes: { 'exception.type': 'SlotGone', n: 3 },
    resource: { 'service.name': 'slots', 'host.name': 'coast-3' },
  });
  expect(json[1]).toMatchObject({
    severity: 13,
    body: '{"free":2,"names":["a","b"]}',
    eventName: 'toplens.change',
    attributes: { list: '["x","y"]' },
  });
  expect(json[1]?.atUs).toBeGreaterThan(1_700_000_000_000_000);
});

test('random bodies and attributes read the same from both encodings', () => {
  const value = fc.letrec((tie) => ({
    any: fc.oneof(
      { depthSize: 'small' },
      fc.string(),
      fc.boolean(),
      fc.integer(),
      fc.double({ noNaN: true, min: -1e9, max: 1e9 }).map((x) => x + 0),
      fc.array(tie('any'), { maxLength: 3 }),
      fc.dictionary(fc.string({ minLength: 1 }), tie('any'), { maxKeys: 3 }),
    ),
  })).any;
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          body: value,
          at: fc.nat(),
          attributes: fc.dictionary(fc.string({ minLength: 1 }), value, { maxKeys: 4 }),
        }),
        { maxLength: 4 },
      ),
      (lines) => {
        const { json, protobuf, records } = sent((logger) => {
          for (const { body, at, attributes } of lines)
            logger.emit({
              timestamp: [1_700_000_000, at % 1e9],
              body: body as string,
              attributes: attributes as Record<string, string>,
            });
        });
        expect(protobuf).toEqual(json);
        expect(json).toHaveLength(records.length);
      },
    ),
    { numRuns: 200 },
  );
});

test('random bytes never do more than be refused', () => {
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 300 }), (noise) => {
      try {
        readLogsProtobuf(noise);
      } catch (error) {
        expect(error).toBeInstanceOf(MalformedTelemetry);
      }
    }),
    { numRuns: 500 },
  );
});

test('values nested beyond measure are cut off, not followed', () => {
  let value: object = { stringValue: 'deep' };
  for (let i = 0; i < 50; i++) value = { arrayValue: { values: [value] } };
  const [record] = readLogsJson({
    resourceLogs: [{ scopeLogs: [{ logRecords: [{ timeUnixNano: '1', body: value }] }] }],
  });
  expect(record?.body.length).toBeLessThan(8_001);
});

test('what is wrong is named by its place', () => {
  expect(() => readLogsJson({ resourceLogs: [{ scopeLogs: [{ logRecords: 3 }] }] })).toThrow(
    'resourceLogs[0].scopeLogs[0].logRecords: expected a list',
  );
});
