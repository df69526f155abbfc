import { Router } from 'express';
import type { Engine } from '../engine/engine';
import { Problem } from '../errors';
import { readFocus, readWindow } from './query';

const MOST_STEPS = 30;

/** @throws Problem 'badInput' */
function stepsIn(id: string): number[] {
  const steps = id.split('-').map(Number);
  if (steps.length > MOST_STEPS || !steps.every((flow) => Number.isInteger(flow) && flow > 0))
    throw new Problem(
      'badInput',
      `id: expected numbers of flows with a dash between them, as 3-1-4, got: ${id.slice(0, 80)}`,
      { field: 'id' },
    );
  return steps;
}

export function journeyRoutes(engine: Engine): Router {
  const router = Router();
  router.get('/journeys', async (request, response) => {
    const { focus } = readFocus(request);
    response.json(await engine.ask('journeys', { window: readWindow(request), focus }));
  });
  router.get('/money', async (request, response) => {
    const { focus } = readFocus(request);
    response.json(await engine.ask('money', { window: readWindow(request), focus }));
  });
  router.get('/journeys/:id', async (request, response) => {
    const { focus } = readFocus(request);
    const found = await engine.ask('journey', {
      steps: stepsIn(request.params.id),
      window: readWindow(request),
      focus,
    });
    if (!found)
      throw new Problem('notFound', `there is no journey ${request.params.id}: one of its flows is not known`, {
        field: 'id',
      });
    response.json(found);
  });
  return router;
}
