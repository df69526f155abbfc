import { STEP_PARTS, type StepPart } from '@toplens/core/journeys';
import { StyleSheet, View } from 'react-native';
import { useJourneyStep } from '@/data/journeys';
import { Door } from '@/frame/door';
import { InnerPage } from '@/frame/inner-page';
import { useView } from '@/frame/view';
import { clock, count } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { SampleList } from '../incident/sample-list';
import { ofWords, stepSentence, stepTitle } from './journey-words';

/** The sessions behind one figure of a journey's step, each by its worst attempt there. */
export function JourneyStepPage({ id, step, of }: { id: string; step: number; of: StepPart }) {
  const { view } = useView();
  const { data: page, error, refetch } = useJourneyStep({ id, step, of }, view);
  const palette = usePalette();
  const isLast = page !== undefined && page.step === page.steps;
  return (
    <InnerPage
      title={page ? stepTitle(page) : 'A step of a journey'}
      error={error}
      hasData={page !== undefined}
      onRetry={() => void refetch()}
    >
      {!page && !error && <Words style={styles.page}>Following the sessions …</Words>}
      {page && (
        <View style={styles.page}>
          <Words kind="title" level={1}>
            {stepTitle(page)}
          </Words>
          <Words kind="muted">
            {`Step ${page.step} of ${page.steps} of ${page.journey}, begun ${clock(page.window.fromMs, page.window.toMs)} to ${clock(page.window.toMs, page.window.toMs)}`}
          </Words>
          <View role="navigation" aria-label="Which sessions" style={styles.parts}>
            {STEP_PARTS.map((part) => (
              <Door key={part} path={`/journey/${id}/${step}/${part}`} isHere={part === page.of} style={styles.part}>
                <Words
                  kind={part === page.of ? 'strong' : 'body'}
                  style={part === page.of ? styles.here : { color: palette.action }}
                >
                  {ofWords(part, isLast)}
                </Words>
              </Door>
            ))}
          </View>
          <Words testID="journey-step-sentence">{stepSentence(page)}</Words>
          {page.samples.length > 0 && (
            <>
              <Words kind="small">
                {page.samples.length < page.sessions
                  ? `Of ${count(page.samples.length)} sessions the worst attempt of this step, the worst of all first.`
                  : 'Of each session its worst attempt of this step, the worst of all first.'}
              </Words>
              <SampleList samples={page.samples} nowMs={page.window.toMs} currency={page.currency} />
            </>
          )}
          <Door path={`/flow/${page.flow}`} style={styles.part}>
            <Words style={{ color: palette.action }}>{`The flow ${page.name}`}</Words>
          </Door>
        </View>
      )}
    </InnerPage>
  );
}

const styles = StyleSheet.create({
  page: { paddingHorizontal: SPACE.l, gap: SPACE.s },
  parts: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.l },
  part: { minHeight: TOUCH, justifyContent: 'center' },
  here: { textDecorationLine: 'underline' },
});
