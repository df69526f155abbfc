import { keyWords, sdkVariables } from './client-setup';

const waysIn = [
  { protocol: 'OTLP/HTTP' as const, address: 'http://127.0.0.1:4400', trouble: '' },
  { protocol: 'OTLP/gRPC' as const, address: 'http://127.0.0.1:4317', trouble: '' },
];

test('an SDK is given the address, the protocol, and a key where one is needed', () => {
  expect(sdkVariables({ waysIn, keysNeeded: true }, 'OTLP/gRPC').split('\n').slice(1)).toEqual([
    'OTEL_EXPORTER_OTLP_ENDPOINT=http://127.0.0.1:4317',
    'OTEL_EXPORTER_OTLP_PROTOCOL=grpc',
    'OTEL_EXPORTER_OTLP_HEADERS=toplens-key=your-ingest-key',
  ]);
  expect(sdkVariables({ waysIn, keysNeeded: false }, 'OTLP/HTTP')).not.toContain('HEADERS');
});

test('where the port of gRPC is not open, HTTP is offered in its place', () => {
  const closed = waysIn.map((way) => ({ ...way, trouble: way.protocol === 'OTLP/gRPC' ? 'taken' : '' }));
  expect(sdkVariables({ waysIn: closed, keysNeeded: false }, 'OTLP/gRPC')).toContain('http/protobuf');
  expect(sdkVariables({ waysIn: [], keysNeeded: false }, 'OTLP/gRPC')).toBe('');
});

test('who may send is said, and what to do when nobody may', () => {
  expect(keyWords({ keysNeeded: false, keyNames: [] })).toContain('without a key');
  expect(keyWords({ keysNeeded: true, keyNames: [] })).toContain('TOPLENS_INGEST_KEYS=');
  expect(keyWords({ keysNeeded: true, keyNames: ['shop', 'depot'] })).toContain('shop, depot');
});
