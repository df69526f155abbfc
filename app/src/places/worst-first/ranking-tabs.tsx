import { Pressable, ScrollView, StyleSheet } from 'react-native';
import type { Ranking } from '@/frame/view';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';

const RANKING_WORDS: readonly [Ranking, string][] = [
  ['harm', 'Harm'],
  ['people', 'People'],
  ['money', 'Money'],
  ['keyCustomers', 'Key customers'],
];

/** By what the list is ordered. */
export function RankingTabs({ chosen, onChoose }: { chosen: Ranking; onChoose: (ranking: Ranking) => void }) {
  const palette = usePalette();
  return (
    <ScrollView
      horizontal
      showsHorizontalScrollIndicator={false}
      role="radiogroup"
      aria-label="Rank by"
      contentContainerStyle={styles.tabs}
      style={styles.strip}
    >
      {RANKING_WORDS.map(([ranking, words]) => {
        const isChosen = ranking === chosen;
        return (
          <Pressable
            key={ranking}
            role="radio"
            aria-checked={isChosen}
            onPress={() => onChoose(ranking)}
            style={[styles.tab, { borderBottomColor: isChosen ? palette.action : 'transparent' }]}
          >
            <Words kind={isChosen ? 'strong' : 'muted'}>{words}</Words>
          </Pressable>
        );
      })}
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  strip: { flexGrow: 0 },
  tabs: { gap: SPACE.xl - 4, paddingHorizontal: SPACE.l },
  tab: { minHeight: TOUCH - 4, justifyContent: 'center', borderBottomWidth: 2 },
});
