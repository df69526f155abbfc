import { View } from 'react-native';
import { useProbes } from '@/data/probes';
import { Door } from '@/frame/door';
import { figureColumn, textColumn, type Column } from '@/frame/table/columns';
import { TableTools } from '@/frame/table/table-tools';
import { useTable } from '@/frame/table/use-table';
import { useView } from '@/frame/view';
import { clock, count, durationWords, percentCut } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { PROBE_STANDINGS } from '@toplens/core/probes';
import { PeopleFrame } from '../people/people-frame';
import { ProbeAtSite } from './probe-line';
import type { ProbeLine, Probes } from './probe-words';

/** The worst standing has the largest number. */
const badness = ({ standing }: ProbeLine) => PROBE_STANDINGS.length - PROBE_STANDINGS.indexOf(standing);

const COLUMNS: readonly Column<ProbeLine>[] = [
  figureColumn('standing', 'How badly it stands', badness),
  textColumn('probe', 'Probe', ({ probe }) => probe),
  textColumn('site', 'Site', ({ site }) => site),
  textColumn('application', 'Application', ({ application }) => application),
  figureColumn('reachable', 'Share of runs not broken', ({ reachable }) => reachable?.estimate ?? null, {
    show: (share) => percentCut(share, 2),
    isAverage: true,
  }),
  figureColumn('p95Ms', '95th percentile, ms', ({ p95Ms }) => p95Ms, { show: durationWords, isAverage: true }),
  figureColumn('broken', 'Runs broken', ({ broken }) => broken, { show: count }),
  figureColumn('slow', 'Runs slow', ({ slow }) => slow, { show: count }),
  figureColumn('runs', 'Runs', ({ runs }) => runs, { show: count }),
];

/** Scripted checks from sites: they have no users, add nothing to the rank, and see what nobody has felt yet. */
export function ProbesPlace() {
  const { view } = useView();
  const palette = usePalette();
  const { data, error, refetch } = useProbes(view);
  return (
    <PeopleFrame
      title="Probes"
      error={error}
      hasData={data !== undefined}
      onRetry={() => void refetch()}
      maxWidth={1100}
    >
      <Words kind="title" level={1}>
        Probes
      </Words>
      {!data && !error && <Words kind="muted">Reading runs …</Words>}
      {data && (
        <>
          <Words testID="probes-sentence">{data.sentence}</Words>
          <Words kind="muted">
            {`${clock(data.window.fromMs)} to ${clock(data.window.toMs)}. Probes are scripts, not people: they add nothing to the rank. Two runs in a row make one worse, or better.`}
          </Words>
          {data.most !== null && (
            <Words kind="muted">{`More runs came than are looked at: the newest ${count(data.most)} are.`}</Words>
          )}
          {data.lines.length === 0 ? (
            <Words>
              {'A probe runs a script of steps from a site on a schedule. '}
              <Door path="/settings">
                <Words style={{ color: palette.action }}>Write one in Settings, Probes</Words>
              </Door>
            </Words>
          ) : (
            <Lines probes={data} />
          )}
        </>
      )}
    </PeopleFrame>
  );
}

function Lines({ probes: { lines, window } }: { probes: Probes }) {
  const table = useTable(lines, {
    name: 'probes',
    columns: COLUMNS,
    byDefault: '-standing',
    countOf: ({ runs }) => runs,
  });
  return (
    <View>
      <TableTools table={table} unit="run" />
      <View role="list" aria-label="Probes from their sites">
        {table.rows.map((line) => (
          <ProbeAtSite key={`${line.probe} ${line.site}`} line={line} nowMs={window.toMs} />
        ))}
      </View>
    </View>
  );
}
