import { BACK_TO_NORMAL } from '@toplens/core/handoffs';
import { StyleSheet, View } from 'react-native';
import { RemainingChart } from '@/charts/remaining-chart';
import { useProof } from '@/data/handoffs';
import { Trouble } from '@/frame/trouble';
import { count, percent } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { proofWords, signalWords, totalWords, type Proof, type Total } from './handoff-words';

/** What the incident's own figures say after the reported fix: how much of the harm goes on, flow by flow. */
export function ProofPart({ id, total }: { id: string; total: Total | null }) {
  const { data: proof, error, refetch } = useProof(id);
  return (
    <View style={styles.part} testID="proof">
      <Words kind="section" level={2}>
        After the fix
      </Words>
      {error && !proof && <Trouble error={error} onRetry={() => void refetch()} />}
      {!proof && !error && <Words kind="muted">Looking …</Words>}
      {proof && (
        <>
          <Words testID="proof-words">{proofWords(proof)}</Words>
          {proof.course.length > 0 && (
            <>
              <RemainingChart
                name="harm that goes on"
                label={`Harm that goes on after the fix: ${proofWords(proof)}`}
                course={proof.course}
                fromMs={proof.fromMs}
                stepMs={proof.stepMs}
                normalBelow={BACK_TO_NORMAL}
              />
              <Words kind="small">
                {`Share of the harm of before, with a range that stays true however often it is looked at. Dashed: below ${percent(BACK_TO_NORMAL)} it is back to normal.`}
              </Words>
            </>
          )}
          <Parts proof={proof} />
          {proof.behind && (
            <Words>{`What goes on seems to come from ${proof.behind.component}${proof.behind.isAnother ? ', another place than before' : ''}: ${proof.behind.words}.`}</Words>
          )}
        </>
      )}
      {total && (
        <View testID="total">
          <Words kind="strong">What it cost in total</Words>
          <Words>{`${totalWords(total)}.`}</Words>
          {total.promises.map((words) => (
            <Words key={words} kind="small">
              {words}
            </Words>
          ))}
        </View>
      )}
    </View>
  );
}

function Parts({ proof }: { proof: Proof }) {
  const palette = usePalette();
  const told = (share: number | null) => (share === null ? 'not known' : percent(share));
  return (
    <View role="list" aria-label="Flow by flow">
      {proof.parts.map((part) => (
        <View
          role="listitem"
          key={`${part.flowId}-${part.signal}`}
          style={[styles.row, { borderTopColor: palette.hairline }]}
        >
          <Words kind={part.isStillThere ? 'strong' : 'body'}>{part.flow}</Words>
          <Words kind="small">
            {`${told(part.before)} ${signalWords(part.signal)} before, ${told(part.since)} since, usually ${told(part.usual)}; ${count(part.attempts)} attempts since${part.isStillThere ? ' · goes on' : ''}`}
          </Words>
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  part: { gap: SPACE.s },
  row: { borderTopWidth: 1, paddingVertical: SPACE.xs },
});
