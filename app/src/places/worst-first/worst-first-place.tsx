import { StyleSheet, View } from 'react-native';
import { useWorstFirst } from '@/data/incidents';
import { useView } from '@/frame/view';
import { useIsWide, usePalette } from '@/look/look';
import { IncidentPage } from '../incident/incident-page';
import { WorstFirstList } from './worst-first-list';

/** The list; on a wide screen with an incident beside it, the worst one unless another was chosen. */
export function WorstFirstPlace({ chosenId }: { chosenId?: number }) {
  const isWide = useIsWide();
  const palette = usePalette();
  const { view } = useView();
  const { data } = useWorstFirst(view);
  if (!isWide) return chosenId === undefined ? <WorstFirstList /> : <IncidentPage id={chosenId} />;
  const shown = chosenId ?? data?.rows[0]?.id;
  return (
    <View style={styles.panes}>
      <View style={[styles.list, { borderRightColor: palette.hairline }]}>
        <WorstFirstList {...(shown !== undefined && { chosenId: shown })} />
      </View>
      <View style={styles.detail}>{shown !== undefined && <IncidentPage key={shown} id={shown} />}</View>
    </View>
  );
}

const styles = StyleSheet.create({
  panes: { flex: 1, flexDirection: 'row' },
  list: { flex: 2, minWidth: 0, borderRightWidth: 1 },
  detail: { flex: 3, minWidth: 0 },
});
