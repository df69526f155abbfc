import { Pressable, StyleSheet, View } from 'react-native';
import { HarmStrip } from '@/charts/harm-strip';
import { Sparkline } from '@/charts/sparkline';
import type { Row } from '@/data/client';
import { Door } from '@/frame/door';
import { count, formatMoney } from '@/look/format';
import { useIsWide, usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { handoffWords, movedWords, sinceWords, weightWords } from './row-words';

export type Props = {
  row: Row;
  ranking: string;
  currency: string;
  nowMs: number;
  isChosen: boolean;
  onSend: () => void;
};

/** One incident of the league table: rank, what happens, what became of the attempts, harm, and who has it. */
export function IncidentRow({ row, ranking, currency, nowMs, isChosen, onSend }: Props) {
  const palette = usePalette();
  const moved = movedWords(row.moved);
  const handoff = handoffWords(row);
  const weight = weightWords(row, ranking, currency);
  const isWide = useIsWide();
  const level = `${row.level} · ${row.priority}${row.nearTie ? ' · near tie' : ''}`;
  const figures = (
    <View style={[styles.numbers, isWide && styles.denseNumbers]}>
      <Figure value={count(row.harmPerHour)} unit="points/h" />
      <Figure value={`${row.isAbout ? 'about ' : ''}${count(row.people.estimate)}`} unit="people" />
      {row.money >= 0.5 && <Figure value={formatMoney(row.money, currency)} unit="" />}
      {isWide ? (
        // The curve stands beside it, in the incident: here is room for the words.
        <Words kind="small">{sinceWords(row, nowMs, true)}</Words>
      ) : (
        <Words kind="small">{level}</Words>
      )}
      {weight !== undefined && <Words kind="small">{weight}</Words>}
    </View>
  );
  const sendButton = (
    <Pressable
      role="button"
      aria-label={handoff.isOpen ? `${handoff.words}: ${row.title}` : `Handoff: ${handoff.words}`}
      onPress={onSend}
      style={[
        styles.send,
        isWide && styles.denseSend,
        {
          borderColor: handoff.isOpen ? palette.action : palette.hairline,
          borderStyle: handoff.isOpen ? 'dashed' : 'solid',
        },
      ]}
    >
      <Words
        kind="small"
        numberOfLines={1}
        style={{ color: handoff.isOpen ? palette.action : palette.ink, fontWeight: handoff.isOpen ? '600' : '400' }}
      >
        {handoff.words}
      </Words>
    </Pressable>
  );
  return (
    <View
      role="listitem"
      style={[
        styles.row,
        isWide && styles.dense,
        { borderBottomColor: palette.hairline, borderLeftColor: isChosen ? palette.action : 'transparent' },
        isChosen && { backgroundColor: palette.surface },
      ]}
    >
      <View style={styles.rank}>
        <Words kind="rank" accessibilityLabel={`Rank ${row.rank}`} style={isWide && styles.denseRank}>
          {row.rank}
        </Words>
        <Words kind="small" accessibilityLabel={moved.words}>
          {moved.sign}
        </Words>
        {isWide && (
          <Words kind="small" accessibilityLabel={`${row.level}, ${row.priority}`}>
            {row.priority}
          </Words>
        )}
      </View>
      <View style={[styles.body, isWide && styles.denseBody]}>
        <View style={isWide && styles.line}>
          <Door
            path={`/incident/${row.id}`}
            style={[styles.head, isWide && styles.denseHead]}
            testID={`row-${row.rank}`}
          >
            <View style={styles.titles}>
              <Words kind="strong" numberOfLines={isWide ? 2 : 3}>
                {row.title}
              </Words>
              {!isWide && (
                <Words kind="small" numberOfLines={2}>
                  {sinceWords(row, nowMs)}
                </Words>
              )}
            </View>
            {!isWide && <Sparkline series={row.spark} marks={row.marks} />}
          </Door>
          {isWide && sendButton}
        </View>
        <HarmStrip counts={{ ...row.outcomes, missing: row.signal === 'missing' ? row.missingAttempts : 0 }} />
        {isWide ? (
          figures
        ) : (
          <View style={styles.figures}>
            {figures}
            {sendButton}
          </View>
        )}
      </View>
    </View>
  );
}

function Figure({ value, unit }: { value: string; unit: string }) {
  return (
    <Words kind="strong">
      {value}
      {unit !== '' && <Words kind="small">{` ${unit}`}</Words>}
    </Words>
  );
}

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    borderBottomWidth: 1,
    borderLeftWidth: 3,
    paddingVertical: 9,
    paddingRight: SPACE.l,
    paddingLeft: SPACE.m,
  },
  rank: { width: 38, alignItems: 'flex-start' },
  body: { flex: 1, gap: 6 },
  head: { flexDirection: 'row', gap: SPACE.s, minHeight: TOUCH, alignItems: 'flex-start' },
  titles: { flex: 1, gap: 2 },
  figures: { flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', gap: SPACE.s },
  numbers: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'baseline', columnGap: SPACE.m, flex: 1 },
  dense: { paddingVertical: 3, paddingRight: SPACE.m },
  denseRank: { fontSize: 20, lineHeight: 24 },
  denseBody: { gap: 2 },
  denseHead: { flex: 1, minHeight: 24, minWidth: 0, alignItems: 'center' },
  denseNumbers: { flex: 0 },
  line: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s },
  send: {
    borderWidth: 1,
    borderRadius: 7,
    paddingHorizontal: 10,
    minHeight: 32,
    justifyContent: 'center',
    maxWidth: 190,
  },
  denseSend: { minHeight: 26 },
});
