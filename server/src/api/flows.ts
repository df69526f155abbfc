import { Router } from 'express';
import type { Engine } from '../engine/engine';
import type { AttemptQuestion } from '../engine/state/questions';
import { Problem } from '../errors';
import type { Database } from '../store/database';
import { statementsBeside } from '../store/traces';
import { regionQuery } from '../contract/flows';
import { attemptIn, noAttempt } from './attempt-ids';
import { readFocus, readInput, readWindow } from './query';

/** @throws Problem 'notFound' */
function flowIn(text: string): number {
  const id = Number(text);
  return Number.isInteger(id) && id > 0 ? id : noFlow(text);
}

function noFlow(text: string): never {
  throw new Problem('notFound', `there is no flow ${text}`, { field: 'id' });
}

export function flowRoutes(engine: Engine, database: Database): Router {
  const router = Router();
  router.get('/flows', async (request, response) => {
    response.json(await engine.ask('flows', { window: readWindow(request), ...readFocus(request) }));
  });
  router.get('/slowest-flows', async (request, response) => {
    response.json(await engine.ask('slowestFlows', { window: readWindow(request), ...readFocus(request) }));
  });
  router.get('/flows/:id', async (request, response) => {
    const question = { id: flowIn(request.params.id), window: readWindow(request), ...readFocus(request) };
    response.json((await engine.ask('flow', question)) ?? noFlow(request.params.id));
  });
  router.get('/flows/:id/field', async (request, response) => {
    const { focus } = readFocus(request);
    response.json(
      (await engine.ask('field', { id: flowIn(request.params.id), window: readWindow(request), focus })) ??
        noFlow(request.params.id),
    );
  });
  router.get('/flows/:id/path', async (request, response) => {
    const { focus } = readFocus(request);
    response.json(
      (await engine.ask('path', { id: flowIn(request.params.id), window: readWindow(request), focus })) ??
        noFlow(request.params.id),
    );
  });
  router.get('/flows/:id/steps', async (request, response) => {
    const { focus } = readFocus(request);
    response.json(
      (await engine.ask('steps', { id: flowIn(request.params.id), window: readWindow(request), focus })) ??
        noFlow(request.params.id),
    );
  });
  router.get('/early-warnings', async (request, response) => {
    response.json(await engine.ask('earlyWarnings', { window: readWindow(request) }));
  });
  router.get('/estate', async (request, response) => {
    response.json(await engine.ask('estate', { window: readWindow(request) }));
  });
  router.get('/components/:name', async (request, response) => {
    const { name } = request.params;
    const page = await engine.ask('component', { name, window: readWindow(request) });
    if (!page)
      throw new Problem('notFound', `there is no component ${name}, or its spans are older than spans are kept`, {
        field: 'name',
      });
    response.json(page);
  });
  router.get('/flows/:id/region', async (request, response) => {
    const { focus } = readFocus(request);
    const { longer, shorter, only } = readInput(regionQuery, request.query);
    const question = {
      id: flowIn(request.params.id),
      window: readWindow(request),
      focus,
      fromDurationMs: longer,
      toDurationMs: shorter ?? null,
      only,
    };
    response.json((await engine.ask('region', question)) ?? noFlow(request.params.id));
  });
  router.get('/attempts/:traceId/:spanId', async (request, response) => {
    const ids = attemptIn(request.params);
    response.json((await engine.ask('attempt', ids)) ?? noAttempt(ids));
  });
  router.get('/attempts/:traceId/:spanId/hosts', async (request, response) => {
    const ids = attemptIn(request.params);
    response.json((await engine.ask('attemptHosts', ids)) ?? noAttempt(ids));
  });
  router.get('/attempts/:traceId/:spanId/person', async (request, response) => {
    const ids = attemptIn(request.params);
    response.json((await engine.ask('attemptPerson', ids)) ?? noPerson(ids));
  });
  router.get('/attempts/:traceId/:spanId/beside', async (request, response) => {
    const ids = attemptIn(request.params);
    response.json((await statementsBeside(database, ids.traceId, ids.spanId)) ?? noAttempt(ids));
  });
  router.get('/flow-counts', async (_request, response) => {
    response.json({ flows: await engine.ask('flowCounts', null) });
  });
  return router;
}

function noPerson({ traceId, spanId }: AttemptQuestion): never {
  throw new Problem('notFound', `nobody is named on the attempt ${spanId} of trace ${traceId}, or it is not kept`, {
    field: 'spanId',
  });
}
