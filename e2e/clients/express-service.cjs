// A small service as anybody would write it, instrumented by the OpenTelemetry JS SDK: a client that knows nothing of
// Top Lens but its address. Run by e2e/open-telemetry-client.test.ts.
const {
  NodeTracerProvider,
  BatchSpanProcessor,
  InMemorySpanExporter,
  SimpleSpanProcessor,
} = require('@opentelemetry/sdk-trace-node');
const { resourceFromAttributes } = require('@opentelemetry/resources');
const { registerInstrumentations } = require('@opentelemetry/instrumentation');
const { HttpInstrumentation } = require('@opentelemetry/instrumentation-http');
const { ExpressInstrumentation } = require('@opentelemetry/instrumentation-express');
const proto = require('@opentelemetry/exporter-trace-otlp-proto');
const json = require('@opentelemetry/exporter-trace-otlp-http');

const [url, encoding] = process.argv.slice(2);
const { OTLPTraceExporter } = encoding === 'protobuf' ? proto : json;
// What the SDK itself measured, to compare with what arrived.
const own = new InMemorySpanExporter();
const provider = new NodeTracerProvider({
  resource: resourceFromAttributes({ 'service.name': `shop-${encoding}` }),
  spanProcessors: [
    new BatchSpanProcessor(new OTLPTraceExporter({ url: `${url}/v1/traces` })),
    new SimpleSpanProcessor(own),
  ],
});
provider.register();
registerInstrumentations({
  tracerProvider: provider,
  instrumentations: [new HttpInstrumentation(), new ExpressInstrumentation()],
});

const express = require('express');
const http = require('node:http');

const app = express();
app.get('/parcels/:id', (request, response) => setTimeout(() => response.json({ id: request.params.id }), 20));
app.post('/labels', (_request, response) => response.status(500).json({ error: 'no surcharge' }));
const { context, SpanKind } = require('@opentelemetry/api');
const { suppressTracing } = require('@opentelemetry/core');

const server = app.listen(0, '127.0.0.1', async () => {
  const { port } = server.address();
  // Requests come from outside any span, as from a browser: each begins a trace of its own at the server.
  const ask = (method, path) =>
    new Promise((resolve, reject) =>
      context.with(suppressTracing(context.active()), () => {
        http
          .request({ port, host: '127.0.0.1', method, path, agent: false }, (response) => {
            response.resume();
            response.on('end', resolve);
          })
          .on('error', reject)
          .end();
      }),
    );
  for (let i = 0; i < 12; i++) await ask('GET', `/parcels/${i}`);
  for (let i = 0; i < 5; i++) await ask('POST', '/labels');
  const entries = own.getFinishedSpans().filter((span) => span.kind === SpanKind.SERVER);
  const durations = entries.map((span) => ({ name: span.name, ms: span.duration[0] * 1e3 + span.duration[1] / 1e6 }));
  await provider.shutdown();
  server.close();
  process.send({ durations });
});
