import { FIGURE_WORDS, TILE_WORDS, type BoardFigure } from '@toplens/core/boards';
import type { Tile, TileView } from '@/data/boards';
import type { View } from '@/frame/view';
import { count, exactPercent, formatMoney, lengthWords } from '@/look/format';

/** How a figure is written. A share that is small is not told as none. */
export function figureText(figure: BoardFigure, value: number, currency: string): string {
  if (figure === 'money') return formatMoney(value, currency);
  if (figure === 'failed' || figure === 'crashes') return exactPercent(Number(value.toPrecision(2)));
  return count(value);
}

/** "95 %: 118 to 141, of 48,210 attempts" */
export function rangeText(
  figure: BoardFigure,
  { range, of }: NonNullable<TileView['figure']>,
  currency: string,
): string {
  const [low, high] = [range.low, range.high].map((value) => figureText(figure, value, currency));
  const between = low === high ? '' : `95 % range ${low} to ${high}`;
  return [between, of].filter(Boolean).join(', ');
}

/** "last 1 h · Depot Desk · site North": window and filter of a tile. */
export function aboutTile(tile: Tile): string {
  if (tile.shows === 'text') return '';
  // A promise has a period of its own.
  const minutes = tile.minutes ?? 60;
  return [
    tile.shows !== 'promise' && `last ${lengthWords(minutes * 60_000)}`,
    tile.application,
    tile.team,
    ...Object.entries(tile.where ?? {}).map(([dimension, value]) => `${dimension} ${String(value)}`),
  ]
    .filter(Boolean)
    .join(' · ');
}

/** What a tile is, in a list of tiles. */
export function tileWords(tile: Tile): string {
  const what = tile.shows === 'figure' ? FIGURE_WORDS[tile.figure ?? 'people'] : TILE_WORDS[tile.shows];
  return [tile.title && `“${tile.title}”`, what, tile.of, aboutTile(tile)].filter(Boolean).join(' · ');
}

/** The view behind a tile: its own window and filter, whatever is looked at elsewhere. */
export function viewOf({ minutes, application, team, where }: Tile): View {
  return {
    last: minutes ?? 60,
    rankBy: 'harm',
    ...(application && { application }),
    ...(team && { team }),
    ...where,
  };
}
