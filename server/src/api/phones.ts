import { Router, json, type Request } from 'express';
import { NameMapping } from '@toplens/core/phones';
import type { InferType } from 'yup';
import type { Engine } from '../engine/engine';
import { Problem } from '../errors';
import type { Search } from '../search/search';
import type { Database } from '../store/database';
import { listMappings, newestCrash, saveMapping } from '../store/phones';
import { newMapping, phoneQuery, phoneSessionsQuery } from '../contract/phones';
import type { PhoneValues } from '../store/phone-scope';
import { checkBody, fewAtATime } from './before';
import { liveWindow } from './live-window';
import { readInput } from './query';

/** Answers are asked for anew after so long: crashes come in all the time. */
const FRESH_MS = 5_000;

/** Phone applications: versions, crashes in groups, single crashes, and the mappings that restore their names. */
export function phoneRoutes({
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
  const windowOf = (request: Request) => liveWindow(request, engine, () => newestCrash(database));
  router.get('/phone', async (request, response) => {
    const narrowed = narrowedTo(readInput(phoneQuery, request.query));
    response.json(await search.ask('phone', { window: await windowOf(request), ...narrowed }, version()));
  });
  router.get('/phone-addresses', async (request, response) => {
    const narrowed = narrowedTo(readInput(phoneQuery, request.query));
    response.json(await search.ask('phoneAddresses', { window: await windowOf(request), ...narrowed }, version()));
  });
  router.get('/phone-sessions', async (request, response) => {
    const { address, ...query } = readInput(phoneSessionsQuery, request.query);
    const question = { window: await windowOf(request), ...narrowedTo(query), address: address || undefined };
    response.json(await search.ask('phoneSessions', question, version()));
  });
  router.get('/phone-sessions/:session', async (request, response) => {
    const { session } = request.params;
    const found = /^[0-9a-f]{8}$/.test(session)
      ? await search.ask('phoneSession', parseInt(session, 16), version())
      : null;
    if (!found)
      throw new Problem('notFound', `nothing of a session ${session.slice(0, 40)} is kept`, { field: 'session' });
    response.json(found);
  });
  router.get('/crash-groups/:crash', async (request, response) => {
    const { crash: id } = request.params;
    const found = isId(id)
      ? await search.ask('crashGroup', { crash: id, window: await windowOf(request) }, version())
      : null;
    if (!found)
      throw new Problem('notFound', `nothing crashed as ${id.slice(0, 40)} did in this time`, { field: 'crash' });
    response.json(found);
  });
  router.get('/crashes/:crash', async (request, response) => {
    const { crash: id } = request.params;
    const found = isId(id) ? await search.ask('crash', id, version()) : null;
    if (!found)
      throw new Problem('notFound', `there is no crash ${id.slice(0, 40)}: it may be older than what is kept`, {
        field: 'crash',
      });
    response.json(found);
  });
  router.get('/name-mappings', async (_request, response) => {
    response.json({ mappings: await listMappings(database) });
  });
  router.post('/name-mappings', fewAtATime('mappings'), json({ limit: maxMapBytes }), async (request, response) => {
    checkBody(request.body);
    const { mapping, ...key } = readInput(newMapping, request.body);
    const classes = NameMapping.classesIn(mapping);
    if (classes === 0)
      throw new Problem('badInput', 'mapping: expected lines as “app.round.Camera -> a.b:”, as R8 writes them', {
        field: 'mapping',
      });
    await saveMapping(database, key, mapping);
    response.status(201).json({ ...key, classes });
  });
  return router;
}

/** What a question is narrowed to; attempts call a country a region. */
function narrowedTo({ application, version, device, carrier, region }: InferType<typeof phoneQuery>): {
  application: string | undefined;
  values: PhoneValues;
} {
  const told = Object.entries({ version, device, carrier, country: region }).filter(([, value]) => value);
  return { application: application || undefined, values: Object.fromEntries(told) };
}

const isId = (text: string) => /^[0-9a-f]{16}$/.test(text);
