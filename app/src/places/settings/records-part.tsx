import { Link } from 'expo-router';
import { useDeferredValue, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Schemas } from '@/data/client';
import { recordsFile, useRecordChain, useRecords } from '@/data/records';
import { BusyButton } from '@/frame/busy-button';
import { Field } from '@/frame/field';
import { Fold } from '@/frame/fold';
import { Needs } from '@/frame/session';
import { Trouble } from '@/frame/trouble';
import { clock, counted } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { detailLines } from './record-detail';

type AuditRecord = Schemas['Records']['records'][number];
type Chain = Schemas['RecordChain'];

/** Who did what, when and from where; and whether nobody changed that afterwards. */
export function RecordsPart() {
  return (
    <View style={styles.part} testID="records">
      <Words kind="section" level={2}>
        Records
      </Words>
      <Words kind="muted">
        Who did what, when and from where; what was denied as well. Each is chained to the one before it, so that a
        later change shows. The name is of who was signed in; a visitor of a demo says it.
      </Words>
      <Needs right="records">
        <Fold words="What was done">
          <List />
        </Fold>
      </Needs>
    </View>
  );
}

function List() {
  const palette = usePalette();
  const [find, setFind] = useState('');
  const { data, error, refetch, hasNextPage, fetchNextPage, isFetchingNextPage } = useRecords(
    useDeferredValue(find.trim()),
  );
  const chain = useRecordChain();
  const records = data?.pages.flatMap((page) => page.records) ?? [];
  return (
    <View style={styles.part}>
      <Field label="Holds this text" value={find} onChange={setFind} testID="records-find" />
      {error && <Trouble error={error} onRetry={() => void refetch()} />}
      {data && records.length === 0 && <Words kind="muted">None.</Words>}
      <View role="list" aria-label="Records, newest first">
        {records.map((one) => (
          <View role="listitem" key={one.id} style={[styles.row, { borderTopColor: palette.hairline }]}>
            <Words>{one.what}</Words>
            <Words kind="small">{recordWords(one)}</Words>
            {detailLines(one.detail).map((line) => (
              <Words key={line} kind="small" numberOfLines={3} selectable>
                {line}
              </Words>
            ))}
          </View>
        ))}
      </View>
      <View style={styles.buttons}>
        {hasNextPage && (
          <BusyButton
            mode="outlined"
            busy={isFetchingNextPage}
            onPress={() => void fetchNextPage()}
            testID="records-more"
          >
            Older ones
          </BusyButton>
        )}
        <BusyButton mode="outlined" busy={chain.isPending} onPress={() => chain.mutate()} testID="records-chain">
          Are they whole?
        </BusyButton>
        <Link href={recordsFile(find.trim())} target="_blank" style={styles.file}>
          <Words style={{ color: palette.action }}>As CSV</Words>
        </Link>
      </View>
      <View role="status">
        {chain.data && <Words testID="records-whole">{chainWords(chain.data)}</Words>}
        {chain.error && <Words>{chain.error.message}</Words>}
      </View>
    </View>
  );
}

/** "412 · 2 Mar 09:14 · Dana · 10.0.0.7 · /api/settings" */
export const recordWords = ({ id, atMs, who, address, about }: AuditRecord): string =>
  [String(id), clock(atMs), who || 'nobody was asked', address, about].filter(Boolean).join(' · ');

export function chainWords({ records, brokenAt, newest }: Chain): string {
  if (records === 0) return 'There is none yet.';
  if (brokenAt !== null)
    return `Record ${brokenAt} does not follow from the one before it: it was changed, or one is missing.`;
  return `${counted(records, 'record')}, each following from the one before it. The newest is ${newest.slice(0, 16)}…: written down elsewhere, it shows later that none is missing.`;
}

const styles = StyleSheet.create({
  part: { gap: SPACE.s },
  row: { borderTopWidth: 1, paddingVertical: SPACE.xs, gap: 2 },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.m },
  file: { minHeight: TOUCH, paddingVertical: SPACE.m },
});
