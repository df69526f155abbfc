import { DEFAULT_MOST, type Tile, type TileKind } from './tiles';

/** What a tile is laid by. */
export type Laid = Pick<Tile, 'shows' | 'most'>;

/** Height of a tile, roughly, in that of a figure; of lists it grows by the row. */
const HEIGHTS: Readonly<Record<TileKind, { head: number; row?: number }>> = {
  figure: { head: 1 },
  text: { head: 1 },
  promise: { head: 1.4 },
  curve: { head: 1.7 },
  journey: { head: 2.4 },
  map: { head: 2.5 },
  feed: { head: 0.6, row: 0.38 },
  list: { head: 0.9, row: 0.57 },
};
const WALL_COLUMN = 4.4;

export function heightOf({ shows, most }: Laid): number {
  const { head, row = 0 } = HEIGHTS[shows];
  return head + row * (most ?? DEFAULT_MOST);
}

/**
 * Tiles laid in columns: each next one goes where least stands so far, the leftmost of these, so that their order is read
 * from the left and from the top.
 *
 * @param columns at least 1
 * @returns as many lists as there are columns; a list may be empty
 */
export function columnsOf<T extends Laid>(tiles: readonly T[], columns: number): T[][] {
  const laid: T[][] = Array.from({ length: Math.max(1, columns) }, () => []);
  const filled = laid.map(() => 0);
  for (const tile of tiles) {
    const at = filled.indexOf(Math.min(...filled));
    laid[at]?.push(tile);
    filled[at] = (filled[at] ?? 0) + heightOf(tile);
  }
  return laid;
}

/**
 * Tiles as a wall shows them, one screen after the other: every tile once, each screen the next ones that fit, each in
 * the leftmost column with room for it.
 *
 * @param columns at least 1
 * @returns screens, each of up to `columns` columns; none without tiles
 */
export function wallScreens<T extends Laid>(tiles: readonly T[], columns: number): T[][][] {
  const screens: { columns: T[][]; room: number[] }[] = [];
  for (const tile of tiles) {
    const size = heightOf(tile);
    const hasRoom = screens.at(-1)?.room.findIndex((room) => room >= size) ?? -1;
    if (hasRoom < 0) {
      const width = Math.max(1, columns);
      screens.push({
        columns: Array.from({ length: width }, () => []),
        room: new Array<number>(width).fill(WALL_COLUMN),
      });
    }
    const screen = screens.at(-1);
    const at = Math.max(0, hasRoom);
    if (!screen) continue;
    screen.columns[at]?.push(tile);
    screen.room[at] = (screen.room[at] ?? 0) - size;
  }
  return screens.map((screen) => screen.columns.filter((column) => column.length > 0));
}
