import { repairWords, type StepPart } from '@toplens/core/journeys';
import { useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { Button } from 'react-native-paper';
import { StepBar } from '@/charts/step-bar';
import { useJourney } from '@/data/journeys';
import { Door } from '@/frame/door';
import { InnerPage } from '@/frame/inner-page';
import { useView } from '@/frame/view';
import { percent } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH, TWO_COLUMNS_FROM } from '@/look/tokens';
import { JourneySheet } from './journey-sheet';
import { journeyFigures, journeySentence, stepFigures, type Journey } from './journey-words';
import { stepBars } from './step-bars';

/** A journey: bars that narrow by who leaves as usual and who leaves because of trouble, and in which order to mend. */
export function JourneyPage({ id }: { id: string }) {
  const { width } = useWindowDimensions();
  const { view } = useView();
  const { data: journey, error, refetch } = useJourney(id, view);
  const [isNaming, setNaming] = useState(false);
  const isInColumns = width >= TWO_COLUMNS_FROM;
  return (
    <InnerPage
      title={journey?.name ?? 'A journey'}
      error={error}
      hasData={journey !== undefined}
      onRetry={() => void refetch()}
    >
      {!journey && !error && <Words style={styles.page}>Following the sessions …</Words>}
      {journey && (
        <View style={styles.page}>
          <Words kind="title" level={1}>
            {journey.name}
          </Words>
          {journey.setOut === 0 ? (
            <Words testID="journey-sentence">{journeySentence(journey)}</Words>
          ) : (
            <View testID="journey-sentence">
              <FigureDoors
                id={id}
                figures={journeyFigures(journey)}
                rest={journey.beyondUsual < 0.5 && 'Nobody left because of trouble, beyond what could be chance'}
              />
            </View>
          )}
          <Words kind="muted">{`${journey.application}${journey.every > 1 ? ` · counted from every ${journey.every}th session` : ''}`}</Words>
          <Button icon="pencil-outline" onPress={() => setNaming(true)} style={styles.button} testID="name-journey">
            {journey.isNamed ? 'Rename it' : 'Name and keep it'}
          </Button>
          <View style={isInColumns ? styles.columns : styles.stack}>
            <View style={isInColumns ? styles.wide : styles.stack}>
              <Steps journey={journey} />
              <Legend />
            </View>
            <View style={isInColumns ? styles.column : styles.stack}>
              <Repairs journey={journey} />
            </View>
          </View>
        </View>
      )}
      {isNaming && journey && <JourneySheet journey={journey} onClose={() => setNaming(false)} />}
    </InnerPage>
  );
}

/** Figures of a journey, each a door to the sessions that it is made of. */
function FigureDoors({
  id,
  figures,
  rest,
}: {
  id: string;
  figures: readonly { words: string; step: number; of: StepPart }[];
  /** what is said beside them */
  rest?: string | false | undefined;
}) {
  const palette = usePalette();
  return (
    <View style={styles.figures}>
      {figures.map(({ words, step, of }) => (
        <Door key={words} path={`/journey/${id}/${step}/${of}`} style={styles.figure} testID={`journey-${step}-${of}`}>
          <Words kind="small" style={{ color: palette.action }}>
            {words}
          </Words>
        </Door>
      ))}
      {rest && <Words kind="small">{rest}</Words>}
    </View>
  );
}

function Steps({ journey }: { journey: Journey }) {
  const palette = usePalette();
  return (
    <View role="list" aria-label="Steps" style={styles.steps}>
      {stepBars(journey).map(({ step, words, ends, bar }, k) => (
        <View role="listitem" key={step.flow} style={styles.step} testID={`step-${k + 1}`}>
          <Door path={`/flow/${step.flow}`} style={styles.head}>
            <Words kind={step.isBad ? 'strong' : 'body'} style={[styles.name, { color: palette.action }]}>
              {`${k + 1}  ${step.name}`}
            </Words>
          </Door>
          <FigureDoors id={journey.id} figures={stepFigures(step).map((figure) => ({ ...figure, step: k + 1 }))} />
          <StepBar {...bar} />
          {ends.length === 0 ? (
            <Words kind="small">{words}</Words>
          ) : (
            <FigureDoors
              id={journey.id}
              figures={ends.map((end) => ({ ...end, step: k + 1 }))}
              rest={attributableWords(step)}
            />
          )}
          {step.isBad &&
            step.incidents.map((id) => (
              <Door key={id} path={`/incident/${id}`} style={styles.door}>
                <Words kind="small" style={{ color: palette.action }}>
                  Why: the incident here
                </Words>
              </Door>
            ))}
        </View>
      ))}
    </View>
  );
}

const attributableWords = ({ isBad, attributable }: Journey['steps'][number]) =>
  isBad && attributable !== null
    ? `Of those who met it and left, ${percent(attributable)} left because of it`
    : undefined;

function Legend() {
  const palette = usePalette();
  return (
    <Words kind="small">
      <Words kind="small" style={{ color: palette.harm[3] }}>
        ■
      </Words>
      {
        ' left because of trouble   ░ left as usual   the rest went on. Like people are compared with like: tier, and whether they came before.'
      }
    </Words>
  );
}

function Repairs({ journey }: { journey: Journey }) {
  const palette = usePalette();
  return (
    <View style={styles.stack} testID="repairs">
      <Words kind="section" level={2}>
        Fix in this order
      </Words>
      {journey.repairs.length === 0 && (
        <Words kind="muted">No step loses more people than usual, beyond what could be chance.</Words>
      )}
      {journey.repairs.map((repair, i) => (
        <View key={repair.step} style={styles.repair}>
          <Words kind="rank">{i + 1}</Words>
          <View style={styles.name}>
            <Door path={`/journey/${journey.id}/${repair.step + 1}/leftAfterTrouble`} style={styles.door}>
              <Words kind="strong" style={{ color: palette.action }}>
                {journey.steps[repair.step]?.name ?? ''}
              </Words>
            </Door>
            <Words>{repairWords(repair, journey.currency)}</Words>
          </View>
        </View>
      ))}
      {journey.repairs.length > 1 && (
        <Words kind="small">The earlier step comes first: it hides who would have met the later one.</Words>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  button: { alignSelf: 'flex-start' },
  page: { paddingHorizontal: SPACE.l, gap: SPACE.s },
  columns: { flexDirection: 'row', gap: SPACE.xl },
  stack: { gap: SPACE.m },
  wide: { flex: 3, minWidth: 0, gap: SPACE.m },
  column: { flex: 2, minWidth: 0 },
  steps: { gap: SPACE.m },
  step: { gap: 2 },
  head: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, minHeight: TOUCH },
  figures: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', columnGap: SPACE.m },
  figure: { minHeight: 28, maxWidth: '100%', justifyContent: 'center' },
  name: { flex: 1, minWidth: 0 },
  door: { minHeight: TOUCH, justifyContent: 'center' },
  repair: { flexDirection: 'row', gap: SPACE.m },
});
