import { useId, useState } from 'react';
import { View } from 'react-native';
import Svg, { Defs, Pattern, Circle, Rect } from 'react-native-svg';
import { usePalette } from '@/look/look';

export type Props = {
  /** of the widest bar of the drawing */
  most: number;
  wentOn: number;
  /** because of trouble, beyond the usual */
  beyondUsual: number;
  asUsual: number;
  undecided: number;
  /** the whole in words, for those who do not see it */
  label: string;
};

const HEIGHT = 24;

/**
 * A step of a journey as wide as the people who came to it: on as a band, left because of trouble solid, as usual
 * dotted.
 */
export function StepBar({ most, wentOn, beyondUsual, asUsual, undecided, label }: Props) {
  const palette = usePalette();
  const id = useId();
  const [width, setWidth] = useState(320);
  const scale = most > 0 ? (width - 1) / most : 0;
  const parts = [
    { n: wentOn + undecided, fill: palette.band, stroke: palette.hairline },
    { n: beyondUsual, fill: palette.harm[3], stroke: palette.harm[3] },
    { n: asUsual, fill: `url(#${id})`, stroke: palette.muted },
  ];
  let x = 0.5;
  return (
    <View
      role="img"
      aria-label={label}
      onLayout={({ nativeEvent }) => setWidth(Math.max(120, nativeEvent.layout.width))}
    >
      <Svg width={width} height={HEIGHT}>
        <Defs>
          <Pattern id={id} width={5} height={5} patternUnits="userSpaceOnUse">
            <Circle cx={1.5} cy={1.5} r={0.9} fill={palette.muted} />
          </Pattern>
        </Defs>
        {parts.map(({ n, fill, stroke }, i) => {
          const wide = n * scale;
          const from = x;
          x += wide;
          return wide > 0 ? (
            <Rect
              key={i}
              x={from}
              y={0.5}
              width={Math.max(1, wide)}
              height={HEIGHT - 1}
              fill={fill}
              stroke={stroke}
              strokeWidth={0.8}
            />
          ) : null;
        })}
      </Svg>
    </View>
  );
}
