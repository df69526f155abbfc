// A page's script with the OpenTelemetry SDK, as a team would write it: bundled by the test, run in Chromium from another
// origin than the server's.
import { SpanKind } from '@opentelemetry/api';
import { OTLPTraceExporter } from '@opentelemetry/exporter-trace-otlp-http';
import { resourceFromAttributes } from '@opentelemetry/resources';
import { BasicTracerProvider, SimpleSpanProcessor } from '@opentelemetry/sdk-trace-base';

const { server, key } = document.currentScript.dataset;
const resource = resourceFromAttributes({
  'service.name': 'shop-pages',
  'telemetry.sdk.language': 'webjs',
});
const provider = new BasicTracerProvider({
  resource,
  spanProcessors: [
    new SimpleSpanProcessor(new OTLPTraceExporter({ url: `${server}/v1/traces`, headers: { 'toplens-key': key } })),
  ],
});
const span = provider
  .getTracer('page')
  .startSpan('GET', { kind: SpanKind.CLIENT, attributes: { 'http.request.method': 'GET', 'url.full': location.href } });
span.end();
provider.forceFlush().then(
  () => (document.title = `sent ${span.spanContext().traceId}`),
  (error) => (document.title = `failed: ${error.message}`),
);
