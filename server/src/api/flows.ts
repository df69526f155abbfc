import { Router } from 'express';
import type { Engine } from '../engine/engine';
import { Problem } from '../errors';
import { readFocus, readWindow } from './query';

export function flowRoutes(engine: Engine): Router {
  const router = Router();
  router.get('/flows', async (request, response) => {
    response.json(await engine.ask('flows', { window: readWindow(request), ...readFocus(request) }));
  });
  router.get('/flows/:id', async (request, response) => {
    const id = Number(request.params.id);
    const page = Number.isInteger(id) && id > 0 ? await engine.ask('flow', { id, window: readWindow(request), ...readFocus(request) }) : null;
    if (!page) throw new Problem('notFound', `there is no flow ${request.params.id}`, { field: 'id' });
    response.json(page);
  });
  router.get('/flow-counts', async (_request, response) => {
    response.json({ flows: await engine.ask('flowCounts', null) });
  });
  return router;
}
