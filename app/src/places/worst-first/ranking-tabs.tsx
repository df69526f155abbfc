import { StyleSheet } from 'react-native';
import { Strip } from '@/frame/strip';
import type { Ranking } from '@/frame/view';
import { SPACE, TOUCH } from '@/look/tokens';

const RANKINGS: readonly { value: Ranking; words: string }[] = [
  { value: 'harm', words: 'Harm' },
  { value: 'each', words: 'Per person' },
  { value: 'people', words: 'People' },
  { value: 'money', words: 'Money' },
  { value: 'promises', words: 'Promises' },
  { value: 'keyCustomers', words: 'Key customers' },
];

/** By what the list is ordered; by promises where there are any. */
export function RankingTabs({
  chosen,
  hasPromises,
  onChoose,
}: {
  chosen: Ranking;
  hasPromises: boolean;
  onChoose: (ranking: Ranking) => void;
}) {
  const options = hasPromises ? RANKINGS : RANKINGS.filter(({ value }) => value !== 'promises');
  return (
    <Strip
      label="Rank by"
      options={options}
      chosen={chosen}
      onChoose={onChoose}
      style={styles.tabs}
      minHeight={TOUCH - 4}
    />
  );
}

const styles = StyleSheet.create({ tabs: { gap: SPACE.xl - 4, paddingHorizontal: SPACE.l } });
