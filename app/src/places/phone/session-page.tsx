import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { SharedMoment, useMomentWithin } from '@/charts/moment';
import { SessionLanes, type Lane } from '@/charts/session-lanes';
import { UsageCurve } from '@/charts/usage-curve';
import { usePhoneSession } from '@/data/phones';
import { Door } from '@/frame/door';
import { InnerPage } from '@/frame/inner-page';
import { Stepper } from '@/frame/stepper';
import { clock, clockSeconds, percent, sizeWords } from '@/look/format';
import { useIsWide, usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { versionName } from './phone-words';
import { ScreenSteps } from './screen-steps';
import {
  entryFacts,
  entryName,
  visitsOf,
  visitToShow,
  visitWords,
  type Entry,
  type SessionPageData,
  type Visit,
} from './session-words';

/** One session on one clock: what was shown, asked, touched and caught, with what it took of the phone. */
export function SessionPage({ id }: { id: string }) {
  const { data: session, error, refetch } = usePhoneSession(id);
  return (
    <InnerPage
      title={session ? `Session of ${session.application}` : undefined}
      error={error}
      hasData={session !== undefined}
      onRetry={() => void refetch()}
    >
      {session && <Session session={session} />}
    </InnerPage>
  );
}

function Session({ session }: { session: SessionPageData }) {
  const { application, version, device, carrier, country, window } = session;
  const visits = visitsOf(session.entries);
  const [chosen, choose] = useState<number>();
  const at = Math.min(chosen ?? visitToShow(visits), visits.length - 1);
  const visit = visits[at];
  const isWide = useIsWide();
  return (
    <View style={styles.page}>
      <Words kind="title" level={1}>
        {`Session of ${application || 'a phone'}`}
      </Words>
      <Words kind="muted" testID="session-facts">
        {[
          versionName(version),
          device,
          carrier,
          country,
          `${clock(window.fromMs)} to ${clock(window.toMs, window.fromMs)}`,
        ]
          .filter(Boolean)
          .join(' · ')}
      </Words>
      {session.isCut && <Words kind="muted">There is more: the last of it is listed.</Words>}
      {visits.length > 1 && (
        <Stepper
          at={at}
          of={visits.length}
          onGo={choose}
          before="Earlier"
          next="Later"
          words={`Visit ${at + 1} of ${visits.length}`}
          name="visit"
        />
      )}
      {visit && (
        <SharedMoment key={at} axis={axisOf(visit)}>
          <Words testID="session-sentence">{`${visitWords(visit)}.`}</Words>
          <View style={isWide ? styles.columns : styles.gap}>
            <View style={isWide ? styles.column : styles.gap}>
              <Clock session={session} visit={visit} />
              <ScreenSteps shapes={within(session.shapes, axisOf(visit))} toMs={window.toMs} />
            </View>
            <View style={isWide ? styles.column : styles.gap}>
              <Entries visit={visit} />
            </View>
          </View>
        </SharedMoment>
      )}
    </View>
  );
}

/** So much before the first and after the last: what happens at the edge is seen. */
const axisOf = ({ fromMs, toMs }: Visit) => {
  const edgeMs = Math.max(1_000, (toMs - fromMs) * 0.02);
  return { fromMs: fromMs - edgeMs, toMs: toMs + edgeMs };
};

const within = <One extends { atMs: number }>(
  ones: readonly One[],
  { fromMs, toMs }: { fromMs: number; toMs: number },
) => ones.filter(({ atMs }) => atMs >= fromMs && atMs <= toMs);

const LANES: readonly { name: string; kinds: readonly Entry['kind'][] }[] = [
  { name: 'Shown', kinds: ['launch', 'screen', 'work'] },
  { name: 'Asked', kinds: ['request'] },
  { name: 'Touched', kinds: ['tap'] },
  { name: 'Errors', kinds: ['error', 'crash'] },
];

function Clock({ session, visit }: { session: SessionPageData; visit: Visit }) {
  const axis = axisOf(visit);
  const lanes: Lane[] = LANES.map(({ name, kinds }) => ({
    name,
    bars: visit.entries
      .filter(({ kind }) => kinds.includes(kind))
      .map(({ atMs, durationMs, failed }) => ({ atMs, durationMs, isBad: failed })),
  }));
  const usage = within(session.usage, axis);
  const cpu = usage.flatMap(({ atMs, cpu: value }) => (value === null ? [] : [{ atMs, value }]));
  const memory = usage.flatMap(({ atMs, memory: value }) => (value === null ? [] : [{ atMs, value }]));
  return (
    <View style={styles.gap} testID="session-clock">
      <Words kind="section" level={2}>
        On one clock
      </Words>
      <SessionLanes
        name="What happened"
        lanes={lanes}
        window={axis}
        label={`${visitWords(visit)}; dark is what failed`}
        figures={() => ({
          heads: ['At', 'What', 'Facts'],
          rows: visit.entries.map((entry) => [
            clockSeconds(entry.atMs, axis.toMs),
            entryName(entry),
            entryFacts(entry),
          ]),
        })}
      />
      <Pointed visit={visit} />
      {cpu.length + memory.length === 0 && (
        <Words kind="small">What it took of processor and memory is not told.</Words>
      )}
      {cpu.length > 0 && <UsageCurve name="Processor" points={cpu} least={0.5} format={percent} window={axis} />}
      {memory.length > 0 && <UsageCurve name="Memory" points={memory} least={1e8} format={sizeWords} window={axis} />}
    </View>
  );
}

/** What was going on at the moment that is pointed at. */
function Pointed({ visit }: { visit: Visit }) {
  const { fromMs, toMs } = axisOf(visit);
  const atMs = useMomentWithin(fromMs, toMs);
  const reachMs = (toMs - fromMs) / 100;
  const going =
    atMs === undefined
      ? []
      : visit.entries.filter((one) => one.atMs - reachMs <= atMs && one.atMs + one.durationMs + reachMs >= atMs);
  return (
    <Words kind="small" numberOfLines={2} style={styles.pointed} testID="session-pointed">
      {atMs === undefined ? ' ' : `${clockSeconds(atMs, toMs)}: ${going.map(entryName).join(', ') || 'nothing'}`}
    </Words>
  );
}

/** Everything in the order of time, with a door where there is more to see. */
function Entries({ visit }: { visit: Visit }) {
  return (
    <View testID="session-entries">
      <Words kind="section" level={2}>
        In order
      </Words>
      <View role="list" aria-label="What happened, in order">
        {visit.entries.map((entry, i) => (
          <EntryRow key={i} entry={entry} toMs={visit.toMs} />
        ))}
      </View>
    </View>
  );
}

function EntryRow({ entry, toMs }: { entry: Entry; toMs: number }) {
  const palette = usePalette();
  const { attempt, crash, failed, atMs } = entry;
  const path =
    crash !== null ? `/crash/${crash}` : attempt ? `/attempt/${attempt.traceId}/${attempt.spanId}` : undefined;
  const words = (
    <View style={styles.entry}>
      <Words kind="small" style={styles.time}>
        {clockSeconds(atMs, toMs)}
      </Words>
      <View style={styles.fill}>
        <Words kind={failed ? 'strong' : 'body'} style={path === undefined ? undefined : { color: palette.action }}>
          {entryName(entry)}
        </Words>
        {entryFacts(entry) !== '' && <Words kind="small">{entryFacts(entry)}</Words>}
      </View>
    </View>
  );
  return (
    <View role="listitem" style={[styles.row, { borderBottomColor: palette.hairline }]}>
      {path === undefined ? words : <Door path={path}>{words}</Door>}
    </View>
  );
}

const styles = StyleSheet.create({
  page: { paddingHorizontal: SPACE.l, gap: SPACE.s },
  columns: { flexDirection: 'row', gap: SPACE.xl },
  column: { flex: 1, minWidth: 0, gap: SPACE.s },
  gap: { gap: SPACE.s },
  pointed: { minHeight: 36 },
  row: { borderBottomWidth: 1, minHeight: TOUCH, justifyContent: 'center' },
  entry: { flexDirection: 'row', gap: SPACE.s, paddingVertical: SPACE.xs },
  time: { width: 92 },
  fill: { flex: 1, minWidth: 0 },
});
