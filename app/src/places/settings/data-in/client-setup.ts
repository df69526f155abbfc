import type { ServerState } from '@/data/client';

type WayIn = ServerState['waysIn'][number];

/**
 * What the OpenTelemetry SDK of a service is given, as environment variables (OpenTelemetry specification, Environment
 * variable specification and OTLP exporter configuration).
 */
export function sdkVariables(
  { waysIn, keysNeeded }: Pick<ServerState, 'waysIn' | 'keysNeeded'>,
  protocol: WayIn['protocol'],
): string {
  const open = waysIn.filter(({ trouble }) => trouble === '');
  const way = open.find((one) => one.protocol === protocol) ?? open[0];
  if (!way) return '';
  return [
    'OTEL_SERVICE_NAME=the-name-of-your-service',
    `OTEL_EXPORTER_OTLP_ENDPOINT=${way.address}`,
    `OTEL_EXPORTER_OTLP_PROTOCOL=${way.protocol === 'OTLP/gRPC' ? 'grpc' : 'http/protobuf'}`,
    ...(keysNeeded ? ['OTEL_EXPORTER_OTLP_HEADERS=toplens-key=your-ingest-key'] : []),
  ].join('\n');
}

/** Who may send, and with which keys. */
export function keyWords({ keysNeeded, keyNames }: Pick<ServerState, 'keysNeeded' | 'keyNames'>): string {
  if (!keysNeeded) return 'Telemetry is taken without a key: this server runs as a demo.';
  if (keyNames.length === 0)
    return 'No ingest key is set up, so no service can send: start the server with TOPLENS_INGEST_KEYS=name=secret.';
  return `Each request needs an ingest key. Keys are set up for: ${keyNames.join(', ')}.`;
}
