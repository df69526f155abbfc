import { useEffect } from 'react';
import { ScrollView, StyleSheet } from 'react-native';
import { useSharedBoard } from '@/data/boards';
import { DoorsLead } from '@/frame/doors-lead';
import { Freshness } from '@/frame/freshness';
import { clock, zoneName } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { BoardColumns } from './board-columns';

/** A board, or one tile of it, for people who have no login: nothing leads on from here. */
export function SharedBoard({ token }: { token: string }) {
  const palette = usePalette();
  const { data, error } = useSharedBoard(token);
  const name = data?.board.name ?? 'A shared board';
  useEffect(() => {
    document.title = `${name} · Top Lens`;
  }, [name]);
  return (
    <ScrollView
      role="main"
      style={[styles.fill, { backgroundColor: palette.paper }]}
      contentContainerStyle={styles.content}
    >
      <Words kind="title" level={1}>
        {name}
      </Words>
      {error && <Words role="alert">{error.message}</Words>}
      {!data && !error && <Words kind="muted">Reading its tiles …</Words>}
      {data && (
        <>
          <Words kind="small" testID="shared-about">
            {[
              'Read-only',
              `data up to ${clock(data.nowMs)}`,
              `times in ${zoneName(data.nowMs)}`,
              data.endsAt && `opens until ${clock(Date.parse(data.endsAt), data.nowMs)}`,
            ]
              .filter(Boolean)
              .join(' · ')}
          </Words>
          <Freshness freshness={data.freshness} isLive />
          <DoorsLead.Provider value={false}>
            <BoardColumns view={data} />
          </DoorsLead.Provider>
        </>
      )}
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  fill: { flex: 1 },
  content: { padding: SPACE.l, gap: SPACE.xs },
});
