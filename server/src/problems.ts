import { randomUUID } from 'node:crypto';
import type { ErrorRequestHandler, Response } from 'express';
import type { Logger } from 'pino';
import { Problem, PROBLEMS } from './errors';
import { databaseAway } from './store/database';
import { isDamage, ThreadError } from './threads/ask-and-serve';

/** For whoever meets it, and for the operator. */
export const WHAT_IS_DAMAGED =
  'What lies there cannot be read; everything else can, and telemetry is taken. "npm run check" says what is damaged; stop the server and give the newest backup to "npm run restore -- FILE": the journal adds what came after it.';

/** problem+json, RFC 9457. */
export function sendProblem(response: Response, problem: Problem, id?: string): void {
  const [status, title] = PROBLEMS[problem.code];
  // RFC 9110, 15.5.2 and 15.5.6: how to be let in, and what is allowed.
  if (status === 401) response.setHeader('www-authenticate', 'Bearer');
  if (problem.extra.allow) response.setHeader('allow', problem.extra.allow.join(', '));
  if (problem.extra.retryAfterS !== undefined) response.setHeader('retry-after', String(problem.extra.retryAfterS));
  response
    .status(status)
    .type('application/problem+json')
    .send(
      JSON.stringify({
        type: `urn:toplens:problem:${problem.code}`,
        title,
        status,
        detail: problem.detail,
        ...(problem.extra.field && { field: problem.extra.field }),
        ...(id && { instance: `urn:uuid:${id}` }),
      }),
    );
}

/** Every error ends here; what nobody expected gets a number under which the log has it. */
export function problemHandler(log: Logger): ErrorRequestHandler {
  return (error: Error & { type?: string; status?: number; expose?: boolean }, request, response, next) => {
    if (response.headersSent) return next(error);
    if (error instanceof Problem) return sendProblem(response, error);
    if (error.type === 'entity.too.large')
      return sendProblem(response, new Problem('tooLarge', error.message, { field: 'request body' }));
    if (error.status !== undefined && error.status >= 400 && error.status < 500)
      return sendProblem(response, new Problem('badRequest', error.message, { field: 'request body' }));
    if (error instanceof ThreadError && error.isGone) return sendProblem(response, databaseAway());
    if (error instanceof ThreadError && isDamage(error))
      return sendProblem(response, new Problem('damaged', WHAT_IS_DAMAGED));
    const id = randomUUID();
    log.error({ id, error: error.stack, method: request.method, path: request.path }, 'request failed');
    sendProblem(
      response,
      new Problem('internal', `this was logged under ${id}; what is on your screen is still what was true before`),
      id,
    );
  };
}
