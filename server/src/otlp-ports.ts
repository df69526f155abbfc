import express, { type Express } from 'express';
import type { Logger } from 'pino';
import type { ServerStateShape } from './contract/server';
import { closeHttp, httpServer, listen } from './http-server';
import { OtlpGrpc } from './intake/grpc';
import type { Intake } from './intake/intake';
import { intakeRoutes, type IntakeRouteOptions } from './intake/routes';
import { problemHandler } from './problems';

type WayIn = ServerStateShape['waysIn'][number];

export interface OtlpPortsOptions extends IntakeRouteOptions {
  host: string;
  maxConnections: number;
  /** as of the main port */
  tls?: { cert: string; key: string } | undefined;
  /** 0: any free one; none: not opened */
  otlpPorts: { grpc: number | undefined; http: number | undefined };
  log: Logger;
}

/**
 * The ports at which OpenTelemetry clients look first, beside the main one: 4317 for gRPC, 4318 for HTTP. One that is
 * taken by something else stops nothing: it is told in the log and on the screen.
 */
export class OtlpPorts {
  readonly ways: WayIn[] = [];
  readonly #close: (() => Promise<void>)[] = [];

  static async open(intake: Intake, options: OtlpPortsOptions): Promise<OtlpPorts> {
    const ports = new OtlpPorts();
    const { host, otlpPorts, log } = options;
    const { grpc, http } = otlpPorts;
    if (grpc !== undefined)
      await ports.#add('OTLP/gRPC', { host, port: grpc, variable: 'TOPLENS_OTLP_GRPC_PORT', log }, async () => {
        const server = await OtlpGrpc.open(intake, { ...options, port: grpc });
        return { port: server.port, close: () => server.close() };
      });
    if (http !== undefined)
      await ports.#add('OTLP/HTTP', { host, port: http, variable: 'TOPLENS_OTLP_HTTP_PORT', log }, async () => {
        const server = httpServer(options.maxConnections, options.tls);
        server.on('request', telemetryApp(intake, options));
        return { port: await listen(server, { host, port: http }), close: () => closeHttp(server) };
      });
    return ports;
  }

  async #add(
    protocol: WayIn['protocol'],
    { host, port, variable, log }: { host: string; port: number; variable: string; log: Logger },
    open: () => Promise<{ port: number; close: () => Promise<void> }>,
  ): Promise<void> {
    const at = (bound: number) => `http://${host}:${bound}`;
    try {
      const opened = await open();
      this.#close.push(opened.close);
      this.ways.push({ protocol, address: at(opened.port), trouble: '' });
    } catch (error) {
      const trouble = `Port ${port} cannot be opened; ${variable} names another, 0 for none.`;
      log.warn({ err: error, port }, `${protocol} is not taken here: ${trouble}`);
      this.ways.push({ protocol, address: at(port), trouble });
    }
  }

  async close(): Promise<void> {
    await Promise.all(this.#close.map((close) => close()));
  }
}

/** An application that takes telemetry and nothing else. */
function telemetryApp(intake: Intake, options: OtlpPortsOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(intakeRoutes(intake, options));
  app.use((_request, response) => {
    response.status(404).type('text').send('Telemetry alone is taken here: POST /v1/traces, /v1/logs, /v1/metrics.\n');
  });
  app.use(problemHandler(options.log));
  return app;
}
