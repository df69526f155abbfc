import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { useSessionState, useVisit } from '@/data/session';
import { useSession } from '@/frame/session';
import { Trouble } from '@/frame/trouble';
import { useView } from '@/frame/view';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

/** Of a demo: its people, as whom a visitor looks by one tap. */
export function VisitPart() {
  const palette = usePalette();
  const { who } = useSession();
  const { data } = useSessionState();
  const visit = useVisit();
  const { go } = useView();
  const others = (data?.visitors ?? []).filter(({ id }) => id !== who?.id);
  if (others.length === 0) return null;
  return (
    <View style={styles.part}>
      <Words kind="section" level={2}>
        Look as somebody
      </Words>
      <Words kind="muted">This is a demo: on this machine you may be any of its people.</Words>
      {visit.error && <Trouble error={visit.error} onRetry={() => visit.reset()} />}
      <View role="list" aria-label="People of the demo">
        {others.map(({ id, name, roles }) => (
          <View role="listitem" key={id} style={[styles.row, { borderTopColor: palette.hairline }]}>
            <View style={styles.words}>
              <Words>{name}</Words>
              <Words kind="small">{roles.join(', ')}</Words>
            </View>
            <Button
              mode="outlined"
              disabled={visit.isPending}
              onPress={() => visit.mutate(id, { onSuccess: () => go('/') })}
              accessibilityLabel={`Look as ${name}`}
              testID={`visit-${name}`}
            >
              Look as
            </Button>
          </View>
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  part: { gap: SPACE.s },
  row: { flexDirection: 'row', alignItems: 'center', gap: SPACE.m, borderTopWidth: 1, paddingVertical: SPACE.s },
  words: { flex: 1, minWidth: 0 },
});
