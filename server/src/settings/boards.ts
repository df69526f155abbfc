import { BOARD_FIGURES, CURVE_MEASURES, DEFAULT_BOARDS, TILE_KINDS } from '@toplens/core/boards';
import { HAPPENING_KINDS } from '@toplens/core/happened';
import { DIMENSIONS } from '@toplens/core/telemetry';
import { array, number, object, string, type InferType } from 'yup';
import { byName } from '../by-name';

const name = string().trim().min(1).max(200);
const LONGEST_TEXT = 4000;
const LONGEST_MINUTES = 35 * 24 * 60;
const MOST_TILES = 24;
const MOST_BOARDS = 200;

export const tileSchema = object({
  shows: string().oneOf(TILE_KINDS).required(),
  title: name,
  of: name,
  figure: string().oneOf(BOARD_FIGURES),
  measure: string().oneOf(CURVE_MEASURES),
  kind: string().oneOf(HAPPENING_KINDS),
  minutes: number().integer().min(1).max(LONGEST_MINUTES),
  most: number().integer().min(1).max(50),
  application: name,
  team: name,
  where: object(byName(DIMENSIONS, () => name))
    .noUnknown()
    .default(undefined),
  text: string().max(LONGEST_TEXT),
}).noUnknown();

const boardSchema = object({
  name: name.max(80).required(),
  for: string().trim().max(200),
  turnSeconds: number().integer().min(5).max(3600),
  tiles: array(tileSchema).max(MOST_TILES, `tiles: a board holds ${MOST_TILES} at most`).required(),
}).noUnknown();

export const boardsSchema = array(boardSchema)
  .max(MOST_BOARDS)
  .test('once', 'boards: each name once', (all) => new Set(all?.map((one) => one.name)).size === (all?.length ?? 0))
  .default(() => structuredClone(DEFAULT_BOARDS) as InferType<typeof boardSchema>[]);
