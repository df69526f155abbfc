import { calendarOfHappenings } from '@toplens/core/formats';
import { jsonFeed } from '@toplens/core/happened';
import { Router, type Request } from 'express';
import { happenedQuery, type HappenedShape } from '../contract/happened';
import type { Engine } from '../engine/engine';
import type { Search } from '../search/search';
import { readFocus, readInput, readWindow } from './query';
import { readHappened } from './read-happened';

/** What happened, for people and, as JSON Feed and calendar, for their readers. */
export function happenedRoutes(sources: { engine: Engine; search: Search }): Router {
  const router = Router();
  const read = (request: Request): Promise<HappenedShape> => {
    const { kind } = readInput(happenedQuery, { kind: request.query.kind });
    return readHappened(sources, { window: readWindow(request), focus: readFocus(request).focus, kind });
  };
  const home = (request: Request) => `${request.protocol}://${request.get('host') ?? 'localhost'}`;
  router.get('/happened', async (request, response) => {
    response.json(await read(request));
  });
  router.get('/happened.json', async (request, response) => {
    const { happenings } = await read(request);
    const feed = jsonFeed(happenings, home(request), `${home(request)}${request.originalUrl}`);
    response.type('application/feed+json').send(JSON.stringify(feed));
  });
  router.get('/happened.ics', async (request, response) => {
    const { happenings } = await read(request);
    response.type('text/calendar').send(calendarOfHappenings(happenings, home(request), Date.now()));
  });
  return router;
}
