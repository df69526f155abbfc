import { harToLogs, type HarSource } from '@toplens/core/formats';
import { Router, type Request, type Response } from 'express';
import { Problem } from '../errors';
import type { Encoding } from './journal-record';
import type { Intake } from './intake';
import type { IntakeLimits } from './limits';
import { parseJson } from './decode';
import { eventsOfCsv } from './events-csv';
import { readBody } from './read-body';
import { shortHash } from '../names/short-hash';
import { asProblem, taking, unlessAllRefused } from './taking';

export interface IntakeRouteOptions {
  limits: IntakeLimits;
  maxBodyBytes: number;
  /** key → source */
  ingestKeys: ReadonlyMap<string, string>;
  /** key → component */
  phoneKeys: ReadonlyMap<string, string>;
  /** without any key configured, telemetry is taken only in demo mode */
  demo: boolean;
}

/** What the protocol calls the number of records that were not taken, by signal. */
const REJECTED = { traces: 'rejectedSpans', logs: 'rejectedLogRecords', metrics: 'rejectedDataPoints' } as const;

/**
 * `POST /v1/traces`, `/v1/logs` and `/v1/metrics` as the OTLP/HTTP specification 1.x describes them: protobuf and JSON,
 * plain and gzip; 200 with full or partial success in the encoding of the request; 400 not to be sent again; 429 and
 * 503 with Retry-After. `POST /v1/changes` takes CloudEvents 1.0 in their JSON format, one or a batch; `POST
 * /v1/business-events` CloudEvents as well, or a CSV file; `POST /v1/har` the page loads of a HAR 1.2 file.
 */
export function intakeRoutes(intake: Intake, options: IntakeRouteOptions): Router {
  const router = Router();
  const limits = { ...options.limits, bytes: options.maxBodyBytes };
  for (const signal of ['traces', 'logs', 'metrics'] as const)
    router.post(`/v1/${signal}`, async (request, response) => {
      const encoding = encodingOf(request);
      try {
        const phone = options.phoneKeys.get(keyOf(request) ?? '');
        if (phone === undefined) checkKey(request, options);
        const body = await readBody(request, limits);
        const { rejected, reasons } = await intake.take(signal, encoding, body, phone);
        sendSuccess(response, { encoding, name: REJECTED[signal], rejected, reasons });
      } catch (error) {
        request.resume();
        sendFailure(response, encoding, error);
      }
    });
  router.post(
    '/v1/changes',
    taking(async (request) => {
      checkCloudEvents(request);
      checkKey(request, options);
      return unlessAllRefused(await intake.take('changes', 'json', await readBody(request, limits)));
    }),
  );
  router.post(
    '/v1/business-events',
    taking(async (request) => {
      checkKey(request, options);
      const isCsv = /^text\/csv\b/i.test(request.headers['content-type'] ?? '');
      if (!isCsv) checkCloudEvents(request, ', or text/csv');
      const body = await readBody(request, limits);
      return unlessAllRefused(await intake.take('events', 'json', isCsv ? eventsOfCsv(body) : body));
    }),
  );
  router.post(
    '/v1/har',
    taking(async (request) => {
      checkKey(request, options);
      const source = harSource(request);
      const file = parseJson(await readBody(request, limits));
      return intake.take('logs', 'json', Buffer.from(JSON.stringify(harToLogs(file, source))));
    }),
  );
  return router;
}

/** Whose pages a HAR file tells of: it does not say so itself. */
function harSource({ query }: Request): HarSource {
  const text = (name: string) => (typeof query[name] === 'string' ? query[name].slice(0, 200) : '');
  if (text('component') === '')
    throw new Problem('badRequest', 'component: say whose pages these are, as ?component=shop-pages', {
      field: 'component',
    });
  return { component: text('component'), application: text('application'), version: text('version'), idOf: shortHash };
}

/** Media types of CloudEvents' JSON format and its batches; plain JSON is understood as well. */
const CLOUD_EVENTS = /^application\/(?:cloudevents(?:-batch)?\+json|json)\b/i;

function checkCloudEvents(request: Request, orElse = ''): void {
  const type = request.headers['content-type'] ?? '';
  if (!CLOUD_EVENTS.test(type))
    throw new Problem(
      'wrongType',
      `content-type: expected application/cloudevents+json or application/cloudevents-batch+json${orElse}, got: ${type || 'none'}`,
      {
        field: 'content-type',
      },
    );
}

function encodingOf(request: Request): Encoding {
  const type = (request.headers['content-type'] ?? '').split(';')[0]?.trim().toLowerCase();
  if (type === 'application/json') return 'json';
  if (type === 'application/x-protobuf') return 'protobuf';
  throw new Problem(
    'wrongType',
    `content-type: expected application/json or application/x-protobuf, got: ${type || 'none'}`,
    {
      field: 'content-type',
    },
  );
}

function keyOf({ headers }: Request): string | undefined {
  const header = headers['authorization'];
  const key = header?.startsWith('Bearer ') ? header.slice(7) : headers['toplens-key'];
  return typeof key === 'string' ? key : undefined;
}

function checkKey(request: Request, { ingestKeys, demo }: IntakeRouteOptions): void {
  const key = keyOf(request);
  if (key !== undefined && ingestKeys.has(key)) return;
  if (key === undefined && demo) return;
  throw new Problem(
    'noKey',
    'send your ingest key as "authorization: Bearer …" or "toplens-key: …"; TOPLENS_INGEST_KEYS lists the keys',
    {
      field: 'authorization',
    },
  );
}

function sendSuccess(
  response: Response,
  { encoding, name, rejected, reasons }: { encoding: Encoding; name: string; rejected: number; reasons: string },
): void {
  if (encoding === 'json') {
    response.json(rejected > 0 ? { partialSuccess: { [name]: String(rejected), errorMessage: reasons } } : {});
    return;
  }
  response
    .type('application/x-protobuf')
    .send(rejected > 0 ? encodePartialSuccess(rejected, reasons) : Buffer.alloc(0));
}

/** OTLP answers errors with a google.rpc.Status in the encoding of the request. */
function sendFailure(response: Response, encoding: Encoding, error: unknown): void {
  const problem = asProblem(error);
  if (!(problem instanceof Problem)) throw error;
  if (problem.extra.retryAfterS !== undefined) response.setHeader('retry-after', String(problem.extra.retryAfterS));
  response.status(problem.status);
  if (encoding === 'json') response.json({ code: RPC_CODES[problem.status] ?? 13, message: problem.detail });
  else response.type('application/x-protobuf').send(encodeStatus(RPC_CODES[problem.status] ?? 13, problem.detail));
}

/**
 * google.rpc.Code for HTTP statuses: INVALID_ARGUMENT, UNAUTHENTICATED, PERMISSION_DENIED, RESOURCE_EXHAUSTED,
 * UNAVAILABLE.
 */
const RPC_CODES: Record<number, number> = { 400: 3, 401: 16, 403: 7, 413: 8, 415: 3, 429: 8, 503: 14 };

/** Export…ServiceResponse { partial_success = 1 { rejected_… = 1, error_message = 2 } }: alike for all signals. */
function encodePartialSuccess(rejected: number, message: string): Buffer {
  return field(1, Buffer.concat([varintField(1, rejected), field(2, Buffer.from(message))]));
}

/** google.rpc.Status { code = 1, message = 2 } */
function encodeStatus(code: number, message: string): Buffer {
  return Buffer.concat([varintField(1, code), field(2, Buffer.from(message))]);
}

const varint = (value: number): number[] =>
  value < 0x80 ? [value] : [(value % 0x80) | 0x80, ...varint(Math.floor(value / 0x80))];
const varintField = (number: number, value: number) => Buffer.from([...varint(number << 3), ...varint(value)]);
const field = (number: number, bytes: Buffer) =>
  Buffer.concat([Buffer.from([...varint((number << 3) | 2), ...varint(bytes.length)]), bytes]);
