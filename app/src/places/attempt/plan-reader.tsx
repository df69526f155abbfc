import { readPlan, UnreadablePlan, type ReadPlan } from '@toplens/core/statements';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, TextInput } from 'react-native-paper';
import { pickText } from '@/frame/pick-text';
import { percent } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

const MOST_NODES = 30;

/** A plan pasted for a statement, read in plain words. It stays in the browser: plans may hold values. */
export function PlanReader() {
  const palette = usePalette();
  const [isOpen, setOpen] = useState(false);
  const [text, setText] = useState('');
  const [read, setRead] = useState<ReadPlan>();
  const [trouble, setTrouble] = useState('');
  const upload = () =>
    pickText('.json,application/json,text/plain').then(
      (picked) => {
        if (picked === undefined) return;
        setText(picked);
        submit(picked);
      },
      (error: Error) => setTrouble(error.message),
    );
  const submit = (given: string) => {
    try {
      setRead(readPlan(given));
      setTrouble('');
    } catch (error) {
      if (!(error instanceof UnreadablePlan)) throw error;
      setRead(undefined);
      setTrouble(error.message);
    }
  };
  if (!isOpen)
    return (
      <Button mode="outlined" onPress={() => setOpen(true)} style={styles.button} testID="open-plan">
        Read its plan
      </Button>
    );
  return (
    <View style={styles.box}>
      <TextInput
        mode="outlined"
        multiline
        numberOfLines={6}
        label="Output of EXPLAIN (ANALYZE, FORMAT JSON)"
        accessibilityLabel="Output of EXPLAIN (ANALYZE, FORMAT JSON)"
        value={text}
        onChangeText={setText}
        style={styles.input}
        testID="plan-text"
      />
      {trouble !== '' && (
        <Words role="alert" style={{ color: palette.harm[3] }}>
          {trouble}
        </Words>
      )}
      <View style={styles.buttons}>
        <Button mode="contained" onPress={() => submit(text)} disabled={text.trim() === ''} testID="read-plan">
          Read it
        </Button>
        <Button mode="outlined" onPress={() => void upload()} testID="pick-plan">
          Choose a file
        </Button>
      </View>
      {read && <Findings read={read} />}
    </View>
  );
}

function Findings({ read }: { read: ReadPlan }) {
  const costliest = read.nodes[read.costliest];
  const unit = read.wasRun ? 'time' : 'cost';
  return (
    <View style={styles.box} testID="plan-findings">
      {costliest && (
        <Words kind="strong">{`${costliest.type}${costliest.on ? ` on ${costliest.on}` : ''} takes ${percent(costliest.share)} of the ${unit} by itself.`}</Words>
      )}
      {read.findings.map(({ words, node }) => (
        <Words key={`${node}-${words}`}>{`– ${words}`}</Words>
      ))}
      {read.findings.length === 0 && (
        <Words>
          No join without a condition, no estimate more than ten times off, no scan that keeps little of what it reads.
        </Words>
      )}
      {!read.wasRun && (
        <Words kind="muted">
          The statement was not run for this plan: with ANALYZE, rows and times are compared too.
        </Words>
      )}
      <View role="table" aria-label="Plan">
        {read.nodes.slice(0, MOST_NODES).map((node, i) => (
          <View role="row" key={i} style={styles.row}>
            <View role="cell" style={[styles.name, { paddingLeft: Math.min(8, node.depth) * SPACE.s }]}>
              <Words kind={i === read.costliest ? 'strong' : 'body'}>
                {node.on ? `${node.type} on ${node.on}` : node.type}
              </Words>
            </View>
            <View role="cell">
              <Words kind="small">{percent(node.share)}</Words>
            </View>
          </View>
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  box: { gap: SPACE.s },
  button: { alignSelf: 'flex-start' },
  input: { minHeight: 120 },
  row: { flexDirection: 'row', gap: SPACE.s, minHeight: 26, alignItems: 'center' },
  name: { flex: 1 },
});
