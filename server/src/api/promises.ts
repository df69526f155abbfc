import { reportCsv, reportHtml, reportMarkdown } from '@toplens/core/promises';
import { Router } from 'express';
import { promiseAttemptsQuery, reportQuery } from '../contract/promises';
import type { Engine } from '../engine/engine';
import { Problem } from '../errors';
import { incidentIn, noIncident } from './incident-ids';
import { readInput, readWindow } from './query';

/** What was promised: how it stands, what it may come to, who spent it; applications and activities by their limits. */
export function promiseRoutes(engine: Engine): Router {
  const router = Router();
  router.get('/promises', async (request, response) => {
    response.json(await engine.ask('promises', { window: readWindow(request) }));
  });
  router.get('/standing', async (request, response) => {
    response.json(await engine.ask('standing', { window: readWindow(request) }));
  });
  router.get('/incidents/:id/promises', async (request, response) => {
    const id = incidentIn(request.params.id);
    const found = await engine.ask('endangered', { id, window: readWindow(request) });
    if (!found) throw noIncident(id);
    response.json(found);
  });
  router.get('/promise-report', async (request, response) => {
    const { format, name, periodsBack } = readInput(reportQuery, request.query);
    const reports = await engine.ask('promiseReports', { name, window: readWindow(request), periodsBack });
    if (reports.length === 0)
      throw new Problem(
        'notFound',
        name ? `nothing that was promised is called “${name}”` : 'nothing is promised yet',
        {
          field: 'name',
        },
      );
    const file = `promises-${new Date().toISOString().slice(0, 10)}`;
    if (format === 'markdown') response.type('text/markdown').attachment(`${file}.md`).send(reportMarkdown(reports));
    else if (format === 'csv') response.type('text/csv').attachment(`${file}.csv`).send(reportCsv(reports));
    else response.type('html').send(reportHtml(name ?? 'What was promised, and kept', reports));
  });
  router.get('/promises/:name/attempts', async (request, response) => {
    const { name } = request.params;
    const only = readInput(promiseAttemptsQuery, request.query);
    response.json(foundOf(name, await engine.ask('promiseAttempts', { name, window: readWindow(request), ...only })));
  });
  router.get('/promises/:name', async (request, response) => {
    const { name } = request.params;
    response.json(foundOf(name, await engine.ask('promise', { name, window: readWindow(request) })));
  });
  return router;
}

function foundOf<Found>(name: string, found: Found | null): Found {
  if (found) return found;
  throw new Problem('notFound', `nothing that was promised is called “${name.slice(0, 200)}”`, { field: 'name' });
}
