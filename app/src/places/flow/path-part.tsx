import { StyleSheet, View } from 'react-native';
import { usePath } from '@/data/flows';
import { Trouble } from '@/frame/trouble';
import { useView } from '@/frame/view';
import type { Schemas } from '@/data/client';
import { count, counted, percent, times } from '@/look/format';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { HopList } from '../component/hop-list';
import { LayerColumns } from './layers';

/** Which components the flow goes through, from its begin downwards. */
export function PathPart({ flow }: { flow: number }) {
  const { view } = useView();
  const { data: path, error, refetch } = usePath(flow, view);
  if (path?.traces === 0) return null;
  return (
    <View style={styles.box} testID="path-part">
      <Words kind="section" level={2}>
        Where its time goes
      </Words>
      {error && <Trouble error={error} onRetry={() => void refetch()} />}
      {path && (
        <>
          <LayerColumns layers={path.layers} />
          <Words kind="muted">{`From a fair sample of ${count(path.traces)} attempts; a bar is the mean of a call.`}</Words>
          <HopList
            hops={path.hops}
            nameOf={({ to }) => to}
            label="The way through components"
            traces={path.traces}
            isIndented
          />
          <SlowErrors errors={path.slowErrors} />
        </>
      )}
    </View>
  );
}

/** "in 38 of 40 slow attempts, 2 of 160 others: 76× as often (18× to 310×); carries 84 % of the slowness" */
export function slowErrorWords({
  slow,
  ofSlow,
  others,
  ofOthers,
  ratio,
  low,
  high,
  carried,
}: Schemas['Path']['slowErrors'][number]): string {
  const often =
    ratio === null
      ? `at least ${times(low)} as often`
      : `${times(ratio)} as often (${times(low)} to ${high === null ? 'any' : times(high)})`;
  const met = `in ${count(slow)} of ${counted(ofSlow, 'slow attempt')}, ${count(others)} of ${counted(ofOthers, 'other')}`;
  return `${met}: ${often}; comes with ${percent(Math.min(1, Math.max(0, carried)))} of the slowness`;
}

/** What fails on the way of slow attempts, though they end well. */
function SlowErrors({ errors }: { errors: Schemas['Path']['slowErrors'] }) {
  if (errors.length === 0) return null;
  return (
    <View testID="slow-errors">
      <Words kind="strong">Errors that come with slow attempts</Words>
      {errors.map((error) => (
        <View key={error.error} style={styles.error}>
          <Words>{error.error}</Words>
          <Words kind="small">{slowErrorWords(error)}</Words>
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({ box: { gap: SPACE.xs }, error: { paddingVertical: SPACE.xs } });
