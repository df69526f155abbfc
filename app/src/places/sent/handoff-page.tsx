import { isWatched, STAGES, STAGE_WORDS, stageWords } from '@toplens/core/handoffs';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import type { Handoff } from '@/data/client';
import { reportOf, useAccept, useHandoff, useProof, useSendAgain } from '@/data/handoffs';
import { useClock } from '@/frame/clock';
import { CopyText } from '@/frame/copy-text';
import { Field } from '@/frame/field';
import { Fold } from '@/frame/fold';
import { InnerPage } from '@/frame/inner-page';
import { saveFile } from '@/frame/save-file';
import { Trouble } from '@/frame/trouble';
import { useView } from '@/frame/view';
import { Needs, useSession } from '@/frame/session';
import { useWho } from '@/frame/who';
import { Markdown } from '@/look/markdown';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { SendSheet, type Suggested } from '../incident/send-sheet';
import { aboutWords, leftOverNote, waitsWords } from './handoff-words';
import { LinksPart } from './links-part';
import { ProofPart } from './proof-part';
import { Trail } from './trail';

/** One handoff to its end: what was told, what the team said, and what the figures say after a fix. */
export function HandoffPage({ id }: { id: string }) {
  const { data, error, refetch } = useHandoff(id);
  return (
    <InnerPage
      title={data && `Handoff: ${data.title}`}
      error={error}
      hasData={data !== undefined}
      onRetry={() => void refetch()}
    >
      {data && <Whole handoff={data} />}
    </InnerPage>
  );
}

function Whole({ handoff }: { handoff: Handoff }) {
  const { go } = useView();
  const nowMs = useClock();
  const hasFix = isWatched(handoff.state) || handoff.outcome !== null;
  const waits = waitsWords(handoff, nowMs);
  return (
    <View style={styles.page}>
      <Words kind="title" level={1}>
        {handoff.title}
      </Words>
      <Words kind="muted">{aboutWords(handoff, nowMs)}</Words>
      {waits !== '' && <Words kind={handoff.waits?.isLate ? 'strong' : 'body'}>{`${waits}.`}</Words>}
      <NextStep handoff={handoff} hasFix={hasFix} />
      {hasFix && <ProofPart id={handoff.id} total={handoff.outcome?.total ?? null} />}
      {hasFix && <Report handoff={handoff} />}
      <View style={styles.part}>
        <Words kind="section" level={2}>
          What happened to it
        </Words>
        <Trail handoff={handoff} />
        <Stages times={handoff.times} />
      </View>
      {handoff.note !== '' && <Words>{`“${handoff.note}”`}</Words>}
      <View style={styles.buttons}>
        <Button mode="outlined" onPress={() => go(`/incident/${handoff.incident}`)}>
          Open the incident
        </Button>
        <CopyText text={handoff.markdown} name="the brief as text" words="Copy the brief" />
      </View>
      <Fold words="The brief as it was sent">
        <Markdown text={handoff.markdown} testID="told" />
      </Fold>
      <LinksPart handoff={handoff} />
    </View>
  );
}

/** What is to be done with it now: send again, to the next team, or what a fix left over. */
function NextStep({ handoff, hasFix }: { handoff: Handoff; hasFix: boolean }) {
  const { view } = useView();
  const [suggested, setSuggested] = useState<Suggested>();
  const { data: proof } = useProof(hasFix ? handoff.id : undefined);
  const again = useSendAgain();
  const isLeft = (handoff.state === 'inPart' || handoff.state === 'notProven') && proof !== undefined;
  const sinceFix = proof && {
    ...view,
    from: new Date(proof.fromMs).toISOString(),
    to: new Date(proof.toMs).toISOString(),
  };
  return (
    <View style={styles.part}>
      {(handoff.state === 'notDelivered' || handoff.state === 'kept') && (
        <>
          {again.error && <Words role="alert">{again.error.message}</Words>}
          <Needs right="send">
            <Button
              mode="outlined"
              style={styles.button}
              disabled={again.isPending}
              onPress={() => again.mutate(handoff.id)}
              testID="send-again"
            >
              Send again
            </Button>
          </Needs>
        </>
      )}
      {handoff.state === 'sent' && (
        <Needs right="answer">
          <AcceptHere handoff={handoff} />
        </Needs>
      )}
      {handoff.state === 'returned' && (
        <>
          <Words>
            {handoff.next
              ? `Next: ${handoff.next.team}, ${handoff.next.reason}.`
              : 'No rule names another team: choose one when you send it.'}
          </Words>
          <Button mode="contained" style={styles.button} onPress={() => setSuggested({})} testID="send-next">
            {handoff.next ? `Send to ${handoff.next.team}` : 'Send to another team'}
          </Button>
        </>
      )}
      {isLeft && proof.behind && (
        <Button
          mode="contained"
          style={styles.button}
          onPress={() => setSuggested({ team: proof.behind?.team ?? '', note: leftOverNote(handoff, proof) })}
          testID="send-left-over"
        >
          {proof.behind.team === '' ? 'Send what goes on' : `Send what goes on to ${proof.behind.team}`}
        </Button>
      )}
      {suggested && (
        <SendSheet
          incidentId={handoff.incident}
          view={isLeft && sinceFix ? sinceFix : view}
          suggested={suggested}
          onClose={() => setSuggested(undefined)}
        />
      )}
    </View>
  );
}

/** Somebody of the team accepts it here, and not at the desk. */
function AcceptHere({ handoff: { id, team } }: { handoff: Handoff }) {
  const [who, setWho] = useWho();
  const [name, setName] = useState(who);
  const signedIn = useSession();
  const accept = useAccept();
  const given = name.trim();
  return (
    <View style={styles.part}>
      {signedIn.who === null && <Field label="Your name" value={name} onChange={setName} testID="accept-who" />}
      {accept.error && <Words role="alert">{accept.error.message}</Words>}
      <Button
        mode="outlined"
        style={styles.button}
        disabled={accept.isPending || given === ''}
        onPress={() => {
          setWho(given);
          accept.mutate({ id, who: given });
        }}
        testID="accept-here"
      >
        {`Accept for ${team}`}
      </Button>
    </View>
  );
}

/** Before and after, as files and on paper. */
function Report({ handoff }: { handoff: Handoff }) {
  const [error, setError] = useState<Error>();
  const save = (as: 'markdown' | 'csv') =>
    void reportOf(handoff.id, as).then(
      (text) =>
        saveFile(
          text,
          `before-and-after-${handoff.incident}.${as === 'csv' ? 'csv' : 'md'}`,
          as === 'csv' ? 'text/csv;charset=utf-8' : 'text/markdown;charset=utf-8',
        ),
      setError,
    );
  return (
    <View>
      <View style={styles.buttons}>
        <Button onPress={() => save('markdown')} testID="report-markdown">
          Before and after, as text
        </Button>
        <Button onPress={() => save('csv')} testID="report-csv">
          As table (CSV)
        </Button>
        <Button onPress={() => window.print()}>Print</Button>
      </View>
      {error && <Trouble error={error} onRetry={() => setError(undefined)} />}
    </View>
  );
}

function Stages({ times }: { times: Handoff['times'] }) {
  const known = STAGES.flatMap((stage) => (times[stage] === null ? [] : [{ stage, ms: times[stage] }]));
  return (
    <View role="list" aria-label="How long it took">
      {known.map(({ stage, ms }) => (
        <View role="listitem" key={stage} style={styles.stage}>
          <Words kind="muted" style={styles.stageName}>
            {STAGE_WORDS[stage]}
          </Words>
          <Words>{stageWords(ms)}</Words>
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  page: { padding: SPACE.l, paddingTop: 0, gap: SPACE.m, maxWidth: 860 },
  part: { gap: SPACE.s },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s, alignItems: 'center' },
  button: { alignSelf: 'flex-start' },
  stage: { flexDirection: 'row', justifyContent: 'space-between', maxWidth: 380 },
  stageName: { flex: 1, minWidth: 0 },
});
