import { StyleSheet, View } from 'react-native';
import { repairWords, stepWords } from '@toplens/core/journeys';
import type { Incident } from '@/data/client';
import { useJourneys } from '@/data/journeys';
import { Door } from '@/frame/door';
import { useView } from '@/frame/view';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import type { Journey } from '../journey/journey-words';

/** Journeys that the incident's flows are steps of: who is lost there, and what is hidden behind. */
export function OnTheWay({ incident }: { incident: Incident }) {
  const { view } = useView();
  const palette = usePalette();
  const { data } = useJourneys(view);
  const found = stepsOnTheWay(
    data?.journeys ?? [],
    new Set(incident.parts.filter(({ signal }) => signal !== 'missing').map(({ flowId }) => flowId)),
  );
  if (found.length === 0) return null;
  return (
    <View style={styles.box} testID="on-the-way">
      <Words kind="section" level={2}>
        Journeys affected
      </Words>
      {found.map(({ journey, k, words }) => (
        <Door key={`${journey.id}-${k}`} path={`/journey/${journey.id}`} style={styles.door}>
          <Words
            style={{ color: palette.action }}
          >{`Step ${k + 1} of ${journey.steps.length} of ${journey.name}`}</Words>
          <Words kind="muted">{words}</Words>
        </Door>
      ))}
    </View>
  );
}

export function stepsOnTheWay(
  journeys: readonly Journey[],
  flows: ReadonlySet<number>,
): { journey: Journey; k: number; words: string }[] {
  return journeys.flatMap((journey) =>
    journey.steps.flatMap((step, k) => {
      if (!flows.has(step.flow)) return [];
      const repair = journey.repairs.find((one) => one.step === k);
      const mended = repair && `When fixed: ${repairWords(repair, journey.currency)}`;
      return [
        { journey, k, words: [stepWords(step, k === journey.steps.length - 1), mended].filter(Boolean).join('. ') },
      ];
    }),
  );
}

const styles = StyleSheet.create({ box: { gap: SPACE.xs }, door: { minHeight: TOUCH, justifyContent: 'center' } });
