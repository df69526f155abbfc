import fc from 'fast-check';
import { columnsOf, DEFAULT_BOARDS, TILE_KINDS, titleOf, wallScreens, type TileKind } from './index';

const tiles = fc.array(fc.constantFrom(...TILE_KINDS).map((shows) => ({ shows })));
const shown = (kinds: readonly TileKind[]) => kinds.map((shows) => ({ shows }));

describe('tiles in columns', () => {
  test('each stands once, and within a column in its order', () => {
    fc.assert(
      fc.property(tiles, fc.integer({ min: 1, max: 5 }), (all, n) => {
        const columns = columnsOf(all, n);
        expect(columns).toHaveLength(n);
        expect(new Set(columns.flat())).toEqual(new Set(all));
        for (const column of columns) {
          const places = column.map((tile) => all.indexOf(tile));
          expect(places).toEqual([...places].sort((a, b) => a - b));
        }
      }),
    );
  });

  test('one column, as on a phone, keeps their order', () => {
    const all = shown(['list', 'text', 'figure']);
    expect(columnsOf(all, 1)).toEqual([all]);
  });

  test('the next goes where least stands: a list of five is as much as four figures', () => {
    const list = { shows: 'list' as const };
    const figure = (key: number) => ({ shows: 'figure' as const, key });
    const [a, b, c, d, e] = [figure(1), figure(2), figure(3), figure(4), figure(5)];
    expect(columnsOf([list, a, b, c, d, e], 2)).toEqual([
      [list, e],
      [a, b, c, d],
    ]);
    expect(columnsOf([{ ...list, most: 1 }, a, b, c], 2)).toEqual([
      [{ ...list, most: 1 }, c],
      [a, b],
    ]);
  });
});

describe('on a wall', () => {
  test('every tile comes up once, each screen the next ones, whatever the width', () => {
    fc.assert(
      fc.property(tiles, fc.integer({ min: 1, max: 4 }), (all, n) => {
        const screens = wallScreens(all, n);
        const places = screens.map((screen) => screen.flat().map((tile) => all.indexOf(tile)));
        expect(places.map((one) => [...one].sort((a, b) => a - b)).flat()).toEqual(all.map((_, i) => i));
        for (const screen of screens) expect(screen.length).toBeLessThanOrEqual(n);
      }),
    );
  });

  test('a column holds a list of five, or four figures, or two curves; what is small stands under what is small', () => {
    const kinds = (screens: { shows: TileKind }[][][]) =>
      screens.map((screen) => screen.map((column) => column.map(({ shows }) => shows)));
    const five = ['figure', 'figure', 'figure', 'figure', 'figure'] as const;
    expect(kinds(wallScreens(shown([...five, 'list', 'curve', 'curve']), 2))).toEqual([
      [['figure', 'figure', 'figure', 'figure'], ['figure']],
      [['list'], ['curve', 'curve']],
    ]);
    expect(kinds(wallScreens(shown(['figure', 'list', 'curve', 'feed']), 2))).toEqual([
      [['figure', 'curve'], ['list']],
      [['feed']],
    ]);
  });

  test('what is higher than the wall stands alone in its column', () => {
    const long = { shows: 'feed' as const, most: 50 };
    expect(wallScreens([long, long], 1)).toEqual([[[long]], [[long]]]);
  });

  test('nothing to show is no screen', () => {
    expect(wallScreens([], 3)).toEqual([]);
  });
});

test('a title is the one given, or says what it shows', () => {
  expect(titleOf({ shows: 'list', title: 'Now' })).toBe('Now');
  expect(titleOf({ shows: 'figure', figure: 'money' })).toBe('Money not earned');
  expect(titleOf({ shows: 'curve', of: 'Pay' })).toBe('Pay');
  expect(titleOf({ shows: 'promise' })).toBe('A promise');
});

test('four boards ship, each with a name of its own and tiles that name nothing of an installation', () => {
  expect(DEFAULT_BOARDS.map(({ name }) => name)).toEqual(['Duty desk', 'Application owner', 'Executives', 'Web team']);
  for (const { tiles: all } of DEFAULT_BOARDS)
    for (const { of, application, team, where } of all)
      expect([of, application, team, where]).toEqual([undefined, undefined, undefined, undefined]);
});
