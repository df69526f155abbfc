import { StyleSheet, View } from 'react-native';
import { Chip } from '@/frame/chip';
import { PAGE_NARROWING, useView, without } from '@/frame/view';
import { SPACE } from '@/look/tokens';
import { valueName } from './page-words';

/** What pages are narrowed to; a tap takes it away. */
export function PageChips() {
  const { view, setView } = useView();
  return (
    <View style={styles.chips}>
      {PAGE_NARROWING.filter((name) => view[name] !== undefined).map((name) => (
        <Chip
          key={name}
          words={valueName(name, view[name] as string)}
          removes
          onPress={() => setView(without(view, name))}
          accessibilityLabel={`Only ${valueName(name, view[name] as string)}. Remove`}
        />
      ))}
    </View>
  );
}

const styles = StyleSheet.create({ chips: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.s } });
