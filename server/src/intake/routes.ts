import { harToLogs, type HarSource } from '@toplens/core/formats';
import { Router, type Request, type Response } from 'express';
import type { BrowserKey, KeyBook } from '../config';
import { Problem } from '../errors';
import type { Encoding } from './journal-record';
import type { Intake } from './intake';
import type { IntakeLimits } from './limits';
import { parseJson } from './decode';
import { checkCloudEvents, cloudEventsOf } from './cloud-events';
import { eventsOfCsv } from './events-csv';
import { encodeExportResponse, encodeStatus, OTLP_SIGNALS, REJECTED, rpcCodeOf } from './otlp-answer';
import { allowPages, pageOf } from './page-keys';
import { readBody } from './read-body';
import { checkKey, keyOf, phoneOf, type SenderKeys } from './sender-key';
import { shortHash } from '../names/short-hash';
import { asProblem, taking, unlessAllRefused, wayOf } from './taking';

export interface IntakeRouteOptions extends SenderKeys {
  limits: IntakeLimits;
  maxBodyBytes: number;
  browserKeys: KeyBook<BrowserKey>;
}

/**
 * `POST /v1/traces`, `/v1/logs` and `/v1/metrics` as the OTLP/HTTP specification 1.x describes them: protobuf and JSON,
 * plain and gzip; 200 with full or partial success in the encoding of the request; 400 not to be sent again; 429 and
 * 503 with Retry-After. Pages of the origins of some key may send by it, of their own component alone. `POST /v1/changes` takes CloudEvents 1.0 in binary, structured and batched mode; `POST
 * /v1/business-events` the same, or a CSV file; `POST /v1/har` the page loads of a HAR 1.2 file.
 */
export function intakeRoutes(intake: Intake, options: IntakeRouteOptions): Router {
  const router = Router();
  const limits = { ...options.limits, bytes: options.maxBodyBytes };
  for (const signal of OTLP_SIGNALS) {
    router.all(`/v1/${signal}`, allowPages(options.browserKeys));
    router.post(`/v1/${signal}`, async (request, response) => {
      const encoding = encodingOf(request);
      try {
        if (encoding === undefined) throw wrongEncoding(request);
        const key = keyOf(request);
        const only = pageOf(key, request, options.browserKeys) ?? phoneOf(key, options);
        const body = await readBody(request, limits);
        const { rejected, reasons } = await intake.take(signal, encoding, body, only);
        sendSuccess(response, { encoding, name: REJECTED[signal], rejected, reasons });
      } catch (error) {
        request.resume();
        const problem = asProblem(error);
        if (!(problem instanceof Problem)) throw error;
        intake.turnedAway(problem, wayOf(request));
        // Of another type it is no client of the protocol: it is answered as people are.
        if (encoding === undefined) throw problem;
        sendFailure(response, encoding, problem);
      }
    });
  }
  router.post(
    '/v1/changes',
    taking(intake, async (request) => {
      checkKey(keyOf(request), options);
      checkCloudEvents(request.headers);
      const body = cloudEventsOf(request.headers, await readBody(request, limits));
      return unlessAllRefused(await intake.take('changes', 'json', body));
    }),
  );
  router.post(
    '/v1/business-events',
    taking(intake, async (request) => {
      checkKey(keyOf(request), options);
      const isCsv = /^text\/csv\b/i.test(request.headers['content-type'] ?? '');
      if (!isCsv) checkCloudEvents(request.headers, ', or text/csv');
      const body = await readBody(request, limits);
      return unlessAllRefused(
        await intake.take('events', 'json', isCsv ? eventsOfCsv(body) : cloudEventsOf(request.headers, body)),
      );
    }),
  );
  router.post(
    '/v1/har',
    taking(intake, async (request) => {
      checkKey(keyOf(request), options);
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

const typeOf = (request: Request): string =>
  (request.headers['content-type'] ?? '').split(';')[0]?.trim().toLowerCase() ?? '';

function encodingOf(request: Request): Encoding | undefined {
  const type = typeOf(request);
  return type === 'application/json' ? 'json' : type === 'application/x-protobuf' ? 'protobuf' : undefined;
}

const wrongEncoding = (request: Request): Problem =>
  new Problem(
    'wrongType',
    `content-type: expected application/json or application/x-protobuf, got: ${typeOf(request) || 'none'}`,
    { field: 'content-type' },
  );

function sendSuccess(
  response: Response,
  { encoding, name, rejected, reasons }: { encoding: Encoding; name: string; rejected: number; reasons: string },
): void {
  if (encoding === 'json') {
    response.json(rejected > 0 ? { partialSuccess: { [name]: String(rejected), errorMessage: reasons } } : {});
    return;
  }
  response.type('application/x-protobuf').send(encodeExportResponse(rejected, reasons));
}

/** OTLP answers errors with a google.rpc.Status in the encoding of the request. */
function sendFailure(response: Response, encoding: Encoding, problem: Problem): void {
  if (problem.extra.retryAfterS !== undefined) response.setHeader('retry-after', String(problem.extra.retryAfterS));
  // RFC 9110, 15.5.2: how to be let in.
  if (problem.status === 401) response.setHeader('www-authenticate', 'Bearer');
  response.status(problem.status);
  if (encoding === 'json') response.json({ code: rpcCodeOf(problem.status), message: problem.detail });
  else response.type('application/x-protobuf').send(encodeStatus(rpcCodeOf(problem.status), problem.detail));
}
