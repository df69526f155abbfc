import { StyleSheet, View } from 'react-native';
import { Door } from '@/frame/door';
import { figureColumn, textColumn, timeColumn, type Column } from '@/frame/table/columns';
import { TableTools } from '@/frame/table/table-tools';
import { useTable } from '@/frame/table/use-table';
import { clock, count, counted, durationWords, percent, sizeWords } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { valueName, type PageLoads } from './page-words';

const MOST_HOSTS = 6;
const MOST_CALLS = 8;
const MOST_LOADS = 8;

type Host = PageLoads['hosts'][number];
type Frame = PageLoads['frames'][number];
type Call = PageLoads['calls'][number];
type Load = PageLoads['worst'][number];

const HOST_COLUMNS: readonly Column<Host>[] = [
  textColumn('host', 'Host', ({ host }) => host),
  textColumn('party', 'Party', ({ isThirdParty }) => (isThirdParty ? 'third party' : 'own')),
  figureColumn('resources', 'Fetched', ({ resources }) => resources, { show: count }),
  figureColumn('missing', 'Did not come', ({ missing }) => missing, { show: count }),
  figureColumn('share', 'Share that did not come', ({ missing, resources }) => missing / resources, {
    show: percent,
    isAverage: true,
  }),
  figureColumn('mean', 'Mean duration, ms', ({ meanMs }) => meanMs, { show: durationWords, isAverage: true }),
  figureColumn('bytes', 'Size, bytes', ({ bytes }) => bytes, { show: sizeWords }),
];

/** From whom pages fetch, and who does not deliver. */
export const ResourceHosts = ({ hosts }: { hosts: PageLoads['hosts'] }) => (
  <FactTable
    title="Hosts that pages load from"
    hint="From a sample of views, those with something missing as often as others."
    name="resource-hosts"
    rows={hosts}
    columns={HOST_COLUMNS}
    byDefault="-missing"
    countOf={({ resources }) => resources}
    unit="fetch"
    most={MOST_HOSTS}
    factOf={({ host, isThirdParty, resources, missing, meanMs, bytes }) => ({
      name: `${host}${isThirdParty ? '  third party' : ''}`,
      isOff: missing > 0 && isThirdParty,
      words: [
        `${count(resources)} fetched`,
        bytes > 0 && sizeWords(bytes),
        `mean ${durationWords(meanMs)}`,
        missing > 0 && `${count(missing)} did not come (${percent(missing / resources)})`,
      ],
    })}
  />
);

const FRAME_COLUMNS: readonly Column<Frame>[] = [
  textColumn('name', 'Frame', ({ name }) => valueName('page', name)),
  figureColumn('views', 'Views', ({ views }) => views, { show: count }),
  figureColumn('mean', 'Mean load, ms', ({ meanMs }) => meanMs, { show: durationWords, isAverage: true }),
  figureColumn('missing', 'Share with something missing', ({ shareMissing }) => shareMissing, {
    show: percent,
    isAverage: true,
  }),
  figureColumn('errors', 'Share with script errors', ({ shareWithErrors }) => shareWithErrors, {
    show: percent,
    isAverage: true,
  }),
];

/** Pages within pages: their loads are counted by themselves. */
export const Frames = ({ frames }: { frames: PageLoads['frames'] }) => (
  <FactTable
    title="Frames within pages"
    name="frames"
    rows={frames}
    columns={FRAME_COLUMNS}
    byDefault="-views"
    countOf={({ views }) => views}
    unit="view"
    most={MOST_CALLS}
    factOf={({ name, views, meanMs, shareMissing, shareWithErrors }) => ({
      name: valueName('page', name),
      isOff: shareMissing >= 0.5 || shareWithErrors >= 0.5,
      words: [
        counted(views, 'view'),
        meanMs !== null && `mean ${durationWords(meanMs)}`,
        shareMissing > 0 && `something missing on ${percent(shareMissing)}`,
        shareWithErrors > 0 && `${percent(shareWithErrors)} with script errors`,
      ],
    })}
  />
);

const CALL_COLUMNS: readonly Column<Call>[] = [
  textColumn('call', 'Call', ({ call }) => call),
  figureColumn('calls', 'Calls', ({ calls }) => calls, { show: count }),
  figureColumn('median', 'Median, ms', ({ medianMs }) => medianMs, { show: durationWords, isAverage: true }),
  figureColumn('p95', '95th percentile, ms', ({ p95Ms }) => p95Ms, { show: durationWords, isAverage: true }),
  figureColumn('failed', 'Share that failed', ({ failed, calls }) => failed / calls, {
    show: percent,
    isAverage: true,
  }),
];

/** Calls in the background are no page loads: they stand apart. */
export const BackgroundCalls = ({ calls }: { calls: PageLoads['calls'] }) => (
  <FactTable
    title="Calls in the background"
    name="background-calls"
    rows={calls}
    columns={CALL_COLUMNS}
    byDefault="-calls"
    countOf={(call) => call.calls}
    unit="call"
    most={MOST_CALLS}
    factOf={({ call, calls: n, failed, medianMs, p95Ms }) => ({
      name: call,
      isOff: false,
      words: [
        counted(n, 'call'),
        `half within ${durationWords(medianMs)}, 95 % within ${durationWords(p95Ms)}`,
        failed > 0 && `${count(failed)} failed (${percent(failed / n)})`,
      ],
    })}
  />
);

interface Facts<Row> {
  title: string;
  hint?: string;
  /** of the file that it is saved as, and in the address */
  name: string;
  rows: readonly Row[];
  columns: readonly Column<Row>[];
  byDefault: string;
  countOf: (row: Row) => number;
  unit: string;
  /** so many are shown; all are saved */
  most: number;
  factOf: (row: Row) => { name: string; isOff: boolean; words: (string | false)[] };
}

/** Names with what is known of each, sorted by any of it; nothing where there is none. */
function FactTable<Row>({ title, hint, unit, most, factOf, ...asked }: Facts<Row>) {
  const table = useTable(asked.rows, asked);
  if (asked.rows.length === 0) return null;
  const hidden = table.rows.length - most;
  return (
    <View testID={asked.name}>
      <Words kind="section" level={2}>
        {title}
      </Words>
      {hint !== undefined && <Words kind="small">{hint}</Words>}
      {asked.rows.length > 1 && <TableTools table={table} unit={unit} />}
      {table.rows
        .slice(0, most)
        .map(factOf)
        .map(({ name, isOff, words }) => (
          <View key={name} style={styles.line}>
            <Words kind={isOff ? 'strong' : 'body'}>{name}</Words>
            <Words kind="small">{words.filter(Boolean).join(' · ')}</Words>
          </View>
        ))}
      {hidden > 0 && <Words kind="small">{`${count(hidden)} more are in the file.`}</Words>}
    </View>
  );
}

const LOAD_COLUMNS: readonly Column<Load>[] = [
  figureColumn('missing', 'Did not come', ({ missing }) => missing, { show: count }),
  timeColumn('at', 'When', ({ atMs }) => atMs),
  textColumn('page', 'Page', ({ page }) => page),
  figureColumn('load', 'Load, ms', ({ loadMs }) => loadMs, { show: durationWords }),
  figureColumn('lcp', 'Largest Contentful Paint, ms', ({ lcpMs }) => lcpMs, { show: durationWords }),
  figureColumn('errors', 'Script errors', ({ errors }) => errors, { show: count }),
  textColumn('country', 'Country', ({ country }) => country),
  textColumn('browser', 'Browser', ({ browser }) => browser),
];

/** Loads worth opening: something did not come, or they were the slowest. */
export function WorstLoads({ loads, toMs }: { loads: PageLoads['worst']; toMs: number }) {
  const palette = usePalette();
  const table = useTable(loads, { name: 'worst-loads', columns: LOAD_COLUMNS, byDefault: '-missing' });
  if (loads.length === 0) return null;
  return (
    <View testID="worst-loads">
      <Words kind="section" level={2}>
        Worth opening
      </Words>
      {loads.length > 1 && <TableTools table={table} />}
      {table.rows.slice(0, MOST_LOADS).map(({ view, atMs, page, country, browser, loadMs, lcpMs, errors, missing }) => (
        <Door key={view} path={`/page-load/${view}`} style={styles.door} testID={`load-${view}`}>
          <Words style={{ color: palette.action }}>{`${clock(atMs, toMs)}  ${page}`}</Words>
          <Words kind="small">
            {[
              loadMs !== null && `load ${durationWords(loadMs)}`,
              lcpMs !== null && `LCP ${durationWords(lcpMs)}`,
              missing > 0 && `${count(missing)} did not come`,
              errors > 0 && counted(errors, 'script error'),
              country && valueName('country', country),
              browser,
            ]
              .filter(Boolean)
              .join(' · ')}
          </Words>
        </Door>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  line: { paddingVertical: SPACE.xs },
  door: { minHeight: TOUCH, justifyContent: 'center', paddingVertical: SPACE.xs },
});
