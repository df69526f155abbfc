import { useEffect, type ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { TimeBar } from '@/frame/time-bar';
import { Trouble } from '@/frame/trouble';
import { SPACE } from '@/look/tokens';
import { PeopleTabs } from './people-tabs';

export type Props = {
  /** what is looked at, for the browser's tab */
  title: string;
  error?: Error | null;
  /** something from before is still shown */
  hasData?: boolean;
  onRetry?: () => void;
  /** text and forms are not wider than this */
  maxWidth?: number;
  children: ReactNode;
};

/** What the parts of the place People have in common: the time bar, the way to the others, and what went wrong. */
export function PeopleFrame({ title, error, hasData = false, onRetry = () => undefined, maxWidth, children }: Props) {
  useEffect(() => {
    document.title = `${title} · Top Lens`;
  }, [title]);
  return (
    <ScrollView style={styles.fill} contentContainerStyle={styles.content} keyboardShouldPersistTaps="handled">
      <TimeBar />
      <PeopleTabs />
      {error && <Trouble error={error} still={hasData ? 'What you see is from before.' : ''} onRetry={onRetry} />}
      <View style={[styles.page, { maxWidth }]}>{children}</View>
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  fill: { flex: 1 },
  content: { paddingBottom: SPACE.xl },
  page: { padding: SPACE.l, gap: SPACE.s },
});
