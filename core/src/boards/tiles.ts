import type { HappeningKind } from '../happened';
import type { Dimension } from '../telemetry';

/** What a tile may show. */
export const TILE_KINDS = ['list', 'figure', 'curve', 'promise', 'journey', 'feed', 'map', 'text'] as const;
export type TileKind = (typeof TILE_KINDS)[number];

export const TILE_WORDS: Readonly<Record<TileKind, string>> = {
  list: 'Incidents, worst first',
  figure: 'One figure with its range',
  curve: 'A flow’s curve over its usual range',
  promise: 'A promise',
  journey: 'A journey',
  feed: 'What happened',
  map: 'Map of page loads',
  text: 'A text',
};

/** Which figure a tile shows. */
export const BOARD_FIGURES = ['people', 'harm', 'money', 'failed', 'crashes'] as const;
export type BoardFigure = (typeof BOARD_FIGURES)[number];

export const FIGURE_WORDS: Readonly<Record<BoardFigure, string>> = {
  people: 'People hurt',
  harm: 'Harm points an hour',
  money: 'Money not earned',
  failed: 'Attempts that fail',
  crashes: 'Launches that crash',
};

export const CURVE_MEASURES = ['duration', 'failures', 'attempts', 'underWay'] as const;
export type CurveMeasure = (typeof CURVE_MEASURES)[number];

/** A view on a board, with its own window and filter. What is left out is not narrowed, or chosen as the worst. */
export interface Tile {
  shows: TileKind;
  /** over it; made of what it shows when left out */
  title?: string | undefined;
  /** name of the flow, promise or journey; the one that is worst off when left out */
  of?: string | undefined;
  figure?: BoardFigure | undefined;
  /** of a curve; what is in trouble when left out */
  measure?: CurveMeasure | undefined;
  /** of a feed: only this kind */
  kind?: HappeningKind | undefined;
  /** length of its window; an hour when left out */
  minutes?: number | undefined;
  /** rows of a list or feed at most */
  most?: number | undefined;
  application?: string | undefined;
  team?: string | undefined;
  /** narrowed to values of dimensions */
  where?: Partial<Record<Dimension, string>> | undefined;
  /** of a text */
  text?: string | undefined;
}

export interface Board {
  /** tells it apart from others */
  name: string;
  /** the role that it is for, in words */
  for?: string | undefined;
  /** on a wall: so many seconds until the next tiles */
  turnSeconds?: number | undefined;
  tiles: readonly Tile[];
}

export const DEFAULT_TILE_MINUTES = 60;
export const DEFAULT_MOST = 5;
export const DEFAULT_TURN_S = 30;

/** What stands over a tile that was given no title. */
export const titleOf = ({ shows, title, figure, of }: Tile): string =>
  title ?? (shows === 'figure' ? FIGURE_WORDS[figure ?? 'people'] : of && shows !== 'text' ? of : TILE_WORDS[shows]);
