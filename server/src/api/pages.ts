import { Router, json, type Request } from 'express';
import type { Engine } from '../engine/engine';
import { Problem } from '../errors';
import type { Search } from '../search/search';
import type { Database } from '../store/database';
import { listSourceMaps, newestOfPages, saveSourceMap, viewOfTrace, type PageFocus } from '../store/pages';
import { PAGE_DIMENSIONS, type PageDimension } from '@toplens/core/pages';
import { newSourceMap, pagesQuery } from '../contract/pages';
import { checkBody, fewAtATime } from './before';
import { liveWindow } from './live-window';
import { readInput } from './query';

/** Answers are asked for anew after so long: views come in all the time. */
const FRESH_MS = 5_000;

/** Page loads in browsers, errors of their scripts, and the maps that make those readable. */
export function pageRoutes({
  database,
  engine,
  search,
  maxMapBytes,
}: {
  database: Database;
  engine: Engine;
  search: Search;
  maxMapBytes: number;
}): Router {
  const router = Router();
  const version = () => Math.floor(Date.now() / FRESH_MS);
  const windowOf = (request: Request) => liveWindow(request, engine, () => newestOfPages(database));
  const focusOf = (request: Request): { by: PageDimension; focus: PageFocus } => {
    const { by, ...values } = readInput(pagesQuery, request.query);
    const focus = Object.fromEntries(
      PAGE_DIMENSIONS.flatMap((dimension) => (values[dimension] ? [[dimension, values[dimension]]] : [])),
    );
    return { by, focus };
  };

  router.get('/pages', async (request, response) => {
    response.json(await search.ask('pageLoads', { window: await windowOf(request), ...focusOf(request) }, version()));
  });
  router.get('/script-errors', async (request, response) => {
    response.json(
      await search.ask('scriptErrors', { window: await windowOf(request), focus: focusOf(request).focus }, version()),
    );
  });
  router.get('/page-loads/:view', async (request, response) => {
    const { view } = request.params;
    const found = /^[0-9a-f]{16}$/.test(view) ? await search.ask('pageLoad', view, version()) : null;
    if (!found)
      throw new Problem('notFound', `there is no page load ${view.slice(0, 40)}: it may be older than what is kept`, {
        field: 'view',
      });
    response.json(found);
  });
  router.get('/page-load-of/:trace', async (request, response) => {
    const { trace } = request.params;
    response.json({ view: (/^[0-9a-f]{32}$/.test(trace) ? await viewOfTrace(database, trace) : undefined) ?? null });
  });
  router.get('/source-maps', async (_request, response) => {
    response.json({ maps: await listSourceMaps(database) });
  });
  router.post('/source-maps', fewAtATime('source maps'), json({ limit: maxMapBytes }), async (request, response) => {
    checkBody(request.body);
    const { map: _map, ...key } = readInput(newSourceMap, request.body);
    const { map } = request.body as { map: { version?: unknown; mappings?: unknown } };
    if (map.version !== 3 || typeof map.mappings !== 'string')
      throw new Problem('badInput', 'map: expected a source map of version 3 (ECMA-426), with mappings', {
        field: 'map',
      });
    await saveSourceMap(database, key, JSON.stringify(map));
    response.status(201).json({ ...key, bytes: JSON.stringify(map).length });
  });
  return router;
}
