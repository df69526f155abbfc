import { useState } from 'react';
import { StyleSheet, View, type GestureResponderEvent } from 'react-native';
import Svg, { Line, Rect } from 'react-native-svg';
import { usePalette } from '@/look/look';

export interface Picket {
  key: string;
  /** what it is and how it is, for those who do not see it */
  words: string;
  /** 1: as in its own usual; null: not known */
  height: number | null;
  /** 0 calm to 3 broken */
  level: 0 | 1 | 2 | 3;
  /** it did something and fell silent */
  isSilent: boolean;
  /** it changed suddenly */
  isCapped: boolean;
}

export type Props = {
  label: string;
  pickets: readonly Picket[];
  chosen: string | undefined;
  onChoose: (key: string) => void;
};

const HEIGHT = 46;
const USUAL = 18;
const WIDEST = 12;

/**
 * A picket's height in points: its usual in the middle of the scale, each doubling as much higher, each halving as much
 * lower.
 */
export const picketHeight = (ratio: number): number => Math.min(HEIGHT - 6, Math.max(3, USUAL + 10 * Math.log2(ratio)));

const STEPS: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowRight: 1, Home: -Infinity, End: Infinity };

/**
 * Many like things side by side, each as high as it is slow against its own usual; chosen with a finger, the pointer or
 * arrow keys.
 */
export function Pickets({ label, pickets, chosen, onChoose }: Props) {
  const palette = usePalette();
  const [width, setWidth] = useState(300);
  const step = Math.min(WIDEST, width / Math.max(1, pickets.length));
  const at = pickets.findIndex(({ key }) => key === chosen);
  const choose = (i: number) => {
    const picket = pickets[Math.min(pickets.length - 1, Math.max(0, i))];
    if (picket) onChoose(picket.key);
  };
  const keys = {
    onKeyDown: (event: KeyboardEvent) => {
      const by = STEPS[event.key];
      if (by === undefined) return;
      event.preventDefault();
      choose(at < 0 ? 0 : at + by);
    },
  };
  const press = {
    onStartShouldSetResponder: () => true,
    onResponderRelease: ({ nativeEvent }: GestureResponderEvent) => choose(Math.floor(nativeEvent.locationX / step)),
  };
  return (
    <View
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={1}
      aria-valuemax={pickets.length}
      aria-valuenow={at < 0 ? 1 : at + 1}
      aria-valuetext={at < 0 ? 'none chosen' : (pickets[at]?.words ?? '')}
      onLayout={({ nativeEvent }) => setWidth(Math.max(80, nativeEvent.layout.width))}
      {...press}
      {...(keys as object)}
    >
      <Svg width={width} height={HEIGHT} style={styles.still} aria-hidden>
        {pickets.map(({ key, height, level, isSilent, isCapped }, i) => {
          const x = i * step;
          const wide = Math.max(1, step - Math.min(2, step * 0.3));
          const high = isSilent ? USUAL : height === null ? 3 : picketHeight(height);
          return [
            key === chosen && (
              <Rect
                key={`${key}-chosen`}
                x={x - 1}
                y={0}
                width={wide + 2}
                height={HEIGHT}
                fill={palette.action}
                fillOpacity={0.2}
              />
            ),
            <Rect
              key={key}
              x={x + (isSilent ? 0.5 : 0)}
              y={HEIGHT - 1 - high}
              width={wide - (isSilent ? 1 : 0)}
              height={high}
              fill={isSilent ? 'none' : level === 0 ? palette.muted : palette.harm[level]}
              fillOpacity={level === 0 ? 0.45 : 1}
              {...(isSilent && { stroke: palette.harm[3], strokeDasharray: '2 2' })}
            />,
            isCapped && (
              <Rect
                key={`${key}-cap`}
                x={x}
                y={Math.max(0, HEIGHT - high - 5)}
                width={wide}
                height={2}
                fill={palette.ink}
              />
            ),
          ];
        })}
        <Line x1={0} x2={width} y1={HEIGHT - 0.5} y2={HEIGHT - 0.5} stroke={palette.muted} />
      </Svg>
    </View>
  );
}

const styles = StyleSheet.create({ still: { pointerEvents: 'none' } });
