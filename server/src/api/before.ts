import type { RequestHandler } from 'express';
import { Problem } from '../errors';
import type { Database } from '../store/database';

const DEEPEST = 32;

/** The place of a text with the character 0, which no database stores; or what lies too deep. */
function whatCannotBeKept(value: unknown, path: string, depth: number): string | undefined {
  if (typeof value === 'string') return value.includes('\u0000') ? `${path || 'request'}: holds the character 0` : undefined;
  if (value === null || typeof value !== 'object') return undefined;
  if (depth > DEEPEST) return `${path.slice(0, 200)}: is nested more than ${DEEPEST} deep`;
  for (const [name, one] of Object.entries(value)) {
    if (name.includes('\u0000')) return `${path || 'request'}: a name in it holds the character 0`;
    const found = whatCannotBeKept(one, path === '' ? name : `${path}.${name}`, depth + 1);
    if (found !== undefined) return found;
  }
  return undefined;
}

/** Refuses texts that can be neither stored nor looked for. */
export const checkTexts: RequestHandler = (request, _response, next) => {
  let path = request.path;
  try {
    path = decodeURIComponent(path);
  } catch {
    throw new Problem('badRequest', 'The address cannot be read: a percent sign in it is not followed by two hexadecimal digits.', { field: 'path' });
  }
  const found = whatCannotBeKept(path, 'path', 0) ?? whatCannotBeKept(request.query, '', 0) ?? whatCannotBeKept(request.body, '', 0);
  if (found !== undefined) throw new Problem('badInput', found, { field: found.slice(0, found.indexOf(':')) });
  next();
};

/** What people decided survives a power cut before they are told that it was taken. */
export const flushed =
  (database: Database): RequestHandler =>
  (request, response, next) => {
    if (request.method === 'GET' || request.method === 'HEAD') return next();
    const send = response.send.bind(response);
    let isFlushing = false;
    response.send = (body) => {
      if (isFlushing || response.statusCode >= 400) return send(body);
      isFlushing = true;
      database.flush().then(() => send(body), next);
      return response;
    };
    next();
  };
