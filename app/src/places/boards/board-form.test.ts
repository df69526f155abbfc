import { DEFAULT_BOARDS } from '@toplens/core/boards';
import type { Board } from '@/data/boards';
import {
  boardOf,
  boardSchema,
  boardsWith,
  entryOf,
  NEW_TILE,
  readWhere,
  tileOf,
  valuesOf,
  type BoardValues,
} from './board-form';

const shipped = JSON.parse(JSON.stringify(DEFAULT_BOARDS)) as Board[];

test('a board that is opened and saved unchanged is the same, but that a window is written out', () => {
  for (const board of shipped) {
    const saved = boardOf(valuesOf(board, 'Dana'));
    const written = board.tiles.map((tile) =>
      tile.shows === 'promise' || tile.minutes !== undefined ? tile : { ...tile, minutes: 60 },
    );
    expect(saved).toEqual({ ...board, tiles: written });
  }
});

test('only what the kind of a tile has is set, whatever was typed before the kind was changed', () => {
  const typed = { ...NEW_TILE, of: 'Pay', measure: 'failures', most: '7', where: 'site: North', text: 'Hello' };
  expect(tileOf({ ...typed, shows: 'curve' })).toEqual({
    shows: 'curve',
    of: 'Pay',
    measure: 'failures',
    minutes: 60,
    where: { site: 'North' },
  });
  expect(tileOf({ ...typed, shows: 'text' })).toEqual({ shows: 'text', text: 'Hello' });
  expect(tileOf({ ...typed, shows: 'promise' })).toEqual({ shows: 'promise', of: 'Pay' });
  expect(entryOf(tileOf({ ...typed, shows: 'curve' }))).toMatchObject({ where: 'site: North', minutes: '60' });
});

test('values of dimensions, a line each; a line that is none is said', async () => {
  expect(readWhere('site: North: hall 2\n\n version : 4.1')).toEqual({ site: 'North: hall 2', version: '4.1' });
  expect(readWhere('colour: red')).toBeUndefined();
  expect(readWhere('North')).toBeUndefined();
  const wrong = (change: Partial<BoardValues>) =>
    boardSchema(['Desk'])
      .validate({ ...valuesOf(shipped[0], 'Dana'), ...change }, { abortEarly: false })
      .then(
        () => [],
        (error: { errors: string[] }) => error.errors,
      );
  expect(await wrong({})).toEqual([]);
  expect(await wrong({ name: ' ' })).toEqual(['Name the board.']);
  expect(await wrong({ name: 'Desk' })).toEqual(['Another board is called so.']);
  expect(await wrong({ who: '' })).toEqual(['Say who changes this.']);
  expect(await wrong({ turnSeconds: '2' })).toEqual(['Whole seconds, 5 to 3,600.']);
  expect(await wrong({ tiles: [{ ...NEW_TILE, most: '0' }] })).toEqual(['A whole number, 1 to 50.']);
  expect((await wrong({ tiles: [{ ...NEW_TILE, where: 'North' }] }))[0]).toContain('as “site: North”');
});

test('a changed board stays at its place, also under another name; a new one stands last', () => {
  const named = (name: string): Board => ({ name, tiles: [] });
  const all = ['A', 'B'].map(named);
  expect(boardsWith(all, 'A', named('Z')).map(({ name }) => name)).toEqual(['Z', 'B']);
  expect(boardsWith(all, 'C', named('C')).map(({ name }) => name)).toEqual(['A', 'B', 'C']);
});
