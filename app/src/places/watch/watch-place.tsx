import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { useWatchPoints, type WatchPoint } from '@/data/watch';
import { useClock } from '@/frame/clock';
import { Door } from '@/frame/door';
import { InnerPage } from '@/frame/inner-page';
import { lacking, useMay } from '@/frame/session';
import { useView, viewQuery } from '@/frame/view';
import { useIsWide, usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { NewWatchForm } from './new-watch-form';
import { askedOf, placeWords, pointWords } from './watch-words';

/** Lines of running code at which variables are read. @param at what is asked for: a service, and a place in its code */
export function WatchPlace({ at }: { at: readonly string[] }) {
  return useMay('watch') ? (
    <Watched at={at} />
  ) : (
    <InnerPage title="Watched lines" error={null} hasData onRetry={() => undefined}>
      <View style={styles.page}>
        <Words kind="title" level={1}>
          Watched lines
        </Words>
        <Words testID="needs-watch">{lacking('watch')}</Words>
      </View>
    </InnerPage>
  );
}

function Watched({ at }: { at: readonly string[] }) {
  const router = useRouter();
  const isWide = useIsWide();
  const { view } = useView();
  const { data, error, refetch } = useWatchPoints();
  const open = ({ id }: WatchPoint) => router.push(`/watch/${id}${viewQuery(view)}` as never);
  return (
    <InnerPage title="Watched lines" error={error} hasData={data !== undefined} onRetry={() => void refetch()}>
      <View style={styles.page}>
        <Words kind="title" level={1}>
          Watched lines
        </Words>
        <Words kind="muted">
          What variables hold at a line of a running service, each time before the line runs. The service is not
          stopped; a line that is passed all the time is let go by itself. Who watches what stands in the records.
        </Words>
        {data && (
          <View style={isWide ? styles.columns : styles.stack}>
            <View style={isWide ? styles.column : undefined}>
              <Words kind="section" level={2}>
                Watch a line
              </Words>
              <NewWatchForm asked={askedOf(at)} services={data.services} onMade={open} />
            </View>
            <View style={isWide ? styles.column : undefined}>
              <Points points={data.points} />
            </View>
          </View>
        )}
      </View>
    </InnerPage>
  );
}

function Points({ points }: { points: readonly WatchPoint[] }) {
  const palette = usePalette();
  const nowMs = useClock();
  return (
    <>
      <Words kind="section" level={2}>
        Now and in the last days
      </Words>
      {points.length === 0 && <Words kind="muted">No line was watched in the last seven days.</Words>}
      <View role="list" aria-label="Watched lines">
        {points.map((point) => (
          <View role="listitem" key={point.id} style={[styles.row, { borderTopColor: palette.hairline }]}>
            <Door path={`/watch/${point.id}`} style={styles.door} testID="watch-point">
              <Words kind={point.isInForce ? 'strong' : 'body'} style={{ color: palette.action }}>
                {placeWords(point)}
              </Words>
              <Words>{point.variables.join(', ')}</Words>
              <Words kind="small">{pointWords(point, nowMs)}</Words>
            </Door>
          </View>
        ))}
      </View>
    </>
  );
}

const styles = StyleSheet.create({
  page: { padding: SPACE.l, paddingTop: 0, gap: SPACE.m },
  stack: { gap: SPACE.l },
  columns: { flexDirection: 'row', gap: SPACE.xl },
  column: { flex: 1, minWidth: 0 },
  row: { borderTopWidth: 1 },
  door: { minHeight: TOUCH, justifyContent: 'center', paddingVertical: SPACE.s },
});
