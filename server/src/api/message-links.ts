import { Router } from 'express';
import { Problem } from '../errors';
import type { Database } from '../store/database';
import { pathOfCode } from '../store/outbox';

/** Links in messages are short: each leads to what its message tells of, at its moment. */
export function messageLinks(database: Database): Router {
  const router = Router();
  router.get('/:code', async (request, response) => {
    const path = await pathOfCode(database, request.params.code);
    if (path === undefined) throw new Problem('notFound', 'This link belongs to no message that was sent from here.');
    response.redirect(302, path);
  });
  return router;
}
