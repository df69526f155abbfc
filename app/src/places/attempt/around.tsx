import { StyleSheet, useWindowDimensions, View } from 'react-native';
import type { Schemas } from '@/data/client';
import { useAttemptHosts } from '@/data/attempts';
import { Trouble } from '@/frame/trouble';
import { Words } from '@/look/text';
import { SPACE, TWO_COLUMNS_FROM } from '@/look/tokens';
import { HostLines } from '../hosts/host-lines';
import { LogLines } from '../logs/log-lines';

/** What happened around the attempt: lines of logs that name its trace, and its hosts in those minutes. */
export function Around({ page }: { page: Schemas['AttemptPage'] }) {
  const { width } = useWindowDimensions();
  const { data: hosts, error, refetch } = useAttemptHosts(page.traceId, page.spanId);
  const column = width >= TWO_COLUMNS_FROM ? styles.column : styles.stack;
  return (
    <View style={[styles.box, width >= TWO_COLUMNS_FROM ? styles.columns : styles.stack]}>
      <View style={column} testID="attempt-lines">
        <Words kind="section" level={2}>
          Log lines of this attempt
        </Words>
        {page.lines.length === 0 ? (
          <Words kind="muted">No line of a log names this trace.</Words>
        ) : (
          <LogLines lines={page.lines} nowMs={page.atMs} />
        )}
      </View>
      <View style={column} testID="attempt-hosts">
        <Words kind="section" level={2}>
          Its hosts in these minutes
        </Words>
        {error && <Trouble error={error} onRetry={() => void refetch()} />}
        {hosts ? (
          <HostLines hosts={hosts} nowMs={page.atMs} />
        ) : (
          !error && <Words kind="muted">Looking at the hosts …</Words>
        )}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  box: { padding: SPACE.l, gap: SPACE.l },
  columns: { flexDirection: 'row', gap: SPACE.xl },
  stack: { gap: SPACE.l },
  column: { flex: 1, minWidth: 0, gap: SPACE.s },
});
