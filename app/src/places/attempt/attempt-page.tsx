import { Redirect } from 'expo-router';
import { useEffect, useMemo, useRef, useState } from 'react';
import { FlatList, StyleSheet, useWindowDimensions, View } from 'react-native';
import { Button } from 'react-native-paper';
import type { Schemas } from '@/data/client';
import { useAttempt } from '@/data/attempts';
import { useShortcuts } from '@/frame/shortcuts';
import { Trouble } from '@/frame/trouble';
import { useView } from '@/frame/view';
import { Words } from '@/look/text';
import { SPACE, TWO_COLUMNS_FROM } from '@/look/tokens';
import { Around } from './around';
import { AttemptHead, Components, DataNotes } from './attempt-head';
import type { Props as ByNameProps } from './by-name';
import { Overview } from './overview';
import { heaviestRow, shownRows, type AttemptRow } from './rows';
import { ROW_HEIGHT, SpanRow } from './span-row';
import { SpanSheet } from './span-sheet';

const LONG_FROM = 40;
/** One attempt as proof: what failed, where its time went, and every span of it. */
export function AttemptPage({ traceId, spanId }: { traceId: string; spanId: string }) {
  const { back } = useView();
  const { data: page, error, refetch } = useAttempt(traceId, spanId);
  const [unmasked, setUnmasked] = useState<Schemas['AttemptPage']>();
  useShortcuts({ Escape: back });
  useEffect(() => {
    document.title = page ? `An attempt of ${page.flow.name} · Top Lens` : 'Top Lens';
  }, [page]);
  // The load of a page has a place of its own.
  if (page?.flow.kind === 'page') return <Redirect href={`/page-load/${spanId}`} />;
  if (page) return <Waterfall page={unmasked ?? page} onUnmasked={setUnmasked} onBack={back} />;
  return (
    <View>
      <BackButton onBack={back} />
      {error ? (
        <Trouble error={error} onRetry={() => void refetch()} />
      ) : (
        <Words style={styles.inset}>Loading the attempt …</Words>
      )}
    </View>
  );
}

const BackButton = ({ onBack }: { onBack: () => void }) => (
  <Button icon="arrow-left" onPress={onBack} style={styles.back}>
    Back
  </Button>
);

type WaterfallProps = ByNameProps & { onBack: () => void };

function Waterfall({ page, onUnmasked, onBack }: WaterfallProps) {
  const { width: screen } = useWindowDimensions();
  const [width, setWidth] = useState(Math.max(200, screen - 2 * SPACE.l));
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
  const [chosen, setChosen] = useState<AttemptRow>();
  const list = useRef<FlatList<AttemptRow>>(null);
  const rows = useMemo(() => shownRows(page.rows, opened), [page, opened]);
  const heaviest = useMemo(() => heaviestRow(page.rows)?.id, [page]);
  const isInColumns = screen >= TWO_COLUMNS_FROM;
  const wholeUs = Math.max(1, page.wholeMs * 1000);
  const toggle = ({ id }: AttemptRow) => {
    const next = new Set(opened);
    if (!next.delete(id)) next.add(id);
    setOpened(next);
    setChosen(undefined);
  };
  const head = (
    <View style={styles.above}>
      <BackButton onBack={onBack} />
      <View style={[styles.inset, isInColumns ? styles.columns : styles.stack]}>
        <View style={isInColumns ? styles.column : styles.stack}>
          <AttemptHead page={page} onUnmasked={onUnmasked} />
          <DataNotes page={page} />
        </View>
        <View style={isInColumns ? styles.column : styles.stack}>
          <Components page={page} />
        </View>
      </View>
      <View style={styles.inset}>
        <Words kind="section" level={2}>
          {`${page.rows.length === 1 ? 'One span' : `All ${page.rows.length} spans`}`}
        </Words>
        <Words kind="muted">Own work solid, waiting for others outlined. In percent: its part of the attempt.</Words>
      </View>
      {rows.length > LONG_FROM && (
        <Overview
          rows={rows}
          wholeUs={wholeUs}
          width={width}
          onGo={(index) => list.current?.scrollToIndex({ index, animated: false })}
        />
      )}
    </View>
  );
  return (
    <View
      style={styles.fill}
      onLayout={({ nativeEvent }) => setWidth(Math.max(120, nativeEvent.layout.width - 2 * SPACE.l))}
    >
      <FlatList
        ref={list}
        data={rows}
        keyExtractor={({ id }) => id}
        renderItem={({ item }) => (
          <SpanRow row={item} wholeUs={wholeUs} width={width} isHeaviest={item.id === heaviest} onPress={setChosen} />
        )}
        ListHeaderComponent={head}
        ListFooterComponent={<Around page={page} />}
        onScrollToIndexFailed={({ index, averageItemLength }) =>
          list.current?.scrollToOffset({ offset: index * averageItemLength, animated: false })
        }
        initialNumToRender={20}
        windowSize={7}
        contentContainerStyle={styles.content}
        testID="waterfall"
      />
      {chosen && (
        <SpanSheet
          traceId={page.traceId}
          row={chosen}
          wholeUs={wholeUs}
          failure={page.failures.find((failure) => failure.spanId === chosen.id)}
          clockUs={page.clocks.find(({ host }) => host === chosen.host)?.offsetUs ?? 0}
          isOpened={opened.has(chosen.id)}
          onToggle={toggle}
          onClose={() => setChosen(undefined)}
        />
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  fill: { flex: 1 },
  back: { alignSelf: 'flex-start', marginLeft: SPACE.xs },
  inset: { paddingHorizontal: SPACE.l },
  above: { gap: SPACE.m, paddingBottom: SPACE.s },
  columns: { flexDirection: 'row', gap: SPACE.xl },
  stack: { gap: SPACE.l },
  column: { flex: 1, minWidth: 0, gap: SPACE.m },
  content: { paddingBottom: SPACE.xl, minHeight: ROW_HEIGHT },
});
