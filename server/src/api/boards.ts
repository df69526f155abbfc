import { BOARD_LINK_KINDS, titleOf, type Board } from '@toplens/core/boards';
import { Router } from 'express';
import { rateLimit } from 'express-rate-limit';
import { newBoardLink, type BoardViewShape } from '../contract/boards';
import type { BoardShape } from '../contract/settings';
import { Problem } from '../errors';
import type { Settings } from '../settings/settings';
import { readBook } from '../store/settings';
import { findLink, linksOfKinds, makeLink, revokeLink, type SharedLinkRow } from '../store/shared-links';
import { readTile, type TileSources } from './board-tiles';
import { linkShape } from './handoff-shapes';
import { readInput } from './query';
import { isUuid } from './uuid';

const ASKED_A_MINUTE = 240;
/** What names people of the organisation: who was told, who changed something. */
const NAMES_STAFF: ReadonlySet<string> = new Set(['alert', 'change']);

/** Boards with what they show; links to them that open without a login. */
export function boardRoutes(sources: TileSources & { settings: Settings; publicUrl: string }): Router {
  const { database, engine, settings, publicUrl } = sources;
  const router = Router();
  const now = async () => (await readBook(database, settings)).at();
  const find = async (name: string): Promise<Board> => {
    const board = (await now()).boards.find((one) => one.name === name);
    if (!board) throw new Problem('notFound', `no board is called “${name.slice(0, 80)}”`, { field: 'name' });
    return board;
  };
  const view = async (board: Board, endsAt: string | null): Promise<BoardViewShape> => ({
    board: plain(board),
    nowMs: engine.figures?.watermarkMs ?? Date.now(),
    currency: (await now()).currency,
    endsAt,
    tiles: await Promise.all(board.tiles.map((tile) => readTile(sources, tile))),
    freshness: await engine.ask('freshness', null),
  });

  router.get('/boards', async (_request, response) => {
    response.json({ boards: (await now()).boards.map(plain) });
  });
  router.get('/boards/:name', async (request, response) => {
    response.json(await view(await find(request.params.name), null));
  });
  router.get('/boards/:name/links', async (request, response) => {
    const { name } = await find(request.params.name);
    const links = await linksOfKinds(database, BOARD_LINK_KINDS);
    response.json({ links: links.filter((link) => boardOf(link) === name).map((link) => told(link, null)) });
  });
  router.post('/boards/:name/links', async (request, response) => {
    const { tile: at, days } = readInput(newBoardLink, request.body);
    const board = await find(request.params.name);
    const tile = at === undefined ? undefined : board.tiles[at];
    if (at !== undefined && !tile)
      throw new Problem('badInput', `tile: the board has ${board.tiles.length}, counted from 0`, { field: 'tile' });
    const target = tile ? JSON.stringify({ board: board.name, tile }) : board.name;
    const { link, token } = await makeLink(database, { kind: tile ? 'tile' : 'board', target, days });
    response.status(201).json(told(link, `${publicUrl}/shared/${token}`));
  });
  router.delete('/boards/:name/links/:link', async (request, response) => {
    const { name, link: id } = request.params;
    const link = (await linksOfKinds(database, BOARD_LINK_KINDS)).find((one) => one.id === id && boardOf(one) === name);
    if (!link || !isUuid(id) || !(await revokeLink(database, link.target, id)))
      throw new Problem('notFound', 'There is no such link of this board.', { field: 'link' });
    response.status(204).send();
  });
  router.get(
    '/shared-boards/:token',
    rateLimit({ windowMs: 60_000, limit: ASKED_A_MINUTE }),
    async (request, response) => {
      response.set({ 'referrer-policy': 'no-referrer', 'cache-control': 'no-store' });
      const link = await findLink(database, String(request.params.token));
      const board = link && (await boardThen(link, find));
      if (!link || !board) throw new Problem('notFound', OVER, { field: 'token' });
      response.json(withoutStaff(await view(board, link.endsAt)));
    },
  );
  return router;
}

const OVER = 'This link is over, was revoked, or is not complete. Ask whoever sent it for a new one.';

/** As JSON has it: what is not set is not there. */
const plain = (board: Board): BoardShape => JSON.parse(JSON.stringify(board)) as BoardShape;

const told = (link: SharedLinkRow, url: string | null) => linkShape(link, url, titleOfTile(link));

function titleOfTile(link: SharedLinkRow): string {
  const shared = tileOf(link);
  return shared ? titleOf(shared.tile) : '';
}

interface SharedTile {
  board: string;
  tile: Board['tiles'][number];
}

const tileOf = ({ kind, target }: SharedLinkRow): SharedTile | undefined =>
  kind === 'tile' ? (JSON.parse(target) as SharedTile) : undefined;

const boardOf = (link: SharedLinkRow): string => tileOf(link)?.board ?? link.target;

/** What a link opens: the board as it is now, or the tile as it was shared; undefined when the board is gone. */
async function boardThen(link: SharedLinkRow, find: (name: string) => Promise<Board>): Promise<Board | undefined> {
  const shared = tileOf(link);
  if (shared) return { name: shared.board, tiles: [shared.tile] };
  return link.kind === 'board' ? find(link.target).catch(() => undefined) : undefined;
}

function withoutStaff(view: BoardViewShape): BoardViewShape {
  return {
    ...view,
    tiles: view.tiles.map((tile) => ({
      ...tile,
      feed: tile.feed && {
        ...tile.feed,
        happenings: tile.feed.happenings.filter(({ kind }) => !NAMES_STAFF.has(kind)),
      },
    })),
  };
}
