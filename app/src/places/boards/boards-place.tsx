import { useRouter } from 'expo-router';
import { useEffect } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { titleOf } from '@toplens/core/boards';
import { useBoards } from '@/data/boards';
import { Door } from '@/frame/door';
import { TimeBar } from '@/frame/time-bar';
import { Trouble } from '@/frame/trouble';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { boardPath } from './board-page';

/** In the address in place of a name: a board that is not there yet. */
export const NEW_BOARD = 'new board';

/** All boards: what each role wants to see at a glance. */
export function BoardsPlace() {
  const router = useRouter();
  const palette = usePalette();
  const { data, error, refetch } = useBoards();
  useEffect(() => {
    document.title = 'Boards · Top Lens';
  }, []);
  return (
    <ScrollView style={styles.fill} contentContainerStyle={styles.content}>
      <TimeBar />
      <View style={styles.page}>
        <Words kind="title" level={1}>
          Boards
        </Words>
        <Words kind="muted">What a role wants to see at a glance: on a phone, on a wall, or by a link.</Words>
        {error && <Trouble error={error} onRetry={() => void refetch()} />}
        <View role="list" aria-label="Boards">
          {data?.boards.map((board) => (
            <View role="listitem" key={board.name} style={[styles.row, { borderTopColor: palette.hairline }]}>
              <Door path={boardPath(board.name)} style={styles.door} testID={`board-${board.name}`}>
                <Words kind="strong" style={{ color: palette.action }}>
                  {board.name}
                </Words>
                {board.for !== undefined && <Words>{board.for}</Words>}
                <Words kind="small">{board.tiles.map((tile) => titleOf(tile)).join(' · ')}</Words>
              </Door>
            </View>
          ))}
        </View>
        <Button
          icon="plus"
          mode="outlined"
          style={styles.button}
          onPress={() => router.push(`${boardPath(NEW_BOARD)}/arrange` as never)}
          testID="new-board"
        >
          Make a board
        </Button>
      </View>
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  fill: { flex: 1 },
  content: { paddingBottom: SPACE.xl },
  page: { padding: SPACE.l, gap: SPACE.s, maxWidth: 820 },
  row: { borderTopWidth: 1 },
  door: { minHeight: TOUCH, paddingVertical: SPACE.s, gap: 2 },
  button: { alignSelf: 'flex-start' },
});
