import { useEffect, type ReactNode } from 'react';
import { ScrollView, StyleSheet } from 'react-native';
import { Button } from 'react-native-paper';
import { SPACE } from '@/look/tokens';
import { useShortcuts } from './shortcuts';
import { TimeBar } from './time-bar';
import { Trouble } from './trouble';
import { useView } from './view';

export type Props = {
  /** what the page is about, for the browser's tab; left out while it is not known */
  title: string | undefined;
  error: Error | null;
  /** something from before is still shown */
  hasData: boolean;
  onRetry: () => void;
  children: ReactNode;
};

/** A page that was opened from a place: the time bar, the way back by button and Escape, and what went wrong. */
export function InnerPage({ title, error, hasData, onRetry, children }: Props) {
  const { back } = useView();
  useShortcuts({ Escape: back });
  useEffect(() => {
    document.title = title === undefined ? 'Top Lens' : `${title} · Top Lens`;
  }, [title]);
  return (
    <ScrollView style={styles.fill} contentContainerStyle={styles.content}>
      <TimeBar />
      <Button icon="arrow-left" onPress={back} style={styles.back}>
        Back
      </Button>
      {error && <Trouble error={error} still={hasData ? 'What you see is from before.' : ''} onRetry={onRetry} />}
      {children}
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  fill: { flex: 1 },
  content: { paddingBottom: SPACE.xl },
  back: { alignSelf: 'flex-start', marginLeft: SPACE.xs },
});
