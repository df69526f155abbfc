import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

/** Something that is done unless it is taken back. */
export interface Undoable {
  /** of what, to tell whether it waits */
  id: number;
  /** "Sending to Payments" */
  words: string;
  run: () => void;
}

/** So long it can be taken back. Long enough to read two lines and to reach the button (common practice, no source). */
export const UNDO_MS = 7_000;

/**
 * Holds back what was asked for, so that it can be taken back as if it had never been. It is done when its time is over,
 * when something else is asked for, and when the page is left.
 */
export function useUndoable() {
  const [waiting, setWaiting] = useState<Undoable>();
  const latest = useRef<Undoable>(undefined);
  const settle = () => {
    const due = latest.current;
    latest.current = undefined;
    setWaiting(undefined);
    due?.run();
  };
  const settling = useRef(settle);
  useEffect(() => {
    settling.current = settle;
  });
  useEffect(() => {
    if (!waiting) return undefined;
    const timer = setTimeout(() => settling.current(), UNDO_MS);
    return () => clearTimeout(timer);
  }, [waiting]);
  useEffect(() => {
    const leave = () => settling.current();
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      leave();
    };
  }, []);
  return {
    waiting,
    ask: (one: Undoable) => {
      settle();
      latest.current = one;
      setWaiting(one);
    },
    undo: () => {
      latest.current = undefined;
      setWaiting(undefined);
    },
  };
}

/** Says what is about to be done, and takes it back. */
export function UndoBar({ waiting, undo }: Pick<ReturnType<typeof useUndoable>, 'waiting' | 'undo'>) {
  const palette = usePalette();
  return (
    <View role="status" style={styles.place}>
      {waiting && (
        <View style={[styles.bar, { backgroundColor: palette.surface, borderColor: palette.action }]} testID="undo-bar">
          <Words style={styles.words} numberOfLines={2}>
            {waiting.words}
          </Words>
          <Button icon="undo" onPress={undo} testID="undo">
            Undo
          </Button>
        </View>
      )}
    </View>
  );
}

/** Above the places of a phone. */
const ABOVE = 72;

const styles = StyleSheet.create({
  place: {
    position: 'fixed' as 'absolute',
    bottom: ABOVE,
    left: 0,
    right: 0,
    alignItems: 'center',
    pointerEvents: 'box-none',
  },
  bar: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    width: '92%',
    maxWidth: 520,
    borderWidth: 1,
    borderRadius: 6,
    paddingLeft: SPACE.m,
    paddingVertical: SPACE.xs,
  },
  words: { flex: 1, minWidth: 0 },
});
