import type { Static } from '@sinclair/typebox';
import { object } from 'yup';
import { numberInput } from './number-input';
import { Chart, Freshness, Interval, Mark, Window } from './common';
import { daysOpen, linkId, SharedLink } from './handoffs';
import { Happened } from './happened';
import { Row } from './incidents';
import { Journey } from './journeys';
import { get, ok, path, post, problem, type Paths } from './paths';
import { PageLoads } from './pages';
import { ServiceLevel } from './promises';
import { Board, BoardTile } from './settings';
import { EPOCH_MS, list, number, orNull, record, ref, resource, text } from './words';

export const Boards = resource('Boards', 'What roles want to see', {
  boards: list(ref(Board), 'boards, in the order of the settings'),
});
export type BoardsShape = Static<typeof Boards>;

const none = 'null where it shows something else, or has nothing to show';

export const TileView = resource('TileView', 'A tile with what it shows now', {
  tile: ref(BoardTile, 'what it is to show'),
  title: text('stands over it', 'People hurt'),
  path: text("where it is seen in the interface; '' for a text", '/incident/7'),
  window: ref(Window, 'what was looked at'),
  nothing: text("why there is nothing to show; '' when there is", 'no flow is called “Book a pickup”'),
  headline: text("sentence over a list; '' else", 'Nobody is being hurt.'),
  rows: orNull(list(ref(Row), `incidents, worst first; ${none}`)),
  figure: orNull(
    record(
      {
        range: ref(Interval, 'the figure with its 95 % interval'),
        of: text("of how many, in words; '' when that says nothing", 'of 48,210 attempts'),
      },
      `one figure; ${none}`,
    ),
  ),
  curve: orNull(
    record(
      {
        chart: ref(Chart, 'the series over its usual range'),
        onsetMs: orNull(number('when its trouble began; null without any', EPOCH_MS, 1772442840000)),
        marks: list(ref(Mark), 'what was changed on its way'),
      },
      `a curve; ${none}`,
    ),
  ),
  promise: orNull(ref(ServiceLevel, `a promise; ${none}`)),
  journey: orNull(ref(Journey, `a journey; ${none}`)),
  feed: orNull(ref(Happened, `what happened, as much as it shows; ${none}`)),
  pages: orNull(ref(PageLoads, `page loads by country; ${none}`)),
});
export type TileViewShape = Static<typeof TileView>;

export const BoardView = resource('BoardView', 'A board with what its tiles show now', {
  board: ref(Board, 'what it is'),
  nowMs: number('up to when data is complete', EPOCH_MS, 1772446480000),
  currency: text('currency of all amounts, ISO 4217', 'EUR'),
  endsAt: orNull(text('of a link: when it ends; null of a board itself', '2026-03-09T09:20:00.000Z')),
  tiles: list(ref(TileView), 'its tiles, in their order'),
  freshness: ref(Freshness, 'up to when data is complete and judged'),
});
export type BoardViewShape = Static<typeof BoardView>;

export const BoardLinks = resource('BoardLinks', 'Pages of a board that open without a login', {
  links: list(ref(SharedLink), 'newest first'),
});

export const newBoardLink = object({
  tile: numberInput()
    .integer()
    .min(0)
    .meta({ description: 'the tile at this place alone, from 0; left out: the whole board', example: 0 }),
  days: daysOpen,
});

const boardName = path('name', 'name of the board', 'Duty desk');

export const boardPaths: Paths = {
  '/api/boards': { get: get('Boards: what roles want to see', Boards) },
  '/api/boards/{name}': {
    get: get('A board with what its tiles show now', BoardView, { path: [boardName] }),
  },
  '/api/boards/{name}/links': {
    get: get('Pages of a board that open without a login', BoardLinks, { path: [boardName] }),
    post: post('A page of a board, or of one of its tiles, that opens without a login, read-only, until it ends', {
      path: [boardName],
      body: newBoardLink,
      answers: { '201': ok(SharedLink, 'the only time that the link itself is told') },
    }),
  },
  '/api/boards/{name}/links/{link}': {
    delete: {
      summary: 'Revokes a link: it opens nothing any more',
      parameters: [boardName, linkId],
      responses: { '204': { description: 'it is revoked' }, '4XX': problem, '5XX': problem },
    },
  },
  '/api/shared-boards/{token}': {
    get: get('What a link to a board shows now, without persons', BoardView, {
      path: [path('token', 'the secret that stands in the link', '4fKq…')],
    }),
  },
};
