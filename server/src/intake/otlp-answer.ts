/** google.rpc.Code, as OTLP uses it for both transports. */
export const RPC = {
  ok: 0,
  invalidArgument: 3,
  permissionDenied: 7,
  resourceExhausted: 8,
  internal: 13,
  unavailable: 14,
  unauthenticated: 16,
} as const;

const CODES: Readonly<Record<number, number>> = {
  400: RPC.invalidArgument,
  401: RPC.unauthenticated,
  403: RPC.permissionDenied,
  413: RPC.resourceExhausted,
  415: RPC.invalidArgument,
  429: RPC.resourceExhausted,
  503: RPC.unavailable,
};

/** The google.rpc.Code that says the same as an HTTP status. */
export const rpcCodeOf = (httpStatus: number): number => CODES[httpStatus] ?? RPC.internal;

/** What the protocol calls the number of records that were not taken, by signal. */
export const REJECTED = { traces: 'rejectedSpans', logs: 'rejectedLogRecords', metrics: 'rejectedDataPoints' } as const;
export type OtlpSignal = keyof typeof REJECTED;
export const OTLP_SIGNALS = ['traces', 'logs', 'metrics'] as const satisfies readonly OtlpSignal[];

/**
 * Export…ServiceResponse { partial_success = 1 { rejected_… = 1, error_message = 2 } } in protobuf, alike for all
 * signals; empty when all was taken.
 */
export const encodeExportResponse = (rejected: number, message: string): Buffer =>
  rejected === 0
    ? Buffer.alloc(0)
    : field(1, Buffer.concat([varintField(1, rejected), field(2, Buffer.from(message))]));

/** google.rpc.Status { code = 1, message = 2, details = 3 } in protobuf. */
export const encodeStatus = (code: number, message: string, details: Buffer = Buffer.alloc(0)): Buffer =>
  Buffer.concat([varintField(1, code), field(2, Buffer.from(message)), details]);

/**
 * details = 3 of a google.rpc.Status: google.protobuf.Any { type_url = 1, value = 2 } with google.rpc.RetryInfo {
 * retry_delay = 1 { seconds = 1 } }: what tells a sender by OTLP/gRPC that sending again is of use, and when.
 */
export const encodeRetryInfo = (seconds: number): Buffer =>
  field(
    3,
    Buffer.concat([
      field(1, Buffer.from('type.googleapis.com/google.rpc.RetryInfo')),
      field(2, field(1, varintField(1, seconds))),
    ]),
  );

const varint = (value: number): number[] =>
  value < 0x80 ? [value] : [(value % 0x80) | 0x80, ...varint(Math.floor(value / 0x80))];
const varintField = (number: number, value: number) => Buffer.from([...varint(number << 3), ...varint(value)]);
const field = (number: number, bytes: Buffer) =>
  Buffer.concat([Buffer.from([...varint((number << 3) | 2), ...varint(bytes.length)]), bytes]);
