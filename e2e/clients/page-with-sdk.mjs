// A page's script with the OpenTelemetry SDK and its instrumentations, as a team would write it: bundled by the test, run
// in Chromium from another origin than the server's.
import { OTLPTraceExporter } from '@opentelemetry/exporter-trace-otlp-http';
import { registerInstrumentations } from '@opentelemetry/instrumentation';
import { DocumentLoadInstrumentation } from '@opentelemetry/instrumentation-document-load';
import { FetchInstrumentation } from '@opentelemetry/instrumentation-fetch';
import { UserInteractionInstrumentation } from '@opentelemetry/instrumentation-user-interaction';
import { resourceFromAttributes } from '@opentelemetry/resources';
import { BatchSpanProcessor, StackContextManager, WebTracerProvider } from '@opentelemetry/sdk-trace-web';

const { server, key, api } = document.currentScript.dataset;
const exporter = new OTLPTraceExporter({ url: `${server}/v1/traces`, headers: { 'toplens-key': key } });
const send = exporter.export.bind(exporter);
exporter.export = (spans, done) =>
  send(spans, (result) => {
    document.title = result.error
      ? `failed: ${result.error.message}`
      : `sent ${spans.map(({ name }) => name).join(' ')}`;
    done(result);
  });
const provider = new WebTracerProvider({
  resource: resourceFromAttributes({ 'service.name': 'shop-pages', 'telemetry.sdk.language': 'webjs' }),
  spanProcessors: [new BatchSpanProcessor(exporter, { scheduledDelayMillis: 300 })],
});
provider.register({ contextManager: new StackContextManager() });
registerInstrumentations({
  tracerProvider: provider,
  instrumentations: [
    new DocumentLoadInstrumentation(),
    new UserInteractionInstrumentation(),
    new FetchInstrumentation({ propagateTraceHeaderCorsUrls: /.*/, ignoreUrls: [new RegExp(server)] }),
  ],
});
addEventListener('DOMContentLoaded', () =>
  document.querySelector('button').addEventListener('click', () => void fetch(`${api}/orders/12`)),
);
