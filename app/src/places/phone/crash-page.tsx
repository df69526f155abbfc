import { StyleSheet, View } from 'react-native';
import type { Schemas } from '@/data/client';
import { useCrash } from '@/data/phones';
import { Door } from '@/frame/door';
import { Fold } from '@/frame/fold';
import { InnerPage } from '@/frame/inner-page';
import { clockSeconds, durationWords } from '@/look/format';
import { useIsWide, usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { Frames } from './frames';
import { versionName } from './phone-words';

type Crash = Schemas['CrashPage'];

/** One crash: what happened, where in the code, what every thread did, and what the person did before it. */
export function CrashPage({ id }: { id: string }) {
  const palette = usePalette();
  const isWide = useIsWide();
  const { data: crash, error, refetch } = useCrash(id);
  return (
    <InnerPage
      title={crash ? `Crash of ${crash.application}` : undefined}
      error={error}
      hasData={crash !== undefined}
      onRetry={() => void refetch()}
    >
      {crash && (
        <View style={styles.page}>
          <Words kind="title" level={1}>
            {`Crash of ${crash.application}${crash.screen === '' ? '' : ` on ${crash.screen}`}`}
          </Words>
          <Words kind="strong">{`${crash.type}: ${crash.message}`}</Words>
          <Words kind="muted" testID="crash-facts">
            {factsOf(crash).join(' · ')}
          </Words>
          <Door path={`/crash-group/${crash.id}`} style={styles.door}>
            <Words style={{ color: palette.action }}>All crashes at this place</Words>
          </Door>
          <View style={isWide ? styles.columns : styles.stack}>
            <View style={isWide ? styles.column : styles.stack}>
              <Words kind="section" level={2}>
                {crash.thread === '' ? 'Where in the code' : `Where in the code: thread ${crash.thread}`}
              </Words>
              <Frames frames={crash.frames} isRestored={crash.isRestored} />
              <Fold words="Stack as the phone told it">
                <Words kind="code">{crash.stack || 'none'}</Words>
              </Fold>
              {crash.threads.map((thread, i) => (
                <Fold key={i} words={`Thread ${thread.name || i + 1}`}>
                  <Words kind="code">{thread.stack || 'no stack'}</Words>
                </Fold>
              ))}
            </View>
            <View style={isWide ? styles.column : styles.stack}>
              <Trail crash={crash} />
              <Session crash={crash} />
            </View>
          </View>
        </View>
      )}
    </InnerPage>
  );
}

const factsOf = ({ atMs, version, device, system, carrier, country }: Crash): string[] =>
  [clockSeconds(atMs), versionName(version), device, system, carrier, country].filter(Boolean);

/** "20 s before" */
const before = (crash: Crash, atMs: number): string => `${durationWords(Math.max(0, crash.atMs - atMs))} before`;

function Trail({ crash }: { crash: Crash }) {
  return (
    <View style={styles.stack} testID="trail">
      <Words kind="section" level={2}>
        Just before
      </Words>
      {crash.trail.length === 0 && <Words kind="muted">The application noted nothing.</Words>}
      {crash.trail.map((one, i) => (
        <View key={i}>
          <Words>{one.what}</Words>
          <Words kind="small">{before(crash, one.atMs)}</Words>
        </View>
      ))}
    </View>
  );
}

function Session({ crash }: { crash: Crash }) {
  const palette = usePalette();
  return (
    <View style={styles.stack} testID="crash-session">
      <Words kind="section" level={2}>
        Its session, the half hour before
      </Words>
      {crash.sessionId !== null && (
        <Door path={`/session/${crash.sessionId}`} style={styles.door} testID="whole-session">
          <Words style={{ color: palette.action }}>The whole session on one clock</Words>
        </Door>
      )}
      {crash.session.length === 0 && <Words kind="muted">No session is told, or its attempts are not kept.</Words>}
      {crash.session.map((one) => (
        <Door key={`${one.traceId}-${one.spanId}`} path={`/attempt/${one.traceId}/${one.spanId}`} style={styles.door}>
          <Words style={{ color: palette.action }}>{one.flow}</Words>
          <Words kind="small">
            {[before(crash, one.atMs), one.failed ? `failed, ${one.failure}` : durationWords(one.durationMs)].join(
              ' · ',
            )}
          </Words>
        </Door>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  page: { paddingHorizontal: SPACE.l, gap: SPACE.s },
  columns: { flexDirection: 'row', gap: SPACE.xl },
  column: { flex: 1, minWidth: 0, gap: SPACE.s },
  stack: { gap: SPACE.s },
  door: { minHeight: TOUCH, justifyContent: 'center' },
});
