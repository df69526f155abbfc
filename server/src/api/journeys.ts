import { Router } from 'express';
import type { Engine } from '../engine/engine';
import { Problem } from '../errors';
import { journeyStepQuery } from '../contract/journeys';
import { readFocus, readInput, readWindow } from './query';

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
    const { id } = request.params;
    const question = { steps: stepsIn(id), window: readWindow(request), focus };
    response.json((await engine.ask('journey', question)) ?? noJourney(id));
  });
  router.get('/journeys/:id/steps/:step', async (request, response) => {
    const { focus } = readFocus(request);
    const { of } = readInput(journeyStepQuery, request.query);
    const { id, step } = request.params;
    const steps = stepsIn(id);
    const question = { steps, step: stepIn(step, steps.length), of, window: readWindow(request), focus };
    response.json((await engine.ask('journeyStep', question)) ?? noJourney(id));
  });
  return router;
}

/** @returns the step from 0 @throws Problem 'notFound' */
function stepIn(text: string, steps: number): number {
  const step = Number(text);
  if (!Number.isInteger(step) || step < 1 || step > steps)
    throw new Problem('notFound', `step: the journey has steps 1 to ${steps}, got: ${text.slice(0, 80)}`, {
      field: 'step',
    });
  return step - 1;
}

function noJourney(id: string): never {
  throw new Problem('notFound', `there is no journey ${id}: one of its flows is not known`, { field: 'id' });
}
