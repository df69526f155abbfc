import { MalformedTelemetry, TooMuchTelemetry } from '@toplens/core/formats';
import type { Request, RequestHandler, Response } from 'express';
import { Problem } from '../errors';
import type { Intake } from './intake';

type Taken = Awaited<ReturnType<Intake['take']>>;

/** What is wrong with telemetry, as the API says it. */
export function asProblem(error: unknown): unknown {
  if (error instanceof TooMuchTelemetry) return new Problem('tooLarge', error.message, { field: error.field });
  if (error instanceof MalformedTelemetry) return new Problem('badRequest', error.message, { field: error.field });
  return error;
}

/** By what way a request came, and from whom. */
export const wayOf = (request: Request): { way: string; from: string } => ({
  way: `${request.method} ${request.path}`,
  from: request.ip ?? '',
});

/** A way in that answers in plain JSON how much it took, and what is wrong as a problem that names the field. */
export function taking(
  intake: Pick<Intake, 'turnedAway'>,
  take: (request: Request, response: Response) => Promise<Taken>,
): RequestHandler {
  return async (request, response) => {
    try {
      const { taken, rejected, reasons } = await take(request, response);
      response.json({ taken, rejected, ...(rejected > 0 ? { errorMessage: reasons } : {}) });
    } catch (error) {
      request.resume();
      const problem = asProblem(error);
      if (problem instanceof Problem) intake.turnedAway(problem, wayOf(request));
      throw problem;
    }
  };
}

/** @throws Problem 'badRequest' when all of it was refused: then nothing is served by a 200 */
export function unlessAllRefused(answer: Taken): Taken {
  const { taken, rejected, reasons } = answer;
  if (taken === 0 && rejected > 0)
    throw new Problem('badRequest', reasons, { field: reasons.replace(/^\d+ × ([\w.]+):.*$/s, '$1') });
  return answer;
}
