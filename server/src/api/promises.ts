import { Router } from 'express';
import type { Engine } from '../engine/engine';
import { Problem } from '../errors';
import { readWindow } from './query';

/** What was promised: how it stands, what it may come to, who spent it. */
export function promiseRoutes(engine: Engine): Router {
  const router = Router();
  router.get('/promises', async (request, response) => {
    response.json(await engine.ask('promises', { window: readWindow(request) }));
  });
  router.get('/incidents/:id/promises', async (request, response) => {
    const id = Number(request.params.id);
    const found = Number.isInteger(id) ? await engine.ask('endangered', { id, window: readWindow(request) }) : null;
    if (!found) throw new Problem('notFound', `there is no incident ${request.params.id}`, { field: 'id' });
    response.json(found);
  });
  router.get('/promises/:name', async (request, response) => {
    const { name } = request.params;
    const found = await engine.ask('promise', { name, window: readWindow(request) });
    if (!found)
      throw new Problem('notFound', `nothing that was promised is called “${name.slice(0, 200)}”`, { field: 'name' });
    response.json(found);
  });
  return router;
}
