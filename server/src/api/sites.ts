import { Router } from 'express';
import { remoteQuery, siteChangeQuery, workPersonQuery, workQuery } from '../contract/sites';
import type { Engine } from '../engine/engine';
import { Problem } from '../errors';
import { readFocus, readInput, readWindow } from './query';

/** People at work: what they do where, and what is off. */
export function siteRoutes(engine: Engine): Router {
  const router = Router();
  router.get('/sites', async (request, response) => {
    const { by } = readInput(workQuery, { by: request.query.by });
    response.json(await engine.ask('sites', { window: readWindow(request), focus: readFocus(request).focus, by }));
  });
  router.get('/sites/person', async (request, response) => {
    const { host } = readInput(workPersonQuery, { host: request.query.host });
    const { focus: asked } = readFocus(request);
    const { host: _host, ...values } = asked.values;
    const focus = { ...asked, values };
    const found = await engine.ask('workPerson', { window: readWindow(request), focus, host });
    if (!found)
      throw new Problem('notFound', `nobody at work did anything on ${host.slice(0, 100)} in this time`, {
        field: 'host',
      });
    response.json(found);
  });
  router.get('/remote-desktops', async (request, response) => {
    const { by } = readInput(remoteQuery, { by: request.query.by });
    response.json(await engine.ask('remote', { window: readWindow(request), focus: readFocus(request).focus, by }));
  });
  router.get('/sites/change', async (request, response) => {
    const { changed } = request.query;
    const { at, until, days, by, ...read } = readInput(siteChangeQuery, {
      ...request.query,
      changed: typeof changed === 'string' ? [changed] : (changed ?? []),
    });
    if (until && until < at) throw new Problem('badInput', 'until: it was done before it began', { field: 'until' });
    const { focus } = readFocus(request);
    response.json(
      await engine.ask('siteChange', {
        atMs: at.getTime(),
        untilMs: until?.getTime(),
        days,
        by,
        changed: read.changed,
        focus,
      }),
    );
  });
  return router;
}
