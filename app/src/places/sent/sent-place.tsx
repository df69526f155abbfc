import { useEffect, useState } from 'react';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import type { HandoffSummary } from '@/data/client';
import { useHandoff, useHandoffs, useSendAgain } from '@/data/handoffs';
import { TimeBar } from '@/frame/time-bar';
import { Trouble } from '@/frame/trouble';
import { figureColumn, textColumn, timeColumn, type Column } from '@/frame/table/columns';
import { TableTools } from '@/frame/table/table-tools';
import { useTable } from '@/frame/table/use-table';
import { useView } from '@/frame/view';
import { clock, count, counted } from '@/look/format';
import { usePalette } from '@/look/look';
import { Markdown } from '@/look/markdown';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { Button } from 'react-native-paper';
import { STATE_ORDER, stateWords } from './state-words';
import { Trail } from './trail';
import { capital } from '@toplens/core/words';

/** Every handoff by state; what came back stands first. */
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
        {STATE_ORDER.map((state) => {
          const some = table.rows.filter((handoff) => handoff.state === state);
          return some.length === 0 ? null : (
            <View key={state} style={styles.group}>
              <Words kind="section" level={2}>{`${capital(stateWords(state))} · ${some.length}`}</Words>
              {some.map((handoff) => (
                <SentRow key={handoff.id} handoff={handoff} />
              ))}
            </View>
          );
        })}
      </View>
    </ScrollView>
  );
}

export function sentSentence(all: readonly Pick<HandoffSummary, 'state'>[]): string {
  if (all.length === 0) return 'Nothing was sent yet.';
  const n = (...states: HandoffSummary['state'][]) => all.filter(({ state }) => states.includes(state)).length;
  const [returned, undelivered, waiting] = [n('returned'), n('notDelivered', 'kept'), n('sent', 'draft')];
  const parts = [returned > 0 && `${returned} came back`, waiting > 0 && `${waiting} not accepted yet`].filter(Boolean);
  const handed = all.length - undelivered;
  const ofHanded = parts.length > 0 ? `: ${parts.join(', ')}` : ', all accepted';
  const kept = undelivered > 0 ? `${undelivered} not delivered` : '';
  if (handed === 0) return `${capital(kept)}.`;
  return `${handed} handed over${ofHanded}${kept && `; ${kept}`}.`;
}

function SentRow({ handoff }: { handoff: HandoffSummary }) {
  const palette = usePalette();
  const { go } = useView();
  const [isOpen, setOpen] = useState(false);
  const { data } = useHandoff(isOpen ? handoff.id : undefined);
  return (
    <View style={[styles.row, { borderBottomColor: palette.hairline }]}>
      <Pressable role="button" aria-expanded={isOpen} onPress={() => setOpen(!isOpen)} style={styles.head}>
        <Words kind="strong">{handoff.title}</Words>
        <Words kind="small">{`${handoff.team} · ${clock(Date.parse(handoff.createdAt))} · ${counted(handoff.people, 'person', 'people')}, ${count(handoff.harmPoints)} harm points when sent`}</Words>
      </Pressable>
      {isOpen && data && (
        <View style={styles.open}>
          {data.note !== '' && <Words>{`“${data.note}”`}</Words>}
          <Trail handoff={data} />
          <Told markdown={data.markdown} />
          {(data.state === 'notDelivered' || data.state === 'kept') && <SendAgain id={data.id} />}
          <Button mode="outlined" style={styles.button} onPress={() => go(`/incident/${handoff.incident}`)}>
            Open the incident
          </Button>
        </View>
      )}
    </View>
  );
}

/** What the team was told, exactly as it was told. */
function Told({ markdown }: { markdown: string }) {
  const [isShown, setShown] = useState(false);
  return (
    <View>
      <Button style={styles.button} aria-expanded={isShown} onPress={() => setShown(!isShown)}>
        {isShown ? 'Hide the brief' : 'The brief as it was sent'}
      </Button>
      {isShown && <Markdown text={markdown} testID="told" />}
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

/** What was kept or not delivered is tried again; why that cannot be is said. */
function SendAgain({ id }: { id: string }) {
  const { mutate, isPending, error } = useSendAgain();
  return (
    <View>
      {error && <Words role="alert">{error.message}</Words>}
      <Button mode="outlined" style={styles.button} disabled={isPending} onPress={() => mutate(id)} testID="send-again">
        Send again
      </Button>
    </View>
  );
}

const styles = StyleSheet.create({
  fill: { flex: 1 },
  content: { paddingBottom: SPACE.xl },
  page: { padding: SPACE.l, gap: SPACE.l, maxWidth: 860 },
  group: { gap: SPACE.xs },
  row: { borderBottomWidth: 1 },
  head: { minHeight: TOUCH, justifyContent: 'center', paddingVertical: SPACE.s },
  open: { gap: SPACE.s, paddingBottom: SPACE.m },
  button: { alignSelf: 'flex-start' },
});
