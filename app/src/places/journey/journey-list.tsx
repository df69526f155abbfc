import { StyleSheet, View } from 'react-native';
import { useJourneys } from '@/data/journeys';
import { Door } from '@/frame/door';
import { useView } from '@/frame/view';
import { count } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { journeySentence } from './journey-words';

/**
 * Ways that people walk through flows, those with most who left because of trouble first. Nothing where no sessions are
 * told.
 */
export function JourneyList() {
  const { view } = useView();
  const palette = usePalette();
  const { data } = useJourneys(view);
  if (!data || data.journeys.length === 0) return null;
  return (
    <View style={styles.list}>
      <Words kind="section" level={2}>
        Journeys
      </Words>
      <View role="list" aria-label="Journeys" style={styles.list}>
        {data.journeys.map((journey) => (
          <View
            role="listitem"
            key={journey.id}
            style={[styles.item, { borderLeftColor: journey.beyondUsual >= 0.5 ? palette.harm[3] : palette.hairline }]}
          >
            <Door path={`/journey/${journey.id}`} style={styles.door} testID={`journey-${journey.id}`}>
              <Words style={{ color: palette.action }}>{journey.name}</Words>
              <Words kind="small">{`${journey.application} · ${count(journey.steps.length)} steps · ${journeySentence(journey)}`}</Words>
            </Door>
          </View>
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  list: { gap: SPACE.xs },
  item: { borderLeftWidth: 3, paddingLeft: SPACE.s },
  door: { minHeight: TOUCH, justifyContent: 'center' },
});
