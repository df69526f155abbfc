import { StyleSheet, View } from 'react-native';
import { usePhoneSessions } from '@/data/phones';
import { Chip } from '@/frame/chip';
import { Door } from '@/frame/door';
import { figureColumn, textColumn, timeColumn, type Column } from '@/frame/table/columns';
import { TableTools } from '@/frame/table/table-tools';
import { useTable } from '@/frame/table/use-table';
import { useView } from '@/frame/view';
import { clock, count, durationWords } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { versionName } from './phone-words';
import { sessionWords, type Session } from './session-words';

const COLUMNS: readonly Column<Session>[] = [
  {
    ...figureColumn<Session>('worst', 'Crashes, then what failed', (one) => one.crashes * 1e6 + badness(one)),
    save: badness,
  },
  figureColumn('crashes', 'Crashes', ({ crashes }) => crashes, { show: count }),
  figureColumn('failed', 'Attempts that failed', ({ failed }) => failed, { show: count }),
  figureColumn('requests', 'Requests', ({ requests }) => requests, { show: count }),
  figureColumn('requestsFailed', 'Requests that failed', ({ requestsFailed }) => requestsFailed, { show: count }),
  figureColumn('errors', 'Errors caught', ({ errors }) => errors, { show: count }),
  figureColumn('waited', 'Time that attempts took, ms', ({ waitedMs }) => waitedMs, { show: durationWords }),
  timeColumn('last', 'Last seen', ({ toMs }) => toMs),
  textColumn('device', 'Device', ({ device }) => device),
  textColumn('version', 'Version', ({ version }) => versionName(version)),
  textColumn('carrier', 'Carrier', ({ carrier }) => carrier),
  textColumn('country', 'Country', ({ country }) => country),
];

function badness({ failed, requestsFailed, errors }: Session): number {
  return failed + requestsFailed + errors;
}

const MOST = 12;

/** Sessions on phones, the worst first. */
export function Sessions({ address, onClear }: { address: string | undefined; onClear: () => void }) {
  const palette = usePalette();
  const { view } = useView();
  const { data } = usePhoneSessions(view, address);
  const table = useTable(data?.sessions ?? [], { name: 'phone-sessions', columns: COLUMNS, byDefault: '-worst' });
  if (!data || (data.sessions.length === 0 && address === undefined)) return null;
  const hidden = table.rows.length - MOST;
  return (
    <View style={styles.gap} testID="phone-sessions">
      <Words kind="section" level={2}>
        {data.isLastDay ? 'Sessions of the last day' : 'Sessions'}
      </Words>
      {address !== undefined && (
        <Chip words={`asked ${address}`} removes onPress={onClear} accessibilityLabel="Sessions of every address" />
      )}
      {data.sessions.length === 0 && <Words>No session asked it in this time.</Words>}
      {data.isCut && <Words kind="muted">There are more: the worst hundred are listed.</Words>}
      {data.sessions.length > 1 && <TableTools table={table} unit="session" />}
      <View role="list" aria-label="Sessions">
        {table.rows.slice(0, MOST).map((one) => (
          <View
            role="listitem"
            key={`${one.session} ${one.application}`}
            style={[styles.line, { borderTopColor: palette.hairline }]}
          >
            <Door path={`/session/${one.session}`} style={styles.door} testID="session">
              <Words kind="strong" style={{ color: palette.action }}>
                {sessionWords(one)}
              </Words>
              <Words kind="small">
                {[
                  `${clock(one.fromMs)} to ${clock(one.toMs, one.fromMs)}`,
                  one.application,
                  versionName(one.version),
                  one.device,
                  one.carrier,
                  one.country,
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </Words>
            </Door>
          </View>
        ))}
      </View>
      {hidden > 0 && <Words kind="small">{`${count(hidden)} more are in the file.`}</Words>}
    </View>
  );
}

const styles = StyleSheet.create({
  gap: { gap: SPACE.xs, marginTop: SPACE.m },
  line: { borderTopWidth: 1 },
  door: { minHeight: TOUCH, justifyContent: 'center', gap: 2, paddingVertical: SPACE.s },
});
