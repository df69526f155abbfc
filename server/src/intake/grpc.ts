import { Metadata, Server, ServerCredentials, type handleUnaryCall, type ServiceDefinition } from '@grpc/grpc-js';
import type { Logger } from 'pino';
import { Problem } from '../errors';
import type { Intake } from './intake';
import { encodeExportResponse, encodeRetryInfo, encodeStatus, OTLP_SIGNALS, RPC, rpcCodeOf } from './otlp-answer';
import { keyIn, phoneOf, type SenderKeys } from './sender-key';
import { asProblem } from './taking';

const SERVICES = {
  traces: 'opentelemetry.proto.collector.trace.v1.TraceService',
  logs: 'opentelemetry.proto.collector.logs.v1.LogsService',
  metrics: 'opentelemetry.proto.collector.metrics.v1.MetricsService',
} as const;

/** Requests of one connection at a time: each is held whole in memory. */
const STREAMS = 16;
const GRACE_MS = 1_000;

export interface GrpcOptions extends SenderKeys {
  host: string;
  /** 0: any free one */
  port: number;
  maxBodyBytes: number;
  log: Logger;
}

/** Bytes as they came: the same decoder reads them as for OTLP/HTTP. */
const asIs = {
  requestSerialize: toBuffer,
  requestDeserialize: toBuffer,
  responseSerialize: toBuffer,
  responseDeserialize: toBuffer,
};

function toBuffer(bytes: Buffer): Buffer {
  return bytes;
}

/**
 * OTLP/gRPC, by the OpenTelemetry protocol specification 1.x: `Export` of traces, logs and metrics, plain and gzip, with
 * full or partial success; UNAUTHENTICATED, INVALID_ARGUMENT; UNAVAILABLE with RetryInfo when it should be sent again.
 * Intake, journal and checks are those of OTLP/HTTP.
 */
export class OtlpGrpc {
  private constructor(
    private readonly server: Server,
    readonly port: number,
  ) {}

  /** @throws Error when the port is taken */
  static async open(intake: Pick<Intake, 'take' | 'turnedAway'>, options: GrpcOptions): Promise<OtlpGrpc> {
    const server = new Server({
      'grpc.max_receive_message_length': options.maxBodyBytes,
      'grpc.max_concurrent_streams': STREAMS,
    });
    for (const signal of OTLP_SIGNALS) {
      const definition: ServiceDefinition = {
        Export: { path: `/${SERVICES[signal]}/Export`, requestStream: false, responseStream: false, ...asIs },
      };
      const take: handleUnaryCall<Buffer, Buffer> = (call, answer) => {
        const { request, metadata } = call;
        const header = (name: string) => metadata.get(name)[0]?.toString();
        const taken = async () => {
          const phone = phoneOf(keyIn(header), options);
          const { rejected, reasons } = await intake.take(signal, 'protobuf', request, phone);
          return encodeExportResponse(rejected, reasons);
        };
        taken().then(
          (response) => answer(null, response),
          (error: unknown) => {
            const problem = asProblem(error);
            if (problem instanceof Problem)
              intake.turnedAway(problem, { way: `OTLP/gRPC, ${signal}`, from: call.getPeer() });
            answer(failureOf(problem, options.log));
          },
        );
      };
      server.addService(definition, { Export: take });
    }
    const port = await new Promise<number>((resolve, reject) =>
      server.bindAsync(`${options.host}:${options.port}`, ServerCredentials.createInsecure(), (error, bound) =>
        error ? reject(error) : resolve(bound),
      ),
    );
    return new OtlpGrpc(server, port);
  }

  /** What is under way may end; what takes longer is cut. */
  close(): Promise<void> {
    return new Promise((resolve) => {
      const cut = setTimeout(() => this.server.forceShutdown(), GRACE_MS);
      this.server.tryShutdown(() => {
        clearTimeout(cut);
        resolve();
      });
    });
  }
}

function failureOf(problem: unknown, log: Logger): { code: number; details: string; metadata: Metadata } {
  const metadata = new Metadata();
  if (!(problem instanceof Problem)) {
    log.error({ err: problem }, 'a request by gRPC went wrong');
    return { code: RPC.internal, details: 'Something went wrong on the server', metadata };
  }
  const code = rpcCodeOf(problem.status);
  const { retryAfterS } = problem.extra;
  if (retryAfterS !== undefined)
    metadata.set('grpc-status-details-bin', encodeStatus(code, problem.detail, encodeRetryInfo(retryAfterS)));
  return { code, details: problem.detail, metadata };
}
