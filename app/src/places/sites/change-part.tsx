import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useSiteChange } from '@/data/sites';
import { CheckLine } from '@/frame/check-line';
import { Field } from '@/frame/field';
import { Fold } from '@/frame/fold';
import { parseLocal, toLocal } from '@/frame/time-sheet';
import { Trouble } from '@/frame/trouble';
import { useView } from '@/frame/view';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { BY_WORDS, changeLine, changeSentence, type Sites } from './sites-words';

/** Sites that had a change against sites that did not: was it the change? */
export function ChangePart({ sites }: { sites: Sites }) {
  if (sites.groups.length < 2) return null;
  return (
    <Fold words="Was it a change? Compare before and after" style={styles.fold}>
      <Asked sites={sites} />
    </Fold>
  );
}

function Asked({ sites: { groups, by, window } }: { sites: Sites }) {
  const palette = usePalette();
  const { view } = useView();
  const [at, setAt] = useState(() => toLocal(window.fromMs));
  const [changed, setChanged] = useState<readonly string[]>([]);
  const atMs = parseLocal(at);
  const { data, error, refetch } = useSiteChange(view, { atMs, changed });
  const [one, several] = BY_WORDS[by];
  const toggle = (group: string) =>
    setChanged(changed.includes(group) ? changed.filter((other) => other !== group) : [...changed, group]);
  return (
    <View style={styles.box} testID="site-change">
      <Field
        label="Changed at"
        value={at}
        onChange={setAt}
        error={Number.isNaN(atMs) ? 'Write it as year-month-day hour:minute, for example 2026-03-10 09:30.' : undefined}
        hint="As long before as after is compared, seven days at most."
        testID="changed-at"
      />
      <Words kind="small">{`Which ${several} had it?`}</Words>
      <View style={styles.options} role="group" aria-label={`Changed ${several}`}>
        {groups.map(({ group }) => (
          <CheckLine
            key={group}
            words={group}
            isChosen={changed.includes(group)}
            onToggle={() => toggle(group)}
            testID={`changed-${group}`}
          />
        ))}
      </View>
      {error && <Trouble error={error} onRetry={() => void refetch()} />}
      {changed.length === 0 && <Words kind="muted">{`Choose at least one ${one}.`}</Words>}
      {data && changed.length > 0 && (
        <>
          <Words kind="strong" testID="change-verdict">
            {changeSentence(data)}
          </Words>
          <View role="list" aria-label="Each against itself">
            {data.groups.map((group) => (
              <View role="listitem" key={group.group} style={[styles.line, { borderTopColor: palette.hairline }]}>
                <Words kind={group.isChanged ? 'strong' : 'body'} style={styles.name}>
                  {group.group}
                </Words>
                <Words kind="small" style={styles.words}>
                  {changeLine(group)}
                </Words>
              </View>
            ))}
          </View>
        </>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  fold: { marginTop: SPACE.m },
  box: { gap: SPACE.s, maxWidth: 720 },
  options: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.l },
  line: { borderTopWidth: 1, paddingVertical: SPACE.xs, flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.m },
  name: { width: 140 },
  words: { flexGrow: 1, flexBasis: 220 },
});
