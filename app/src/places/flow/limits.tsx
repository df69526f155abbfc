import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import type { FlowPage } from '@/data/client';
import { useUndoSetting } from '@/data/settings';
import { useMay } from '@/frame/session';
import { useWho } from '@/frame/who';
import { clock, count, counted, durationWords, percent } from '@/look/format';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { basisWords } from '../incident/against-normal';
import { FlowSheet } from './flow-sheet';

/** The owner's limit beside the learned one, which of them judges, and who changed what. */
export function Limits({ page }: { page: FlowPage }) {
  const { normal, changes, row } = page;
  const [isEditing, setEditing] = useState(false);
  const undo = useUndoSetting();
  const [who] = useWho();
  const mayJudge = useMay('judge');
  const newest = changes.at(-1);
  return (
    <View style={styles.box}>
      <Words kind="section" level={2}>
        Limits
      </Words>
      <View role="table" aria-label="Limits">
        <Limit
          name="Owner’s"
          limitMs={normal.ownersLimitMs}
          isJudging={normal.limitBy === 'owner'}
          words={apdexWords(page.apdexAtOwners)}
        />
        <Limit
          name="Learned"
          limitMs={normal.learnedLimitMs}
          isJudging={normal.limitBy === 'learned'}
          words={apdexWords(page.apdexAtLearned)}
        />
        {normal.limitBy === 'published' && (
          <Limit name="What people wait" limitMs={normal.limitMs} isJudging words="until the flow has shown its own" />
        )}
        {normal.sites.map(({ site, limitMs, lateShare }) => (
          <Limit
            key={site}
            name={site}
            limitMs={limitMs}
            words={`judges there; usually ${percent(lateShare)} take longer`}
          />
        ))}
      </View>
      <Words kind="muted">
        {`Normal comes from ${basisWords(normal.basis)}: ${count(normal.samples)} attempts${normal.days > 0 ? ` on ${counted(normal.days, 'day')}` : ''}. ${normal.days > 0 ? 'Usually' : 'Until more is known it is taken that usually'} ${percent(normal.lateShare)} are late and ${percent(normal.failedShare)} fail.`}
      </Words>
      <Words kind="muted">{`Importance ${row.importance}: its harm counts ${row.importance} ${row.importance === 1 ? 'time' : 'times'}.`}</Words>
      <Button
        mode="outlined"
        icon="pencil-outline"
        onPress={() => setEditing(true)}
        style={styles.button}
        testID="edit-flow"
      >
        Name, limit, importance
      </Button>
      {newest && (
        <View style={styles.change}>
          <Words kind="small" style={styles.words}>
            {`${clock(newest.atMs)} ${newest.who}${newest.undoes === null ? '' : ' undid a change'}: ${newest.words}`}
          </Words>
          {mayJudge && (
            <Button
              icon="undo"
              onPress={() => undo.mutate({ id: newest.id, who: who || 'somebody' })}
              testID="undo-flow"
            >
              Undo
            </Button>
          )}
        </View>
      )}
      {isEditing && <FlowSheet page={page} onClose={() => setEditing(false)} />}
    </View>
  );
}

const apdexWords = (apdex: string | null) => apdex && `Apdex ${apdex}`;

function Limit({
  name,
  limitMs,
  isJudging = false,
  words,
}: {
  name: string;
  limitMs: number | null;
  isJudging?: boolean;
  words: string | null;
}) {
  return (
    <View role="row" style={styles.row}>
      <View role="cell" style={styles.name}>
        <Words kind={isJudging ? 'strong' : 'body'}>{name}</Words>
      </View>
      <View role="cell" style={styles.limit}>
        <Words kind={isJudging ? 'strong' : 'body'} testID={`limit-${name}`}>
          {limitMs === null ? 'not set' : durationWords(limitMs)}
        </Words>
      </View>
      <View role="cell" style={styles.words}>
        <Words kind="small">{[isJudging && 'judges', words].filter(Boolean).join(' · ')}</Words>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: SPACE.xs },
  row: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.m, minHeight: 28 },
  name: { width: 84 },
  limit: { width: 84, alignItems: 'flex-end' },
  words: { flex: 1 },
  button: { alignSelf: 'flex-start', marginTop: SPACE.xs },
  change: { flexDirection: 'row', alignItems: 'center' },
});
