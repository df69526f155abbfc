import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { get, post, remove, type Schemas } from './client';
import { LIVE_MS, useChange } from './live';

export type Board = Schemas['Board'];
export type Tile = Schemas['BoardTile'];
export type TileView = Schemas['TileView'];
export type BoardView = Schemas['BoardView'];

/** A board is read from a distance: it need not be asked as often as a list that somebody works on. */
const BOARD_MS = 3 * LIVE_MS;

export function useBoards() {
  return useQuery({ queryKey: ['boards'], queryFn: () => get('/api/boards', {}) });
}

/** What the tiles of a board show now. */
export function useBoard(name: string) {
  return useQuery({
    queryKey: ['board', name],
    queryFn: () => get('/api/boards/{name}', { path: { name } }),
    placeholderData: keepPreviousData,
    refetchInterval: BOARD_MS,
  });
}

/** What a link shows now. */
export function useSharedBoard(token: string) {
  return useQuery({
    queryKey: ['shared-board', token],
    queryFn: () => get('/api/shared-boards/{token}', { path: { token } }),
    retry: false,
    refetchInterval: ({ state }) => (state.error ? false : 2 * BOARD_MS),
  });
}

export function useBoardLinks(name: string) {
  return useQuery({
    queryKey: ['board-links', name],
    queryFn: () => get('/api/boards/{name}/links', { path: { name } }),
  });
}

/** Makes a page of a board, or of one of its tiles, that opens without a login; the answer alone holds the link. */
export const useMakeBoardLink = (name: string) =>
  useChange(['board-links', name], (body: { tile?: number; days: number }) =>
    post('/api/boards/{name}/links', { path: { name }, body }),
  );

export function useRevokeBoardLink(name: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (link: string) => remove('/api/boards/{name}/links/{link}', { path: { name, link } }),
    onSettled: () => client.invalidateQueries({ queryKey: ['board-links', name] }),
  });
}
