import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { useBoard } from '@/data/boards';
import { Freshness } from '@/frame/freshness';
import { useShortcuts } from '@/frame/shortcuts';
import { Trouble } from '@/frame/trouble';
import { clock, zoneName } from '@/look/format';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { BoardColumns } from './board-columns';
import { BoardLinksSheet } from './board-links';

export const boardPath = (name: string, to: 'board' | 'wall' = 'board'): string => `/${to}/${encodeURIComponent(name)}`;

/** A board: tiles in columns, each over its own window; arranged, shown on a wall and shared from here. */
export function BoardPage({ name }: { name: string }) {
  const router = useRouter();
  const { data, error, refetch } = useBoard(name);
  const [isSharing, setSharing] = useState(false);
  useShortcuts({ Escape: () => router.navigate('/boards') });
  useEffect(() => {
    document.title = `${name} · Top Lens`;
  }, [name]);
  return (
    <ScrollView style={styles.fill} contentContainerStyle={styles.content}>
      <View style={styles.bar}>
        <Button icon="arrow-left" onPress={() => router.navigate('/boards')}>
          Boards
        </Button>
        <Button
          icon="pencil-outline"
          onPress={() => router.push(`${boardPath(name)}/arrange` as never)}
          testID="arrange"
        >
          Arrange
        </Button>
        <Button icon="monitor" onPress={() => router.push(boardPath(name, 'wall'))} testID="to-wall">
          Wall
        </Button>
        <Button icon="link-variant" onPress={() => setSharing(true)} testID="share-board">
          Links
        </Button>
      </View>
      <Words kind="title" level={1}>
        {name}
      </Words>
      {error && (
        <Trouble
          error={error}
          still={data ? `What you see is as of ${clock(data.nowMs)}.` : ''}
          onRetry={() => void refetch()}
        />
      )}
      {!data && !error && <Words kind="muted">Reading its tiles …</Words>}
      {data && (
        <>
          <Words kind="small" testID="board-about">
            {[data.board.for, `data up to ${clock(data.nowMs)}`, `times in ${zoneName(data.nowMs)}`]
              .filter(Boolean)
              .join(' · ')}
          </Words>
          <Freshness freshness={data.freshness} isLive />
          {data.tiles.length === 0 && <Words kind="muted">This board has no tiles yet: Arrange adds them.</Words>}
          <BoardColumns view={data} />
        </>
      )}
      {isSharing && data && <BoardLinksSheet board={data.board} onClose={() => setSharing(false)} />}
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  fill: { flex: 1 },
  content: { padding: SPACE.l, paddingTop: SPACE.s, gap: SPACE.xs },
  bar: { flexDirection: 'row', flexWrap: 'wrap', marginLeft: -SPACE.m },
});
