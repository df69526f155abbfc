import Svg, { Rect } from 'react-native-svg';
import { usePalette } from '@/look/look';

/** A square in a level of the harm ramp beside the words that say it; empty where there is none. */
export function ToneSquare({ tone }: { tone: 0 | 1 | 2 | 3 | undefined }) {
  const palette = usePalette();
  return (
    <Svg width={10} height={10} aria-hidden>
      <Rect
        width={10}
        height={10}
        fill={tone === undefined ? palette.surface : palette.harm[tone]}
        stroke={palette.muted}
      />
    </Svg>
  );
}
