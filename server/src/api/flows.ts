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
  router.get('/attempts/:traceId/:spanId', async (request, response) => {
    const { traceId, spanId } = request.params;
    if (!/^[0-9a-f]{32}$/.test(traceId)) throw new Problem('badInput', 'traceId: expected 32 hexadecimal digits', { field: 'traceId' });
    if (!/^[0-9a-f]{16}$/.test(spanId)) throw new Problem('badInput', 'spanId: expected 16 hexadecimal digits', { field: 'spanId' });
    const page = await engine.ask('attempt', { traceId, spanId });
    if (!page) throw new Problem('notFound', `there is no attempt ${spanId} in trace ${traceId}, or it is older than attempts are kept`, { field: 'spanId' });
    response.json(page);
  });
  router.get('/flow-counts', async (_request, response) => {
    response.json({ flows: await engine.ask('flowCounts', null) });
  });
  return router;
}
