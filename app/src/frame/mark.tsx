import { View } from 'react-native';
import Svg, { Circle, Line, Path, Rect } from 'react-native-svg';
import { usePalette } from '@/look/look';

/** Lines of the receipt: where its dotted leader ends, and how heavy its sum is. */
const LINES = [
  { y: 9, from: 13.4, harm: 3 },
  { y: 13.4, from: 15.4, harm: 2 },
  { y: 17.8, from: 17.4, harm: 1 },
] as const;
const RIGHT = 19.8;

/** The sign of Top Lens: a lens over a receipt, whose first line is the heaviest. */
export function Mark() {
  const palette = usePalette();
  return (
    <View role="img" aria-label="Top Lens">
      <Svg width={30} height={30} viewBox="0 0 28 28">
        <Circle cx={14} cy={14} r={12.6} fill="none" stroke={palette.ink} strokeWidth={1.6} />
        <Path
          d="M6.2 5.2h15.6v16.2l-2.6-1.7-2.6 1.7-2.6-1.7-2.6 1.7-2.6-1.7-2.6 1.7z"
          fill={palette.surface}
          stroke={palette.ink}
          strokeWidth={1.1}
          strokeLinejoin="round"
        />
        {LINES.map(({ y, from }) => (
          <Line
            key={`leader-${y}`}
            x1={8.4}
            x2={from - 1}
            y1={y + 0.6}
            y2={y + 0.6}
            stroke={palette.muted}
            strokeWidth={1}
            strokeDasharray="1 1.3"
          />
        ))}
        {LINES.map(({ y, from, harm }) => (
          <Rect key={`sum-${y}`} x={from} y={y - 1} width={RIGHT - from} height={2.6} fill={palette.harm[harm]} />
        ))}
      </Svg>
    </View>
  );
}
