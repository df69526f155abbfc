import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import type { Incident, Schemas } from '@/data/client';
import { useIncidentLogs } from '@/data/incidents';
import { NotNarrowed } from '@/frame/not-narrowed';
import { Trouble } from '@/frame/trouble';
import { count } from '@/look/format';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { LogLines } from '../logs/log-lines';
import { PatternRow } from '../logs/pattern-row';

type Patterns = Schemas['LogPatterns'];

const FIRST = 6;

/** Thousands of lines as a few patterns: what surged, what is rare and new, what stopped. */
export function LogPart({ incident }: { incident: Incident }) {
  const { data, error, refetch } = useIncidentLogs(incident.id, !incident.inTroubleNow);
  return (
    <View style={styles.box} testID="log-part">
      <Words kind="section" level={2}>
        What the logs say
      </Words>
      <NotNarrowed what="lines are of everybody’s work" />
      {error && <Trouble error={error} onRetry={() => void refetch()} />}
      {data ? (
        <Found patterns={data} nowMs={incident.window.toMs} />
      ) : (
        !error && <Words kind="muted">Reading the logs …</Words>
      )}
    </View>
  );
}

function Found({ patterns, nowMs }: { patterns: Patterns; nowMs: number }) {
  const { linesNow, linesBefore, kept } = patterns;
  if (linesNow + linesBefore === 0) return <Words kind="muted">No lines of logs came from these components.</Words>;
  const shown = patterns.surging.length + patterns.rare.length + patterns.gone.length;
  const part = kept < 1 ? `, told from every ${Math.round(1 / kept)}th` : '';
  return (
    <>
      <Words kind="muted">{`${count(linesNow)} lines since it began, ${count(linesBefore)} in the hours before${part}.`}</Words>
      {patterns.leftOut.map((words) => (
        <Words key={words} kind="small">
          {words}
        </Words>
      ))}
      {shown === 0 && <Words>Nothing surged, nothing is new.</Words>}
      <List name="Came more often" patterns={patterns.surging} nowMs={nowMs} isOpen />
      <List name="Rare, and never before" patterns={patterns.rare} nowMs={nowMs} isOpen />
      <List name="Came no more, or less often" patterns={patterns.gone} nowMs={nowMs} />
      <List name="As usual" patterns={patterns.usual} nowMs={nowMs} />
    </>
  );
}

function List({
  name,
  patterns,
  nowMs,
  isOpen: begins = false,
}: {
  name: string;
  patterns: Patterns['surging'];
  nowMs: number;
  isOpen?: boolean;
}) {
  const [isOpen, setOpen] = useState(begins);
  const [areAll, setAll] = useState(false);
  const [chosen, setChosen] = useState<string>();
  if (patterns.length === 0) return null;
  const shown = areAll ? patterns : patterns.slice(0, FIRST);
  return (
    <View style={styles.list}>
      {begins ? (
        <Words kind="strong" level={3}>{`${name} (${patterns.length})`}</Words>
      ) : (
        <Button onPress={() => setOpen(!isOpen)} style={styles.fold} icon={isOpen ? 'chevron-up' : 'chevron-down'}>
          {`${name} (${patterns.length})`}
        </Button>
      )}
      {isOpen &&
        shown.map((pattern) => (
          <View key={pattern.text}>
            <PatternRow
              pattern={pattern}
              nowMs={nowMs}
              isChosen={chosen === pattern.text}
              onPress={() => setChosen(chosen === pattern.text ? undefined : pattern.text)}
            />
            {chosen === pattern.text && <LogLines lines={pattern.samples} nowMs={nowMs} of={pattern.now} />}
          </View>
        ))}
      {isOpen && patterns.length > FIRST && (
        <Button onPress={() => setAll(!areAll)} style={styles.fold}>
          {areAll ? 'Only the first' : `${patterns.length - FIRST} more`}
        </Button>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: SPACE.s },
  list: { gap: SPACE.xs },
  fold: { alignSelf: 'flex-start' },
});
