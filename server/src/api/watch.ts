import { hideSecrets, maskText } from '@toplens/core/masking';
import { MINUTE_MS, SECOND_MS } from '@toplens/core/time';
import { watchStateWords } from '@toplens/core/watch';
import { json, Router } from 'express';
import { LRUCache } from 'lru-cache';
import { principalOf } from '../access/principal';
import {
  newWatchPoint,
  watchedByService,
  type WatchOrdersShape,
  type WatchPageShape,
  type WatchPointShape,
  type WatchPointsShape,
} from '../contract/watch';
import { Problem } from '../errors';
import { checkKey, keyOf, type SenderKeys } from '../intake/sender-key';
import type { Pseudonyms } from '../names/pseudonyms';
import type { Database } from '../store/database';
import {
  attemptsOfTraces,
  findWatchPoint,
  insertWatchPoint,
  loadReadings,
  loadWatchPlaces,
  loadWatchPoints,
  stopWatchPoint,
  storeWatched,
  watchPointsInForce,
  type WatchPointRow,
} from '../store/watch-points';
import { checkTexts } from './before';
import { readInput } from './query';

/** How often a service asks: while it is read, what it read is seen at once. */
const BUSY_MS = 2 * SECOND_MS;
const IDLE_MS = 5 * SECOND_MS;
/** One that has not asked for so long is away. */
const AWAY_MS = 20 * SECOND_MS;
const MOST_INSTANCES = 5_000;
const MOST_LISTED = 100;
/** Of one service at the same time; each costs it something. */
const MOST_IN_FORCE = 10;

interface Instance {
  component: string;
  version: string;
}

/** The processes that ask which lines to watch. */
export class Watchers {
  readonly #seen = new LRUCache<string, Instance>({ max: MOST_INSTANCES, ttl: AWAY_MS });

  saw({ component, instance, version }: Instance & { instance: string }): void {
    this.#seen.set(JSON.stringify([component, instance]), { component, version });
  }

  get services(): WatchPointsShape['services'] {
    const byName = new Map<string, WatchPointsShape['services'][number]>();
    for (const [, { component, version }] of this.#seen.entries()) {
      const known = byName.get(component) ?? { component, version, instances: 0 };
      // Of several the greatest: two run side by side while a release is rolled out.
      if (version > known.version) known.version = version;
      known.instances++;
      byName.set(component, known);
    }
    return [...byName.values()].sort((a, b) => a.component.localeCompare(b.component));
  }
}

/** `POST /v1/watch`: what a service read, and what it is to read, for whoever may send. */
export function watchedRoute(database: Database, watchers: Watchers, keys: SenderKeys): Router {
  const router = Router();
  router.post('/v1/watch', json({ limit: '1mb' }), checkTexts, async (request, response) => {
    checkKey(keyOf(request), keys);
    const { component, instance, version, places, readings } = readInput(watchedByService, request.body);
    const nowMs = Date.now();
    watchers.saw({ component, instance, version });
    if (places.length + readings.length > 0)
      await storeWatched(database, {
        component,
        instance,
        places,
        // The service hides secrets as well; what comes over a network is not relied upon.
        readings: readings.map((one) => ({
          ...one,
          atMs: Math.min(nowMs, one.atMs),
          values: one.values.map((text) => hideSecrets(text)),
        })),
        nowMs,
      });
    const points = await watchPointsInForce(database, component, nowMs);
    response.json({
      everyMs: points.length > 0 ? BUSY_MS : IDLE_MS,
      points: points.map(({ id, file, line, variables, most, readings: taken, endsMs }) => ({
        id,
        file,
        line,
        variables,
        most: most - taken,
        endsInMs: endsMs - nowMs,
      })),
    } satisfies WatchOrdersShape);
  });
  return router;
}

/** Lines of running code: which are watched, what was read there, watching another, stopping. */
export function watchRoutes(database: Database, watchers: Watchers, pseudonyms: Pseudonyms): Router {
  const router = Router();
  const found = async (id: string | undefined): Promise<WatchPointRow> => {
    const number = Number(id);
    const row =
      Number.isInteger(number) && number > 0 && number < 2 ** 31 ? await findWatchPoint(database, number) : undefined;
    if (!row)
      throw new Problem('notFound', 'There is no such watched line: it may be older than what is kept.', {
        field: 'id',
      });
    return row;
  };
  router.get('/watch-points', async (_request, response) => {
    const rows = await loadWatchPoints(database, MOST_LISTED);
    response.json({ points: rows.map(shapeOf), services: watchers.services } satisfies WatchPointsShape);
  });
  router.post('/watch-points', async (request, response) => {
    const { minutes, ...wanted } = readInput(newWatchPoint, request.body);
    const nowMs = Date.now();
    if ((await watchPointsInForce(database, wanted.component, nowMs)).length >= MOST_IN_FORCE)
      throw new Problem(
        'conflict',
        `${wanted.component} is watched at ${MOST_IN_FORCE} lines already: stop one of them first.`,
        { field: 'component' },
      );
    const id = await insertWatchPoint(database, {
      ...wanted,
      madeMs: nowMs,
      madeBy: principalOf(response)?.name || 'a visitor',
      endsMs: nowMs + minutes * MINUTE_MS,
    });
    response.status(201).json(shapeOf(await found(String(id))));
  });
  router.post('/watch-points/:id/stop', async (request, response) => {
    const { id } = await found(request.params.id);
    await stopWatchPoint(database, id, principalOf(response)?.name || 'a visitor', Date.now());
    response.json(shapeOf(await found(String(id))));
  });
  router.get('/watch-points/:id', async (request, response) => {
    const point = shapeOf(await found(request.params.id));
    const [places, readings] = await Promise.all([
      loadWatchPlaces(database, point.id),
      loadReadings(database, point.id),
    ]);
    const attempts = await attemptsOfTraces(
      database,
      readings.flatMap(({ traceId }) => (traceId === '' ? [] : [traceId])),
    );
    response.json({
      point,
      places: places.map(({ line, ...place }) => ({
        ...place,
        words: watchStateWords(place.state, { wanted: point.line, line, isInForce: point.isInForce }),
      })),
      readings: readings.map((one) => {
        const { spanId, person } = attempts.get(one.traceId) ?? { spanId: null, person: '' };
        return { ...one, spanId, values: one.values.map((text) => maskText(text, [person], pseudonyms.of)) };
      }),
    } satisfies WatchPageShape);
  });
  return router;
}

const shapeOf = ({ stoppedBy, ...row }: WatchPointRow): WatchPointShape => ({
  ...row,
  stoppedBy: stoppedBy ?? '',
  isInForce: row.stoppedMs === null && row.endsMs > Date.now() && row.readings < row.most,
});
