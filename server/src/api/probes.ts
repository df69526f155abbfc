import { Router } from 'express';
import { probePageQuery, scriptsQuery, type ProbeScriptsShape } from '../contract/probes';
import type { Engine } from '../engine/engine';
import { Problem } from '../errors';
import { checkKey, keyOf, type SenderKeys } from '../intake/sender-key';
import type { Settings } from '../settings/settings';
import type { Database } from '../store/database';
import { readBook } from '../store/settings';
import { readInput, readWindow } from './query';

/** `GET /v1/probes?site=…`: what a runner is to run, for whoever may send. */
export function probeScriptRoute(database: Database, file: Settings, keys: SenderKeys): Router {
  const router = Router();
  router.get('/v1/probes', async (request, response) => {
    checkKey(keyOf(request), keys);
    const { site } = readInput(scriptsQuery, { site: request.query.site });
    const { probes } = (await readBook(database, file)).at();
    const scripts = probes
      .filter(({ sites }) => sites.includes(site))
      .map(({ name, application, everyS, steps }) => ({ name, application, everyS, steps: [...steps] }));
    response.json({ nowMs: Date.now(), scripts } satisfies ProbeScriptsShape);
  });
  return router;
}

/** Scripted checks: how they stand, one of them, and one run. */
export function probeRoutes(engine: Engine): Router {
  const router = Router();
  router.get('/probes', async (request, response) => {
    response.json(await engine.ask('probes', { window: readWindow(request) }));
  });
  router.get('/probes/:name', async (request, response) => {
    const { name } = request.params;
    const { site } = readInput(probePageQuery, { site: request.query.site });
    const page = await engine.ask('probe', { name, site, window: readWindow(request) });
    if (!page) throw new Problem('notFound', `no probe is called ${name.slice(0, 100)}`, { field: 'name' });
    response.json(page);
  });
  router.get('/probe-runs/:id', async (request, response) => {
    const { id } = request.params;
    const page = /^[0-9a-f]{16}$/.test(id) ? await engine.ask('probeRun', { id }) : null;
    if (!page)
      throw new Problem('notFound', `there is no run ${id.slice(0, 40)}: it may be older than what is kept`, {
        field: 'id',
      });
    response.json(page);
  });
  return router;
}
