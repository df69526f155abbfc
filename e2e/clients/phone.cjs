// What an application on a phone tells through the OpenTelemetry JS SDK and its exporters as they are, with names of the
// published semantic conventions alone: a client that knows nothing of Top Lens but its address and its key.
const { NodeTracerProvider, BatchSpanProcessor } = require('@opentelemetry/sdk-trace-node');
const { LoggerProvider, BatchLogRecordProcessor } = require('@opentelemetry/sdk-logs');
const { resourceFromAttributes } = require('@opentelemetry/resources');
const { context, SpanKind, SpanStatusCode, trace } = require('@opentelemetry/api');
const names = require('@opentelemetry/semantic-conventions/incubating');
const spansAs = {
  protobuf: require('@opentelemetry/exporter-trace-otlp-proto'),
  json: require('@opentelemetry/exporter-trace-otlp-http'),
};
const logsAs = {
  protobuf: require('@opentelemetry/exporter-logs-otlp-proto'),
  json: require('@opentelemetry/exporter-logs-otlp-http'),
};

const [url, encoding, key] = process.argv.slice(2);
const headers = { 'toplens-key': key };
const resource = resourceFromAttributes({
  [names.ATTR_SERVICE_NAME]: `round-${encoding}`,
  [names.ATTR_SERVICE_VERSION]: '7.3.0',
  [names.ATTR_DEVICE_MODEL_NAME]: 'Tessel 5',
  [names.ATTR_OS_NAME]: 'Android',
  [names.ATTR_OS_VERSION]: '16',
});
const spans = new NodeTracerProvider({
  resource,
  spanProcessors: [
    new BatchSpanProcessor(new spansAs[encoding].OTLPTraceExporter({ url: `${url}/v1/traces`, headers })),
  ],
});
const logs = new LoggerProvider({
  resource,
  processors: [
    new BatchLogRecordProcessor({ exporter: new logsAs[encoding].OTLPLogExporter({ url: `${url}/v1/logs`, headers }) }),
  ],
});
const tracer = spans.getTracer('phone');
const logger = logs.getLogger('phone');

async function main() {
  const session = { [names.ATTR_SESSION_ID]: `session-${encoding}`, [names.ATTR_USER_ID]: 'driver-1' };
  tracer.startSpan('start', { attributes: { 'start.type': 'cold', ...session } }).end();
  const screen = tracer.startSpan('Photo', { attributes: { [names.ATTR_APP_SCREEN_NAME]: 'Photo', ...session } });
  const request = tracer.startSpan(
    'PUT',
    {
      kind: SpanKind.CLIENT,
      attributes: {
        [names.ATTR_HTTP_REQUEST_METHOD]: 'PUT',
        [names.ATTR_URL_FULL]: 'https://photos.round.example/photos/4711?who=me',
        [names.ATTR_SERVER_ADDRESS]: 'photos.round.example',
        [names.ATTR_HTTP_RESPONSE_STATUS_CODE]: 503,
        [names.ATTR_HTTP_REQUEST_BODY_SIZE]: 1000,
        ...session,
      },
    },
    trace.setSpan(context.active(), screen),
  );
  request.setStatus({ code: SpanStatusCode.ERROR });
  request.end();
  screen.end();
  logger.emit({
    eventName: names.EVENT_APP_WIDGET_CLICK,
    attributes: { [names.ATTR_APP_WIDGET_ID]: 'keep', [names.ATTR_APP_WIDGET_NAME]: 'Keep photo', ...session },
  });
  logger.emit({
    eventName: names.EVENT_APP_CRASH,
    attributes: {
      [names.ATTR_APP_CRASH_ID]: `crash-${encoding}`,
      [names.ATTR_APP_SCREEN_NAME]: 'Photo',
      [names.ATTR_EXCEPTION_TYPE]: 'java.lang.IllegalStateException',
      [names.ATTR_EXCEPTION_MESSAGE]: 'no camera',
      [names.ATTR_EXCEPTION_STACKTRACE]:
        'java.lang.IllegalStateException: no camera\n\tat app.round.Photo.keep(Photo.kt:7)',
      ...session,
    },
  });
  await Promise.all([spans.shutdown(), logs.shutdown()]);
  process.send({ sent: true });
}
void main();
