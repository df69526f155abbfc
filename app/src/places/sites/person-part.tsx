import { StyleSheet, View } from 'react-native';
import { CurvesBeside } from '@/charts/curves-beside';
import { pointsOf, UsageCurve } from '@/charts/usage-curve';
import { useWorkPerson } from '@/data/sites';
import { useView } from '@/frame/view';
import { count, times } from '@/look/format';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { personSentence } from './sites-words';

/** One person over time, by their device: against like people, with what they did below. */
export function PersonPart() {
  const { view } = useView();
  const { data, error } = useWorkPerson(view);
  if (error) return <Words kind="muted">{error.message}</Words>;
  if (!data) return <Words kind="muted">Comparing with like people …</Words>;
  const { own, like, volume, window } = data;
  return (
    <View style={styles.gap} testID="work-person">
      <Words kind="section" level={2}>
        This person over time
      </Words>
      <Words kind={data.compared?.isOff ? 'strong' : 'body'} testID="person-sentence">
        {personSentence(data)}
      </Words>
      <CurvesBeside
        curves={[
          { name: 'This person, times as long as usual', values: own },
          { name: 'Like people, times as long as usual', values: like },
        ]}
        steps={data}
        format={times}
        window={window}
      />
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
});
