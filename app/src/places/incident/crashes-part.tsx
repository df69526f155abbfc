import { isOnPhone } from '@toplens/core/flows';
import { isFlowOfScreens } from '@toplens/core/phones';
import { StyleSheet, View } from 'react-native';
import type { Incident } from '@/data/client';
import { usePhoneWithin } from '@/data/phones';
import { Door } from '@/frame/door';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { byVersionWords, groupFigures, STATE_WORDS } from '../phone/phone-words';

/** Where the application crashes on the screens that are in trouble. Nothing where it does not. */
export function CrashesPart({ incident: { window, application, parts } }: { incident: Incident }) {
  const palette = usePalette();
  const hasPhone = parts.some(({ technicalName }) => isOnPhone(technicalName));
  const { data } = usePhoneWithin(window, hasPhone ? application : undefined);
  const groups = (data?.groups ?? []).filter(({ screens }) =>
    parts.some(({ technicalName }) => isFlowOfScreens(technicalName, screens)),
  );
  if (groups.length === 0) return null;
  return (
    <View style={styles.box} testID="crashes-part">
      <Words kind="section" level={2}>
        Where it crashes
      </Words>
      {groups.map((group) => (
        <Door key={group.id} path={`/crash-group/${group.sample}`} style={styles.door}>
          <Words style={{ color: palette.action }}>{group.place || group.type}</Words>
          <Words>{`${group.type}: ${group.message}`}</Words>
          <Words kind="small">
            {[`${groupFigures(group)}.`, STATE_WORDS[group.state], byVersionWords(group)].filter(Boolean).join(' ')}
          </Words>
        </Door>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: SPACE.xs },
  door: { minHeight: TOUCH, justifyContent: 'center', gap: 2 },
});
