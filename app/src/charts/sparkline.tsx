import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { usePalette } from '@/look/look';
import { bandShape, type BandSeries } from './band-shape';

const WIDTH = 70;
const HEIGHT = 26;

/** The line of a row over its usual range; decoration beside the words and numbers that say the same. */
export function Sparkline({ series }: { series: BandSeries }) {
  const palette = usePalette();
  const shape = bandShape(series, WIDTH, HEIGHT);
  return (
    <View aria-hidden style={{ width: WIDTH, height: HEIGHT }}>
      <Svg width={WIDTH} height={HEIGHT}>
        <Path d={shape.band} fill={palette.band} />
        <Path d={shape.outside} fill={palette.harm[1]} />
        <Path d={shape.line} fill="none" stroke={palette.ink} strokeWidth={1.3} />
      </Svg>
    </View>
  );
}
