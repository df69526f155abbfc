import { StyleSheet, View } from 'react-native';
import type { Incident, Schemas } from '@/data/client';
import { useEndangered } from '@/data/promises';
import { Door } from '@/frame/door';
import { useView } from '@/frame/view';
import { formatMoney, percent } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { chanceWords, leftWords } from '../promises/promise-words';

type Endangered = Schemas['EndangeredPromises']['promises'][number];

/** Which promises it spends the budget of. Nothing where it spends none. */
export function PromisesPart({ incident }: { incident: Incident }) {
  const palette = usePalette();
  const { view } = useView();
  const { data } = useEndangered(incident.id, view);
  if (!data || data.promises.length === 0) return null;
  return (
    <View style={styles.box} testID="promises-part">
      <Words kind="section" level={2}>
        Promises
      </Words>
      {data.promises.map((promise) => (
        <Door key={promise.name} path={`/promises/${encodeURIComponent(promise.name)}`} style={styles.door}>
          <Words style={{ color: palette.action }}>{promise.name}</Words>
          <Words kind="small">{endangeredWords(promise, data.currency)}</Words>
        </Door>
      ))}
    </View>
  );
}

/** "It took 12 % of the budget; 34 % left now · breaks with a chance of 87 % · €3,480 expected" */
export function endangeredWords(
  { tookShare, leftShare, chanceOfBreaking, expectedPenalty }: Endangered,
  currency: string,
): string {
  const spent =
    tookShare === null || leftShare === null
      ? 'How much of the budget it took, and what is left of it, is not known'
      : `It took ${percent(tookShare)} of the budget; ${leftWords(leftShare)} now`;
  return [
    spent,
    chanceOfBreaking !== null && `breaks with a chance of ${chanceWords(chanceOfBreaking)}`,
    expectedPenalty >= 0.5 && `${formatMoney(expectedPenalty, currency)} expected, whoever spent it`,
  ]
    .filter(Boolean)
    .join(' · ');
}

const styles = StyleSheet.create({
  box: { gap: SPACE.xs },
  door: { minHeight: TOUCH, justifyContent: 'center' },
});
