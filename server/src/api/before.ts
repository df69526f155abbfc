import type { RequestHandler } from 'express';
import type { Engine } from '../engine/engine';
import { Problem } from '../errors';
import type { Database } from '../store/database';

const DEEPEST = 32;

/** Lone halves of surrogate pairs cannot be stored as UTF-8. */
const LONE_SURROGATE = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;

/** The place of a text that no database stores, of a name that every object has, or of what lies too deep. */
function whatCannotBeKept(value: unknown, path: string, depth: number): string | undefined {
  if (typeof value === 'string') {
    if (value.includes('\u0000')) return `${path || 'request'}: holds the character 0`;
    return LONE_SURROGATE.test(value) ? `${path || 'request'}: holds half a character` : undefined;
  }
  if (value === null || typeof value !== 'object') return undefined;
  if (depth > DEEPEST) return `${path.slice(0, 200)}: is nested more than ${DEEPEST} deep`;
  for (const [name, one] of Object.entries(value)) {
    if (name.includes('\u0000') || name in Object.prototype)
      return `${path || 'request'}: a name in it cannot be used: ${JSON.stringify(name.slice(0, 40))}`;
    const found = whatCannotBeKept(one, path === '' ? name : `${path}.${name}`, depth + 1);
    if (found !== undefined) return found;
  }
  return undefined;
}

/** Names under which several values may stand. */
const LISTS: ReadonlySet<string> = new Set(['changed']);

/** What is asked for twice, so that nobody knows which is meant. */
function whatIsThereTwice(query: Record<string, unknown>): string | undefined {
  const found = Object.entries(query).find(([name, value]) => {
    const isList = LISTS.has(name) && Array.isArray(value) && value.every((one) => typeof one === 'string');
    return typeof value !== 'string' && !isList;
  });
  return found && `${found[0].slice(0, 100)}: is there more than once`;
}

/** Refuses texts that can be neither stored nor looked for, and questions that say a thing twice. */
export const checkTexts: RequestHandler = (request, _response, next) => {
  let path = request.path;
  try {
    path = decodeURIComponent(path);
  } catch {
    throw new Problem(
      'badRequest',
      'The address cannot be read: a percent sign in it is not followed by two hexadecimal digits.',
      { field: 'path' },
    );
  }
  refuse(
    whatCannotBeKept(path, 'path', 0) ?? whatIsThereTwice(request.query) ?? whatCannotBeKept(request.query, '', 0),
  );
  checkBody(request.body);
  next();
};

/** For a body that is read later than others. @throws Problem 'badInput' */
export const checkBody = (body: unknown): void => refuse(whatCannotBeKept(body, '', 0));

function refuse(found: string | undefined): void {
  if (found !== undefined) throw new Problem('badInput', found, { field: found.slice(0, found.indexOf(':')) });
}

/**
 * What people decided survives a power cut, and is in every answer from then on, before they are told that it was
 * taken.
 */
export const flushed =
  (database: Database, engine: Pick<Engine, 'forgetAnswers'>): RequestHandler =>
  (request, response, next) => {
    if (request.method === 'GET' || request.method === 'HEAD') return next();
    const send = response.send.bind(response);
    let isFlushing = false;
    response.send = (body) => {
      if (isFlushing || response.statusCode >= 400) return send(body);
      isFlushing = true;
      engine.forgetAnswers();
      database.flush().then(() => send(body), next);
      return response;
    };
    next();
  };

/** Uploads of a kind that are read at a time: each is in memory as a whole. */
const MOST_UPLOADS = 2;

/** Lets few uploads of a kind in at a time; for those that come besides, it is too many. */
export function fewAtATime(what: string): RequestHandler {
  let uploads = 0;
  return (_request, response, next) => {
    if (uploads >= MOST_UPLOADS)
      throw new Problem(
        'tooMany',
        `At most ${MOST_UPLOADS} ${what} are taken at a time. Send this one again in a moment.`,
        {
          retryAfterS: 5,
        },
      );
    uploads++;
    response.once('close', () => uploads--);
    next();
  };
}
