import { usePathname } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Door } from '@/frame/door';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';

const TABS = [
  { path: '/people', words: 'Page loads' },
  { path: '/people/errors', words: 'Script errors' },
  { path: '/people/phone', words: 'Phone' },
  { path: '/people/sites', words: 'Sites' },
  { path: '/people/probes', words: 'Probes' },
  { path: '/people/find', words: 'Find a person' },
] as const;

/** What there is to see of people, side by side. */
export function PeopleTabs() {
  const palette = usePalette();
  const pathname = usePathname();
  return (
    <View role="navigation" aria-label="People" style={styles.tabs}>
      {TABS.map(({ path, words }) => {
        const isHere = pathname === path;
        return (
          <Door
            key={path}
            path={path}
            isHere={isHere}
            style={[styles.tab, { borderBottomColor: isHere ? palette.action : 'transparent' }]}
          >
            <Words kind={isHere ? 'strong' : 'muted'}>{words}</Words>
          </Door>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  tabs: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.l, paddingHorizontal: SPACE.l },
  tab: { minHeight: TOUCH, justifyContent: 'center', borderBottomWidth: 2 },
});
