import { useRef, useState, type ReactNode } from 'react';
import { StyleSheet, View, type GestureResponderEvent } from 'react-native';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

/** What a swipe does; left out where it would do nothing. */
export interface SwipeAction {
  /** what comes in sight behind the row */
  words: string;
  act: () => void;
}

export type Props = {
  /** the row is pushed to the right, or to the left */
  right?: SwipeAction | undefined;
  left?: SwipeAction | undefined;
  children: ReactNode;
};

/** So far a finger moves before it is a swipe and no tap, and clearly more across than along. */
const BEGINS = 14;
/** From here on letting go acts. */
const ACTS = 110;

export type Side = 'right' | 'left';

/** What letting go would do, this far from where the finger began. */
export const sideOf = (dx: number, { right, left }: Pick<Props, 'right' | 'left'>): Side | undefined =>
  dx >= ACTS && right ? 'right' : dx <= -ACTS && left ? 'left' : undefined;

/**
 * A row that is pushed aside with a thumb; short of half its way it slips back. Whatever it does can be done by a button
 * elsewhere as well (WCAG 2.2, 2.5.7).
 */
export function SwipeRow({ right, left, children }: Props) {
  const palette = usePalette();
  const [dx, setDx] = useState(0);
  const began = useRef({ x: 0, y: 0 });
  const movedBy = ({ nativeEvent: { pageX, pageY } }: GestureResponderEvent) => ({
    across: pageX - began.current.x,
    along: pageY - began.current.y,
  });
  const handlers = {
    onStartShouldSetResponderCapture: ({ nativeEvent: { pageX, pageY } }: GestureResponderEvent) => {
      began.current = { x: pageX, y: pageY };
      return false;
    },
    onMoveShouldSetResponderCapture: (event: GestureResponderEvent) => {
      const { across, along } = movedBy(event);
      return Math.abs(across) > BEGINS && Math.abs(across) > 2 * Math.abs(along);
    },
    onResponderMove: (event: GestureResponderEvent) => {
      const { across } = movedBy(event);
      setDx((across > 0 ? right : left) ? across : 0);
    },
    onResponderRelease: (event: GestureResponderEvent) => {
      const side = sideOf(movedBy(event).across, { right, left });
      setDx(0);
      if (side) ({ right, left })[side]?.act();
    },
    onResponderTerminate: () => setDx(0),
    onResponderTerminationRequest: () => false,
  };
  if (!right && !left) return <>{children}</>;
  const shown = dx > 0 ? right : dx < 0 ? left : undefined;
  const isOn = sideOf(dx, { right, left }) !== undefined;
  return (
    <View style={styles.room}>
      {shown && (
        <View
          aria-hidden
          style={[
            styles.behind,
            dx > 0 ? styles.start : styles.end,
            { backgroundColor: isOn ? palette.action : palette.band },
          ]}
        >
          <Words kind="strong" style={{ color: isOn ? palette.onAction : palette.ink }}>
            {shown.words}
          </Words>
        </View>
      )}
      <View
        {...handlers}
        style={[{ backgroundColor: palette.paper, transform: [{ translateX: dx }] }, ALONG_ONLY]}
        testID="swipe-row"
      >
        {children}
      </View>
    </View>
  );
}

/** Across is the row's, along is the page's. */
const ALONG_ONLY = { touchAction: 'pan-y' } as object;

const styles = StyleSheet.create({
  room: { overflow: 'hidden' },
  behind: { ...StyleSheet.absoluteFill, justifyContent: 'center', paddingHorizontal: SPACE.l },
  start: { alignItems: 'flex-start' },
  end: { alignItems: 'flex-end' },
});
