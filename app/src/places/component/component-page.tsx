import type { ReactNode } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { HostCurves } from '@/charts/host-curves';
import { SharedMoment } from '@/charts/moment';
import type { Schemas } from '@/data/client';
import { useComponent } from '@/data/infrastructure';
import { Door } from '@/frame/door';
import { InnerPage } from '@/frame/inner-page';
import { NotNarrowed } from '@/frame/not-narrowed';
import { useView } from '@/frame/view';
import { clock, count } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TWO_COLUMNS_FROM } from '@/look/tokens';
import { isQuiet } from '../flows/quiet';
import { watchPath } from '../watch/watch-words';
import { HopList } from './hop-list';

type Component = Schemas['Component'];

/** One component: who needs it, who calls it, whom it calls, and all of its hosts side by side. */
export function ComponentPage({ name }: { name: string }) {
  const { width } = useWindowDimensions();
  const palette = usePalette();
  const { view } = useView();
  const { data: page, error, refetch } = useComponent(name, view);
  const column = width >= TWO_COLUMNS_FROM ? styles.column : styles.stack;
  return (
    <InnerPage title={name} error={error} hasData={page !== undefined} onRetry={() => void refetch()}>
      <View style={styles.page}>
        <Words kind="title" level={1}>
          {name}
        </Words>
        {!page && !error && <Words kind="muted">Looking at its traces …</Words>}
        {page && (
          <>
            <Words kind="muted">{headWords(page)}</Words>
            <NotNarrowed what="it works for everybody" />
            <View style={width >= TWO_COLUMNS_FROM ? styles.columns : styles.stack}>
              <View style={column}>
                <Incidents page={page} />
                <Part name="Callers">
                  {page.callers.length === 0 ? (
                    <Words kind="muted">Nobody called it in these minutes.</Words>
                  ) : (
                    <HopList
                      hops={page.callers.filter(({ from }) => from !== '')}
                      nameOf={({ from }) => from}
                      label="Callers"
                      traces={page.traces}
                    />
                  )}
                  {page.callers.some(({ from }) => from === '') && <Words kind="muted">Attempts begin here.</Words>}
                </Part>
                <Part name="Dependencies">
                  {page.callees.length === 0 ? (
                    <Words kind="muted">It called nobody in these minutes.</Words>
                  ) : (
                    <HopList hops={page.callees} nameOf={({ to }) => to} label="Dependencies" traces={page.traces} />
                  )}
                </Part>
                <Flows page={page} />
                <Neighbours page={page} />
                <Changes page={page} />
                <Door path={watchPath(name)} style={styles.door} testID="watch-its-code">
                  <Words style={{ color: palette.action }}>Watch a line of its code</Words>
                </Door>
              </View>
              <View style={column}>
                <SharedMoment marks={page.changes}>
                  <Hosts page={page} />
                </SharedMoment>
              </View>
            </View>
          </>
        )}
      </View>
    </InnerPage>
  );
}

/** "belongs to Data Stores · 12,340 attempts went through it since 11:02, 200 were looked at · on north-3, mid-3" */
export const headWords = ({ team, attempts, traces, window, hosts }: Component): string =>
  [
    team && `belongs to ${team}`,
    `${count(attempts)} ${attempts === 1 ? 'attempt' : 'attempts'} went through it since ${clock(window.fromMs, window.toMs)}${traces < attempts ? `, ${count(traces)} were looked at` : ''}`,
    hosts.length > 0 && `on ${hosts.join(', ')}`,
  ]
    .filter(Boolean)
    .join(' · ');

function Part({ name, children }: { name: string; children: ReactNode }) {
  return (
    <View style={styles.part}>
      <Words kind="section" level={2}>
        {name}
      </Words>
      {children}
    </View>
  );
}

function Incidents({ page }: { page: Component }) {
  const palette = usePalette();
  if (page.incidents.length === 0) return null;
  return (
    <Part name="Likely origin of">
      {page.incidents.map((incident) => (
        <Door key={incident.id} path={`/incident/${incident.id}`} style={styles.door}>
          <Words style={{ color: palette.action }}>{incident.title}</Words>
          <Words kind="small">{`since ${clock(incident.onsetMs, page.window.toMs)}${incident.inTroubleNow ? ', still going on' : ''}`}</Words>
        </Door>
      ))}
    </Part>
  );
}

function Flows({ page }: { page: Component }) {
  const palette = usePalette();
  if (page.flows.length === 0) return null;
  const inTrouble = page.flows.filter(({ level }) => !isQuiet(level));
  return (
    <Part name="Flows that need it">
      {[...inTrouble, ...page.flows.filter(({ level }) => isQuiet(level))].map(({ id, name, application, level }) => (
        <Door key={id} path={`/flow/${id}`} style={styles.door}>
          <Words style={{ color: palette.action }}>{name}</Words>
          <Words kind="small">{`${application} · ${level === 'noData' ? 'no data' : level}`}</Words>
        </Door>
      ))}
    </Part>
  );
}

/** Whoever shares a machine shares its trouble. */
function Neighbours({ page }: { page: Component }) {
  const palette = usePalette();
  if (page.neighbours.length === 0) return null;
  return (
    <Part name="On the same hosts">
      {page.neighbours.map(({ component, application, hosts }) => (
        <Door key={component} path={`/component/${encodeURIComponent(component)}`} style={styles.door}>
          <Words style={{ color: palette.action }}>{component}</Words>
          <Words kind="small">{[application, hosts.join(', ')].filter(Boolean).join(' · ')}</Words>
        </Door>
      ))}
    </Part>
  );
}

function Changes({ page }: { page: Component }) {
  return (
    <Part name="Changed in the last day">
      {page.changes.length === 0 && <Words kind="muted">No change was reported, and no new version was seen.</Words>}
      {page.changes.map(({ atMs, words }) => (
        <Words key={`${atMs}${words}`}>{`${clock(atMs, page.window.toMs)}  ${words}`}</Words>
      ))}
    </Part>
  );
}

/** All hosts in one chart a figure: whoever is not as usual stands out. */
function Hosts({ page }: { page: Component }) {
  return (
    <Part name="Its hosts">
      {page.figures.length === 0 && <Words kind="muted">No host, process or runtime figures came from it.</Words>}
      {page.figures.map(({ figure, hosts }) => (
        <View key={figure} style={styles.part} testID={`figure-${figure}`}>
          <Words kind="strong">{figureTitle(figure, hosts)}</Words>
          <HostCurves
            name={figureTitle(figure, hosts)}
            figures={hosts}
            window={{ fromMs: page.before.fromMs, toMs: page.window.toMs }}
            onsetMs={page.before.toMs < page.window.fromMs ? page.before.toMs : undefined}
          />
        </View>
      ))}
    </Part>
  );
}

const FIGURE_WORDS: Record<Schemas['HostFigure']['figure'], string> = {
  cpu: 'CPU',
  memory: 'Memory',
  heap: 'Heap',
  gc: 'Garbage collection',
  eventLoop: 'Event loop delay',
  disk: 'Disk busy',
  fileSystem: 'Disk space',
  network: 'Network',
  networkErrors: 'Network errors',
  pool: 'Connection pool',
  poolWaits: 'Waiting for a connection',
};

function figureTitle(figure: Schemas['HostFigure']['figure'], hosts: Component['figures'][number]['hosts']): string {
  const odd = hosts
    .filter(({ verdict }) => verdict === 'raised' || verdict === 'full' || verdict === 'lowered')
    .map(({ host }) => host);
  const all = `${hosts.length} ${hosts.length === 1 ? 'host' : 'hosts'}`;
  return odd.length === 0
    ? `${FIGURE_WORDS[figure]}: ${all}, as usual`
    : `${FIGURE_WORDS[figure]}: ${odd.join(', ')} not as usual, of ${all}`;
}

const styles = StyleSheet.create({
  page: { padding: SPACE.l, gap: SPACE.m },
  columns: { flexDirection: 'row', gap: SPACE.xl },
  stack: { gap: SPACE.l },
  column: { flex: 1, minWidth: 0, gap: SPACE.l },
  part: { gap: SPACE.xs },
  door: { minHeight: 44, justifyContent: 'center' },
});
