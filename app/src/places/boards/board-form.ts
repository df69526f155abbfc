import { BOARD_FIGURES, CURVE_MEASURES, TILE_KINDS, type TileKind } from '@toplens/core/boards';
import { array, object, string } from 'yup';
import { HAPPENING_KINDS } from '@/data/happened';
import type { Board, Tile } from '@/data/boards';
import { DIMENSIONS, type Dimension } from '@/frame/view';
import { whoChanges } from '@/frame/who';

/** A tile as the texts that stand in its fields; an empty one is not set. */
export interface TileEntry {
  shows: TileKind;
  title: string;
  of: string;
  figure: string;
  measure: string;
  kind: string;
  minutes: string;
  most: string;
  application: string;
  team: string;
  where: string;
  text: string;
}

export interface BoardValues {
  name: string;
  for: string;
  turnSeconds: string;
  tiles: TileEntry[];
  who: string;
}

export const NEW_TILE: TileEntry = {
  shows: 'list',
  title: '',
  of: '',
  figure: 'people',
  measure: '',
  kind: '',
  minutes: '60',
  most: '',
  application: '',
  team: '',
  where: '',
  text: '',
};

/** Which fields a kind of tile has, besides its title. */
export const FIELDS: Readonly<Record<TileKind, readonly (keyof TileEntry)[]>> = {
  list: ['minutes', 'most', 'application', 'team', 'where'],
  figure: ['figure', 'minutes', 'application', 'where'],
  curve: ['of', 'measure', 'minutes', 'application', 'where'],
  promise: ['of'],
  journey: ['of', 'minutes', 'application', 'where'],
  feed: ['kind', 'minutes', 'most', 'application', 'team'],
  map: ['minutes', 'application'],
  text: ['text'],
};

const wholeNumber = (text: string, least: number, most: number) =>
  text.trim() === '' || (/^\d+$/.test(text.trim()) && Number(text) >= least && Number(text) <= most);

const WHERE = /^\s*([a-z]+)\s*:\s*(\S.*?)\s*$/;
const isDimension = (text: string): text is Dimension => (DIMENSIONS as readonly string[]).includes(text);

/** "site: North" and so on, a line each; `undefined` for a line that is none. */
export function readWhere(text: string): Partial<Record<Dimension, string>> | undefined {
  const where: Partial<Record<Dimension, string>> = {};
  for (const line of text.split('\n').filter((one) => one.trim() !== '')) {
    const [, dimension = '', value = ''] = WHERE.exec(line) ?? [];
    if (!isDimension(dimension)) return undefined;
    where[dimension] = value;
  }
  return where;
}

/** @param taken names of other boards */
export const boardSchema = (taken: readonly string[]) =>
  object({
    name: string()
      .trim()
      .required('Name the board.')
      .max(80, 'At most 80 characters.')
      .notOneOf([...taken], 'Another board is called so.'),
    for: string().trim().max(200, 'At most 200 characters.').default(''),
    turnSeconds: string()
      .default('')
      .test('turn', 'Whole seconds, 5 to 3,600.', (text) => wholeNumber(text, 5, 3600)),
    tiles: array(
      object({
        shows: string().oneOf(TILE_KINDS).required(),
        title: string().trim().max(200, 'At most 200 characters.').default(''),
        of: string().trim().max(200, 'At most 200 characters.').default(''),
        figure: string().default(''),
        measure: string().default(''),
        kind: string().default(''),
        minutes: string().default(''),
        most: string()
          .default('')
          .test('most', 'A whole number, 1 to 50.', (text) => wholeNumber(text, 1, 50)),
        application: string().trim().max(200).default(''),
        team: string().trim().max(200).default(''),
        where: string()
          .default('')
          .test(
            'where',
            `A line each: what, a colon and a value, as “site: North”. What: ${DIMENSIONS.join(', ')}.`,
            (text) => readWhere(text) !== undefined,
          ),
        text: string().max(4000, 'At most 4,000 characters.').default(''),
      }),
    ).default([]),
    who: whoChanges,
  });

export const valuesOf = (board: Board | undefined, who: string): BoardValues => ({
  name: board?.name ?? '',
  for: board?.for ?? '',
  turnSeconds: board?.turnSeconds === undefined ? '' : String(board.turnSeconds),
  tiles: board?.tiles.map(entryOf) ?? [],
  who,
});

export const entryOf = ({ where, minutes, most, ...tile }: Tile): TileEntry => ({
  ...NEW_TILE,
  ...tile,
  minutes: String(minutes ?? 60),
  most: most === undefined ? '' : String(most),
  where: Object.entries(where ?? {})
    .map(([dimension, value]) => `${dimension}: ${String(value)}`)
    .join('\n'),
});

const oneOf = <Value extends string>(values: readonly Value[], text: string): Value | undefined =>
  values.find((value) => value === text);

/** What is set, of the fields that this kind of tile has. */
export function tileOf(entry: TileEntry): Tile {
  const has = (field: keyof TileEntry) => FIELDS[entry.shows].includes(field) && entry[field].trim() !== '';
  const figure = oneOf(BOARD_FIGURES, entry.figure);
  const measure = oneOf(CURVE_MEASURES, entry.measure);
  const kind = oneOf(HAPPENING_KINDS, entry.kind);
  return {
    shows: entry.shows,
    ...(entry.title.trim() !== '' && { title: entry.title.trim() }),
    ...(has('of') && { of: entry.of.trim() }),
    ...(has('figure') && figure && { figure }),
    ...(has('measure') && measure && { measure }),
    ...(has('kind') && kind && { kind }),
    ...(has('minutes') && { minutes: Number(entry.minutes) }),
    ...(has('most') && { most: Number(entry.most) }),
    ...(has('application') && { application: entry.application.trim() }),
    ...(has('team') && { team: entry.team.trim() }),
    ...(has('where') && { where: readWhere(entry.where) ?? {} }),
    ...(has('text') && { text: entry.text }),
  };
}

export const boardOf = (values: BoardValues): Board => ({
  name: values.name.trim(),
  ...(values.for.trim() !== '' && { for: values.for.trim() }),
  ...(values.turnSeconds.trim() !== '' && { turnSeconds: Number(values.turnSeconds) }),
  tiles: values.tiles.map(tileOf),
});

/** All boards with one put in the place of that called so, or behind them when none is. */
export const boardsWith = (all: readonly Board[], name: string, board: Board): Board[] =>
  all.some((one) => one.name === name) ? all.map((one) => (one.name === name ? board : one)) : [...all, board];
