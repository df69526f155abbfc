import { useEffect, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import type { WorstFirst } from '@/data/client';
import { useWorstFirst } from '@/data/incidents';
import { useEarlyWarnings } from '@/data/infrastructure';
import { useClock } from '@/frame/clock';
import { Door } from '@/frame/door';
import { staleWords } from '@/frame/freshness';
import { TimeBar } from '@/frame/time-bar';
import { useReorderMotion } from '@/frame/reorder-motion';
import { SwipeRow } from '@/frame/swipe-row';
import { UndoBar } from '@/frame/undoable';
import { useShortcuts } from '@/frame/shortcuts';
import { Trouble } from '@/frame/trouble';
import { useView } from '@/frame/view';
import { clock } from '@/look/format';
import { useIsWide, usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { SendSheet } from '../incident/send-sheet';
import { comparedWords, nothingToCompare } from './compared-words';
import { Changes, EarlyWarnings, SetAside } from './folds';
import { IncidentRow } from './incident-row';
import { RankingTabs } from './ranking-tabs';
import { useRowActions } from './row-actions';
import { SinceLooked } from './since-looked';

export type Props = {
  /** the incident that is open beside the list */
  chosenId?: number;
};

/** The sentence, and incidents worst first. */
export function WorstFirstList({ chosenId }: Props) {
  const palette = usePalette();
  const { view, setView, go } = useView();
  const { data, error, refetch, isPlaceholderData } = useWorstFirst(view);
  const { data: warnings } = useEarlyWarnings(view);
  const [sending, setSending] = useState<number | undefined>();
  const [at, setAt] = useState<number>(-1);
  const rows = data?.rows ?? [];
  const isWide = useIsWide();
  const isLive = view.from === undefined;
  const itemRef = useReorderMotion(rows.map((row) => row.id));
  const nowMs = useClock();
  // Silence is never shown as calm: what is said holds up to the last data.
  const isStale = data !== undefined && view.from === undefined && staleWords(data.freshness, nowMs).length > 0;
  const chosenAt = chosenId === undefined ? at : rows.findIndex((row) => row.id === chosenId);

  const step = (by: number) => {
    const next = Math.min(rows.length - 1, Math.max(0, chosenAt + by));
    const row = rows[next];
    if (!row) return;
    setAt(next);
    if (chosenId !== undefined) go(`/incident/${row.id}`);
    else document.querySelector<HTMLElement>(`[data-testid="row-${row.rank}"]`)?.focus();
  };
  const chosen = rows[Math.max(0, chosenAt)];
  // The past is not acted on from a list of then.
  const actions = useRowActions({
    window: view.from === undefined ? data?.window : undefined,
    onChooseTeam: setSending,
  });
  useShortcuts({
    j: () => step(1),
    k: () => step(-1),
    Enter: () => chosen && go(`/incident/${chosen.id}`),
    ...(chosenId === undefined && {
      s: () => chosen && setSending(chosen.id),
      a: () => chosen?.handoff?.state === 'sent' && actions.forward(chosen)?.act(),
      x: () => chosen && actions.aside(chosen)?.act(),
    }),
  });
  useEffect(() => {
    document.title = data ? `${data.headline} · Top Lens` : 'Top Lens';
  }, [data]);

  // By money, promises and key customers only what weighs something is listed.
  const isAll = view.rankBy === 'harm' || view.rankBy === 'people';
  return (
    <ScrollView style={styles.fill} contentContainerStyle={styles.content}>
      <TimeBar />
      {error && (
        <Trouble
          error={error}
          still={data ? `What you see is as of ${clock(data.window.toMs)}.` : ''}
          onRetry={() => void refetch()}
        />
      )}
      {!data && !error && <Waiting />}
      {data && (
        <>
          <View style={styles.sentence}>
            <Words kind="title" level={1} testID="headline" style={isWide && styles.denseTitle}>
              {headlineOf(data, isStale)}
            </Words>
            {data.detail !== '' && (
              <Words kind="muted">{[data.detail, usualFromWords(data)].filter(Boolean).join(' ')}</Words>
            )}
            {rows.length === 0 && data.remaining?.sessions !== 0 && (!isAll || calmWords(data) !== '') && (
              <Words kind="muted">
                {isAll ? calmWords(data) : 'No incident weighs anything in this ranking. Harm lists them all.'}
              </Words>
            )}
            {view.against !== undefined && data.compared === null && !isPlaceholderData && (
              <Words kind="muted" testID="compared">
                {nothingToCompare(view.against)}
              </Words>
            )}
            {data.compared && (
              <Words kind="muted" testID="compared">
                {comparedWords(data.compared, data.rows)}
              </Words>
            )}
          </View>
          {view.from === undefined && <SinceLooked />}
          {(rows.length > 0 || !isAll) && (
            <RankingTabs
              chosen={view.rankBy}
              hasPromises={data.hasPromises}
              onChoose={(rankBy) => setView({ ...view, rankBy })}
            />
          )}
          <View
            role="list"
            aria-label="Incidents, worst first"
            style={{ borderTopWidth: 1, borderTopColor: palette.hairline }}
          >
            {rows.map((row) => (
              <View key={row.id} ref={itemRef(row.id)}>
                <SwipeRow
                  right={isLive && !isWide ? actions.forward(row) : undefined}
                  left={isLive && !isWide ? actions.aside(row) : undefined}
                >
                  <IncidentRow
                    row={row}
                    ranking={view.rankBy}
                    currency={data.currency}
                    nowMs={data.window.toMs}
                    isChosen={row.id === chosenId}
                    onSend={() =>
                      row.handoff && row.handoff.state !== 'returned'
                        ? go(`/handoff/${row.handoff.id}`)
                        : setSending(row.id)
                    }
                  />
                </SwipeRow>
              </View>
            ))}
          </View>
          {isLive && !isWide && rows.length > 0 && (
            <Words kind="small" style={styles.hint}>
              Swipe a row to the right to send or accept it, to the left to set it aside.
            </Words>
          )}
          <SetAside setAside={data.setAside} nowMs={data.window.toMs} />
          <EarlyWarnings warnings={data.earlyWarnings} others={warnings?.warnings ?? []} nowMs={data.window.toMs} />
          <Changes view={view} />
          <Door path="/happened" style={styles.happened} testID="happened-door">
            <Words style={{ color: palette.action }}>What happened: incidents, handoffs, releases, changes</Words>
          </Door>
          <Door path="/boards" style={styles.happened} testID="boards-door">
            <Words style={{ color: palette.action }}>Boards: for the duty desk, owners, executives, your own</Words>
          </Door>
        </>
      )}
      {actions.error && <Trouble error={actions.error} still="Nothing was changed by it." onRetry={actions.reset} />}
      {actions.nameSheet}
      <UndoBar waiting={actions.waiting} undo={actions.undo} />
      {sending !== undefined && <SendSheet incidentId={sending} view={view} onClose={() => setSending(undefined)} />}
    </ScrollView>
  );
}

/** The sentence; without fresh data it says up to when it holds. */
export function headlineOf(
  data: Pick<WorstFirst, 'headline' | 'rows' | 'freshness' | 'remaining' | 'learning'>,
  isStale: boolean,
): string {
  const { judgedMs } = data.freshness;
  if (judgedMs === null) return data.headline;
  // Who is not there is not unhurt.
  if (data.remaining?.sessions === 0 && data.rows.length === 0) return 'No data for this filter.';
  if (isStale && data.rows.length === 0) {
    const { learning } = data;
    const nobody = learning ? 'nobody was being hurt, as far as is known' : 'nobody was being hurt';
    return `Up to ${clock(judgedMs)} ${learning && learning.flows >= learning.of ? 'nothing stood out' : nobody}.`;
  }
  return data.headline;
}

/** "What is usual for the first of them is known from about 15:30." */
export function usualFromWords({ learning, window }: Pick<WorstFirst, 'learning' | 'window'>): string {
  if (!learning || learning.usualFromMs === null || learning.usualFromMs <= window.toMs) return '';
  const whom = learning.flows === 1 ? 'it' : 'the first of them';
  return `What is usual for ${whom} is known from about ${clock(learning.usualFromMs, window.toMs)}.`;
}

function calmWords(data: {
  learning: WorstFirst['learning'];
  lastEndedMs: number | null;
  window: { toMs: number };
  freshness: { watermarkMs: number | null };
}): string {
  if (data.freshness.watermarkMs === null)
    return 'Settings › Data in says where telemetry is taken, and what was turned away.';
  if (data.lastEndedMs === null) return data.learning ? '' : 'No incident on record.';
  return `Last incident ended ${clock(data.lastEndedMs, data.window.toMs)}.`;
}

/** The shape of what comes. */
function Waiting() {
  const palette = usePalette();
  return (
    <View role="status" aria-label="Loading" style={styles.waiting}>
      {[300, 340, 220].map((width, i) => (
        <View
          key={i}
          style={{
            width,
            maxWidth: '100%',
            height: i === 0 ? 28 : 84,
            backgroundColor: palette.hairline,
            borderRadius: 4,
            opacity: 0.6,
          }}
        />
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  fill: { flex: 1 },
  content: { paddingBottom: SPACE.xl },
  sentence: { paddingHorizontal: SPACE.l, paddingTop: SPACE.s, paddingBottom: SPACE.xs, gap: SPACE.xs },
  denseTitle: { fontSize: 22, lineHeight: 27 },
  hint: { paddingHorizontal: SPACE.l, paddingTop: SPACE.s },
  happened: { minHeight: TOUCH, justifyContent: 'center', paddingHorizontal: SPACE.l },
  waiting: { padding: SPACE.l, gap: SPACE.l },
});
