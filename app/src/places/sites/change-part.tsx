import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { CurvesBeside } from '@/charts/curves-beside';
import { useHappened } from '@/data/happened';
import { useSiteChange } from '@/data/sites';
import { CheckLine } from '@/frame/check-line';
import { Choice } from '@/frame/choice';
import { CopyText } from '@/frame/copy-text';
import { Field } from '@/frame/field';
import { Fold } from '@/frame/fold';
import { saveFile } from '@/frame/save-file';
import { Sheet } from '@/frame/sheet';
import { parseLocal, toLocal } from '@/frame/time-sheet';
import { Trouble } from '@/frame/trouble';
import { useView } from '@/frame/view';
import { clock, times } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { changeCsv, changeReport, comparedWords } from './change-report';
import { BY_WORDS, changeLine, changeSentence, type SiteChange, type Sites } from './sites-words';

const WRITE_IT = 'Write it as year-month-day hour:minute, for example 2026-03-10 09:30.';

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
  const { view } = useView();
  const [at, setAt] = useState(() => toLocal(window.fromMs));
  const [until, setUntil] = useState('');
  const [changed, setChanged] = useState<readonly string[]>([]);
  const [isChoosing, setChoosing] = useState(false);
  const atMs = parseLocal(at);
  const untilMs = until.trim() === '' ? undefined : parseLocal(until);
  const { data, error, refetch } = useSiteChange(view, { atMs, untilMs, changed });
  const [one, several] = BY_WORDS[by];
  const toggle = (group: string) =>
    setChanged(changed.includes(group) ? changed.filter((other) => other !== group) : [...changed, group]);
  return (
    <View style={styles.box} testID="site-change">
      <Field
        label="Changed at"
        value={at}
        onChange={setAt}
        error={Number.isNaN(atMs) ? WRITE_IT : undefined}
        hint="As long before as after is compared, seven days at most."
        testID="changed-at"
      />
      <Button mode="outlined" onPress={() => setChoosing(true)} style={styles.button} testID="choose-change">
        Choose a release or change
      </Button>
      <Field
        label="Done at"
        value={until}
        onChange={setUntil}
        error={Number.isNaN(untilMs ?? 0) ? WRITE_IT : undefined}
        hint="Empty: at once. What is between is drawn, and not compared."
        testID="changed-until"
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
      {data && changed.length > 0 && <Proof change={data} />}
      {isChoosing && (
        <ChooseChange
          onChoose={(timeMs) => {
            setAt(toLocal(timeMs));
            setUntil('');
            setChoosing(false);
          }}
          onClose={() => setChoosing(false)}
        />
      )}
    </View>
  );
}

/** Releases and changes of the time that is looked at, whatever it is narrowed to: what changed may lie elsewhere. */
function ChooseChange({ onChoose, onClose }: { onChoose: (timeMs: number) => void; onClose: () => void }) {
  const { application: _application, team: _team, ...view } = useView().view;
  const releases = useHappened(view, 'release');
  const changes = useHappened(view, 'change');
  const known = [...(releases.data?.happenings ?? []), ...(changes.data?.happenings ?? [])].sort(
    (a, b) => b.atMs - a.atMs,
  );
  const error = releases.error ?? changes.error;
  return (
    <Sheet title="Releases and changes" onClose={onClose}>
      {error && <Trouble error={error} onRetry={() => void releases.refetch()} />}
      {!error && known.length === 0 && (
        <Words kind="muted">
          {releases.data && changes.data
            ? 'None is known of the time that you look at; look at a longer one, or write the moment.'
            : 'Looking them up …'}
        </Words>
      )}
      <Choice
        label="Releases and changes"
        options={known.map(({ id, atMs, title, application }) => ({
          value: id,
          words: title,
          detail: [clock(atMs), application].filter(Boolean).join(' · '),
        }))}
        chosen={undefined}
        onChoose={(id) => {
          const chosen = known.find((happening) => happening.id === id);
          if (chosen) onChoose(chosen.atMs);
        }}
      />
    </Sheet>
  );
}

/** The verdict, both sides over time, each against itself, and the report that goes to whoever pays. */
function Proof({ change }: { change: SiteChange }) {
  const palette = usePalette();
  const { drawing, before, after, groups, by } = change;
  const window = { fromMs: before.fromMs, toMs: after.toMs };
  const several = BY_WORDS[by][1];
  return (
    <>
      <Words kind="strong" testID="change-verdict">
        {changeSentence(change)}
      </Words>
      <Words kind="small">{comparedWords(change)}</Words>
      <View testID="change-drawing">
        <CurvesBeside
          curves={[
            { name: `Changed ${several}, times as long as usual`, values: drawing.changed },
            { name: `Other ${several}, times as long as usual`, values: drawing.unchanged },
          ]}
          steps={drawing}
          format={times}
          window={window}
        />
      </View>
      <View role="list" aria-label="Each against itself">
        {groups.map((group) => (
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
      <View style={styles.options}>
        <CopyText text={changeReport(change)} name="the report as text" />
        <Button
          icon="download"
          onPress={() => saveFile(changeReport(change), 'before-and-after.md', 'text/markdown;charset=utf-8')}
          testID="change-report"
        >
          Save the report
        </Button>
        <Button
          icon="download"
          onPress={() => saveFile(changeCsv(change), 'before-and-after.csv', 'text/csv;charset=utf-8')}
          testID="change-csv"
        >
          Save as CSV
        </Button>
      </View>
    </>
  );
}

const styles = StyleSheet.create({
  fold: { marginTop: SPACE.m },
  box: { gap: SPACE.s, maxWidth: 900 },
  button: { alignSelf: 'flex-start' },
  options: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.l },
  line: { borderTopWidth: 1, paddingVertical: SPACE.xs, flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.m },
  name: { width: 140 },
  words: { flexGrow: 1, flexBasis: 220 },
});
