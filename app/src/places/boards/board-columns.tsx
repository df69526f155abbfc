import { columnsOf } from '@toplens/core/boards';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { BoardView } from '@/data/boards';
import { SPACE } from '@/look/tokens';
import { TileBox } from './tile-box';

/** Narrower than this a curve or list is hard to read. */
const NARROWEST = 340;
const MOST_COLUMNS = 4;

export const columnsIn = (width: number): number =>
  Math.min(MOST_COLUMNS, Math.max(1, Math.floor((width + SPACE.xl) / (NARROWEST + SPACE.xl))));

/** Tiles of a board in as many columns as there is room for; one on a phone. */
export function BoardColumns({ view }: { view: BoardView }) {
  const [width, setWidth] = useState<number>();
  const tiles = view.tiles.map((shown, i) => ({ shows: shown.tile.shows, most: shown.tile.most, key: i, shown }));
  return (
    <View
      style={styles.columns}
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
      testID="board-columns"
    >
      {/* Nothing is drawn at a width that is not its own. */}
      {width !== undefined &&
        columnsOf(tiles, columnsIn(width)).map((column, i) => (
          <View key={i} style={styles.column}>
            {column.map(({ key, shown }) => (
              <TileBox key={key} shown={shown} currency={view.currency} nowMs={view.nowMs} />
            ))}
          </View>
        ))}
    </View>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: SPACE.xl },
  column: { flex: 1, minWidth: 0 },
});
