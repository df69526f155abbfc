import { useEffect } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import type { HandoffSummary } from '@/data/client';
import { useHandoffs } from '@/data/handoffs';
import { useClock } from '@/frame/clock';
import { Door } from '@/frame/door';
import { TimeBar } from '@/frame/time-bar';
import { Trouble } from '@/frame/trouble';
import { figureColumn, textColumn, timeColumn, type Column } from '@/frame/table/columns';
import { TableTools } from '@/frame/table/table-tools';
import { useTable } from '@/frame/table/use-table';
import { useView } from '@/frame/view';
import { count, counted } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { STATE_ORDER, stateWords } from './state-words';
import { TimesPart } from './times-part';
import { aboutWords, outcomeWords, waitsWords } from './handoff-words';
import { capital } from '@toplens/core/words';

/** Every handoff by state; what waits too long stands first, then what came back. */
export function SentPlace() {
  const { view } = useView();
  const { data, error, refetch } = useHandoffs();
  const all = (data?.handoffs ?? []).filter(({ team }) => view.team === undefined || view.team === team);
  const table = useTable(all, { name: 'sent', columns: HANDOFF_COLUMNS, byDefault: '-created' });
  useEffect(() => {
    document.title = 'Sent · Top Lens';
  }, []);
  return (
    <ScrollView style={styles.fill} contentContainerStyle={styles.content}>
      <TimeBar />
      <View style={styles.page}>
        <Words kind="title" level={1}>
          {sentSentence(all)}
        </Words>
        {error && <Trouble error={error} onRetry={() => void refetch()} />}
        {all.length > 1 && <TableTools table={table} />}
        {groupsOf(table.rows).map(([name, some]) => (
          <View key={name} style={styles.group}>
            <Words kind="section" level={2}>{`${name} · ${some.length}`}</Words>
            <View role="list" aria-label={name}>
              {some.map((handoff) => (
                <SentRow key={handoff.id} handoff={handoff} />
              ))}
            </View>
          </View>
        ))}
        {all.length > 0 && <TimesPart />}
      </View>
    </ScrollView>
  );
}

const WAITS = 'Waits too long';

/** By state, in the order in which they need somebody's eye; what waits too long is a group of its own. */
function groupsOf(rows: readonly HandoffSummary[]): [string, HandoffSummary[]][] {
  const isLate = ({ waits }: HandoffSummary) => waits?.isLate === true;
  const groups: [string, HandoffSummary[]][] = [
    [WAITS, rows.filter(isLate)],
    ...STATE_ORDER.map((state): [string, HandoffSummary[]] => [
      capital(stateWords(state)),
      rows.filter((handoff) => handoff.state === state && !isLate(handoff)),
    ]),
  ];
  return groups.filter(([, some]) => some.length > 0);
}

export function sentSentence(all: readonly Pick<HandoffSummary, 'state'>[]): string {
  if (all.length === 0) return 'Nothing was sent yet.';
  const n = (...states: HandoffSummary['state'][]) => all.filter(({ state }) => states.includes(state)).length;
  const [returned, undelivered, waiting] = [n('returned'), n('notDelivered', 'kept'), n('sent', 'draft')];
  const [proven, goesOn, watched] = [n('proven'), n('inPart', 'notProven'), n('fixReported', 'watching')];
  const said = (count: number, words: string) => (count > 0 ? `${count} ${words}` : '');
  const parts = [
    said(returned, 'came back'),
    said(goesOn, 'not fixed'),
    said(waiting, 'not accepted yet'),
    said(watched, 'watched after a fix'),
    said(proven, 'proven'),
  ].filter(Boolean);
  const handed = all.length - undelivered;
  const merged = said(n('merged'), 'merged');
  const ofHanded = parts.length > 0 ? `: ${parts.join(', ')}` : merged ? `: ${merged}` : ', all accepted';
  const kept = undelivered > 0 ? `${undelivered} not delivered` : '';
  if (handed === 0) return `${capital(kept)}.`;
  return `${handed} handed over${ofHanded}${kept && `; ${kept}`}.`;
}

function SentRow({ handoff }: { handoff: HandoffSummary }) {
  const palette = usePalette();
  const nowMs = useClock();
  const waits = waitsWords(handoff, nowMs);
  return (
    <View role="listitem" style={[styles.row, { borderTopColor: palette.hairline }]}>
      <Door path={`/handoff/${handoff.id}`} style={styles.head} testID="handoff">
        <Words kind="strong" style={{ color: palette.action }}>
          {handoff.title}
        </Words>
        <Words kind="small">{`${aboutWords(handoff, nowMs)} · ${counted(handoff.people, 'person', 'people')}, ${count(handoff.harmPoints)} harm points when sent`}</Words>
        {waits !== '' && <Words kind="small">{waits}</Words>}
        {handoff.outcome && <Words kind="small">{outcomeWords(handoff.outcome)}</Words>}
      </Door>
    </View>
  );
}

const HANDOFF_COLUMNS: readonly Column<HandoffSummary>[] = [
  timeColumn('created', 'Written', ({ createdAt }) => Date.parse(createdAt)),
  textColumn('title', 'Incident', ({ title }) => title),
  textColumn('team', 'Team', ({ team }) => team),
  textColumn('state', 'State', ({ state }) => stateWords(state)),
  figureColumn('people', 'People hurt when sent', ({ people }) => people, { show: count }),
  figureColumn('harm', 'Harm points when sent', ({ harmPoints }) => harmPoints, { show: count }),
];

const styles = StyleSheet.create({
  fill: { flex: 1 },
  content: { paddingBottom: SPACE.xl },
  page: { padding: SPACE.l, gap: SPACE.l, maxWidth: 860 },
  group: { gap: SPACE.xs },
  row: { borderTopWidth: 1 },
  head: { minHeight: TOUCH, justifyContent: 'center', paddingVertical: SPACE.s, gap: 2 },
});
