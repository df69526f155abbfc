import { StyleSheet, View } from 'react-native';
import { pointsOf, UsageCurve } from '@/charts/usage-curve';
import { useWorkPerson } from '@/data/sites';
import { useView } from '@/frame/view';
import { count, times } from '@/look/format';
import { useIsWide } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { personSentence } from './sites-words';

/** One person over time, by their device: against like people, with what they did below. */
export function PersonPart() {
  const { view } = useView();
  const isWide = useIsWide();
  const { data, error } = useWorkPerson(view);
  if (error) return <Words kind="muted">{error.message}</Words>;
  if (!data) return <Words kind="muted">Comparing with like people …</Words>;
  const { own, like, volume, window } = data;
  // One scale, so that both can be compared.
  const least = Math.max(1, ...[...own, ...like].map((value) => value ?? 0));
  return (
    <View style={styles.gap} testID="work-person">
      <Words kind="section" level={2}>
        This person over time
      </Words>
      <Words kind={data.compared?.isOff ? 'strong' : 'body'} testID="person-sentence">
        {personSentence(data)}
      </Words>
      <View style={isWide ? styles.beside : styles.gap}>
        <View style={isWide ? styles.half : undefined}>
          <UsageCurve
            name="This person, times as long as usual"
            points={pointsOf(data, own)}
            least={least}
            format={times}
            window={window}
          />
        </View>
        <View style={isWide ? styles.half : undefined}>
          <UsageCurve
            name="Like people, times as long as usual"
            points={pointsOf(data, like)}
            least={least}
            format={times}
            window={window}
          />
        </View>
      </View>
      <UsageCurve
        name="Attempts in half an hour"
        points={pointsOf(data, volume)}
        least={1}
        format={count}
        window={window}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  gap: { gap: SPACE.xs, marginTop: SPACE.m },
  beside: { flexDirection: 'row', columnGap: SPACE.l },
  half: { flex: 1, minWidth: 0 },
});
