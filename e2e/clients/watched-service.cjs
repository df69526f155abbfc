// A service with the OpenTelemetry JS SDK whose code is watched: started with `--import watch.mjs`, it knows nothing of
// that. Run by e2e/watch.test.ts, which asks it over HTTP.
const { NodeTracerProvider, SimpleSpanProcessor } = require('@opentelemetry/sdk-trace-node');
const { resourceFromAttributes } = require('@opentelemetry/resources');
const { registerInstrumentations } = require('@opentelemetry/instrumentation');
const { HttpInstrumentation } = require('@opentelemetry/instrumentation-http');
const { ExpressInstrumentation } = require('@opentelemetry/instrumentation-express');
const { OTLPTraceExporter } = require('@opentelemetry/exporter-trace-otlp-proto');

const provider = new NodeTracerProvider({
  resource: resourceFromAttributes({ 'service.name': process.env.OTEL_SERVICE_NAME }),
  spanProcessors: [new SimpleSpanProcessor(new OTLPTraceExporter({ url: `${process.argv[2]}/v1/traces` }))],
});
provider.register();
// The one who watches asks Top Lens: that is no work of the service.
const ignoreOutgoingRequestHook = () => true;
registerInstrumentations({
  tracerProvider: provider,
  instrumentations: [new HttpInstrumentation({ ignoreOutgoingRequestHook }), new ExpressInstrumentation()],
});

const app = require('express')();
const SURCHARGES = { 0: 0, 1: 90 };
app.get('/labels/:weight', (request, response) => {
  const parcel = { weight: Number(request.params.weight), sender: { password: 'hunter22' } };
  const band = Math.floor(parcel.weight / 5);
  const surcharge = SURCHARGES[band];
  if (surcharge === undefined) {
    // What is wrong was never written anywhere: it is seen at this line alone.
    return response.status(500).json({ error: 'no surcharge' });
  }
  response.json({ surcharge });
});
const server = app.listen(0, '127.0.0.1', () => process.send({ port: server.address().port }));
