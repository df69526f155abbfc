import { StyleSheet, View } from 'react-native';
import { usePath } from '@/data/flows';
import { Trouble } from '@/frame/trouble';
import { useView } from '@/frame/view';
import { count } from '@/look/format';
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
        </>
      )}
    </View>
  );
}

const styles = StyleSheet.create({ box: { gap: SPACE.xs } });
