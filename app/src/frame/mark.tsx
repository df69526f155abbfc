import { View } from 'react-native';
import Svg, { Circle, Rect } from 'react-native-svg';
import { usePalette } from '@/look/look';

/** The sign of Top Lens: a lens over a list, its first line the heaviest. */
export function Mark() {
  const palette = usePalette();
  return (
    <View role="img" aria-label="Top Lens">
      <Svg width={30} height={30} viewBox="0 0 28 28">
        <Circle cx={14} cy={14} r={12.6} fill="none" stroke={palette.ink} strokeWidth={2} />
        <Rect x={7} y={8} width={13} height={3.2} fill={palette.harm[3]} />
        <Rect x={7} y={12.8} width={9} height={3.2} fill={palette.harm[2]} />
        <Rect x={7} y={17.6} width={5.5} height={3.2} fill={palette.harm[1]} />
      </Svg>
    </View>
  );
}
