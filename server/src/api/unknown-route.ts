import type { RequestHandler } from 'express';
import { methodsOf } from '../contract/open-api';
import { Problem } from '../errors';

/** What nobody answered: another method of a path that is known, or nothing of this API. */
export const unknownRoute: RequestHandler = (request) => {
  const path = `${request.baseUrl}${request.path}`;
  const allow = methodsOf(path);
  if (allow.length > 0 && !allow.includes(request.method))
    throw new Problem('wrongMethod', `${path} is asked with ${allow.join(' or ')}, not with ${request.method}`, {
      allow,
    });
  throw new Problem('notFound', `${request.method} ${path} is not part of this API; /api/openapi.json describes it`);
};
