import { DEFAULT_TURN_S, wallScreens } from '@toplens/core/boards';
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { Button, IconButton } from 'react-native-paper';
import { useBoard } from '@/data/boards';
import { Freshness } from '@/frame/freshness';
import { useShortcuts } from '@/frame/shortcuts';
import { clock } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { columnsIn } from './board-columns';
import { boardPath } from './board-page';
import { TileBox } from './tile-box';

/** The part of the page that a wall shows, as on a screen of this size: the larger the wall, the larger all is drawn. */
const DRAWN = { width: 1100, height: 700 };
const LARGEST = 3;

const largerOn = (width: number, height: number): number =>
  Math.min(LARGEST, Math.max(1, Math.min(width / DRAWN.width, height / DRAWN.height)));

/** A board for a wall: larger, without the places, as many tiles as fit, then the next; it can be held. */
export function Wall({ name }: { name: string }) {
  const router = useRouter();
  const palette = usePalette();
  const { width, height } = useWindowDimensions();
  const larger = largerOn(width, height);
  const { data, error } = useBoard(name);
  const [at, setAt] = useState(0);
  const [isHeld, setHeld] = useState(false);
  const tiles = (data?.tiles ?? []).map((shown, i) => ({
    shows: shown.tile.shows,
    most: shown.tile.most,
    key: i,
    shown,
  }));
  const screens = wallScreens(tiles, columnsIn(width / larger));
  const count = Math.max(1, screens.length);
  const turn = (by: number) => setAt((one) => (one + by + count) % count);
  const turnMs = (data?.board.turnSeconds ?? DEFAULT_TURN_S) * 1000;
  useEffect(() => {
    if (isHeld || count < 2) return undefined;
    const timer = setInterval(() => setAt((one) => (one + 1) % count), turnMs);
    return () => clearInterval(timer);
  }, [isHeld, count, turnMs, at]);
  useEffect(() => {
    document.title = `${name} · Top Lens`;
    document.body.style.zoom = String(larger);
    return () => {
      document.body.style.zoom = '';
    };
  }, [name, larger]);
  const leave = () => router.replace(boardPath(name));
  useShortcuts({
    Escape: leave,
    ArrowRight: () => turn(1),
    ArrowLeft: () => turn(-1),
    ' ': () => setHeld((one) => !one),
  });
  const screen = screens[Math.min(at, count - 1)] ?? [];
  return (
    <View role="main" style={[styles.wall, { backgroundColor: palette.paper }]}>
      <View style={styles.bar}>
        <Words kind="title" level={1} style={styles.name}>
          {name}
        </Words>
        <Words kind="muted" testID="wall-state">
          {[
            data && `data up to ${clock(data.nowMs)}`,
            error && 'the server cannot be asked: this is from before',
            count > 1 && `${at + 1} of ${count}${isHeld ? ', held' : ''}`,
          ]
            .filter(Boolean)
            .join(' · ')}
        </Words>
        {count > 1 && (
          <>
            <IconButton icon="chevron-left" accessibilityLabel="Tiles before" onPress={() => turn(-1)} />
            <IconButton
              icon={isHeld ? 'play-circle-outline' : 'pause-circle-outline'}
              accessibilityLabel={isHeld ? 'Go on turning' : 'Hold these tiles'}
              onPress={() => setHeld(!isHeld)}
              testID="hold"
            />
            <IconButton icon="chevron-right" accessibilityLabel="Next tiles" onPress={() => turn(1)} />
          </>
        )}
        <Button onPress={() => void document.documentElement.requestFullscreen()}>Full screen</Button>
        <Button onPress={leave} testID="leave-wall">
          Leave
        </Button>
      </View>
      {data && <Freshness freshness={data.freshness} isLive />}
      <View style={styles.columns}>
        {screen.map((column) => (
          <View key={column[0]?.key} style={styles.column}>
            {column.map(({ key, shown }) => (
              <TileBox key={key} shown={shown} currency={data?.currency ?? ''} nowMs={data?.nowMs ?? 0} />
            ))}
          </View>
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  wall: { flex: 1, padding: SPACE.l, gap: SPACE.s, overflow: 'scroll' },
  bar: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', columnGap: SPACE.s },
  name: { flexGrow: 1 },
  columns: { flexDirection: 'row', gap: SPACE.xl },
  column: { flex: 1, minWidth: 0 },
});
