import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import express from 'express';
import type { Logger } from 'pino';
import { problemHandler } from '../problems';
import { OtlpGrpc } from './grpc';
import type { Intake } from './intake';
import { intakeRoutes, type IntakeRouteOptions } from './routes';

/** An address that telemetry is taken at. */
export interface WayIn {
  protocol: 'OTLP/HTTP' | 'OTLP/gRPC';
  address: string;
  /** why it is not open; '' when it is */
  trouble: string;
}

export interface OtlpPortsOptions extends IntakeRouteOptions {
  host: string;
  /** 0: any free one; none: not opened */
  otlpPorts: { grpc: number | undefined; http: number | undefined };
  log: Logger;
}

const HEADERS_MS = 20_000;
const REQUEST_MS = 60_000;

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
        const server = await openHttp(intake, options, http);
        return { port: (server.address() as AddressInfo).port, close: () => closeHttp(server) };
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

async function openHttp(intake: Intake, options: OtlpPortsOptions, port: number): Promise<Server> {
  const app = express();
  app.disable('x-powered-by');
  app.use(intakeRoutes(intake, options));
  app.use((_request, response) => {
    response.status(404).type('text').send('Telemetry alone is taken here: POST /v1/traces, /v1/logs, /v1/metrics.\n');
  });
  app.use(problemHandler(options.log));
  const server = createServer({ headersTimeout: HEADERS_MS, requestTimeout: REQUEST_MS }, app);
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, options.host, resolve);
  });
  return server;
}

async function closeHttp(server: Server): Promise<void> {
  const closed = new Promise((resolve) => server.close(resolve));
  server.closeAllConnections();
  await closed;
}
