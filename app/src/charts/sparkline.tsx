import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { usePalette } from '@/look/look';
import { bandShape, type BandSeries } from './band-shape';
import { Upright } from './plot';

const WIDTH = 70;
const HEIGHT = 26;

type Props = {
  series: BandSeries;
  marks?: readonly { atMs: number; words: string }[];
};

/**
 * The line of a row over its usual range, beside words and numbers that say the same, and what was changed meanwhile,
 * which they do not say.
 */
export function Sparkline({ series, marks = [] }: Props) {
  const palette = usePalette();
  const shape = bandShape(series, WIDTH, HEIGHT);
  const changed = marks.map(({ words }) => words).join('; ');
  return (
    <View
      {...(changed === '' ? { 'aria-hidden': true } : { role: 'img', 'aria-label': `Changed: ${changed}` })}
      style={{ width: WIDTH, height: HEIGHT }}
    >
      <Svg width={WIDTH} height={HEIGHT}>
        <Path d={shape.band} fill={palette.band} />
        <Path d={shape.outside} fill={palette.harm[1]} />
        {marks.map(({ atMs, words }) => (
          <Upright
            key={`${atMs} ${words}`}
            x={shape.x(atMs)}
            height={HEIGHT}
            stroke={palette.muted}
            strokeDasharray="2 2"
          />
        ))}
        <Path d={shape.line} fill="none" stroke={palette.ink} strokeWidth={1.3} />
      </Svg>
    </View>
  );
}
