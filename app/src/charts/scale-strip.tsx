import Svg, { Line, Rect } from 'react-native-svg';
import { usePalette } from '@/look/look';

export type Props = {
  /** 0 to 1; 0.5 is the norm */
  score: number;
  /** half of its spread on the scale */
  spread: number;
  isOff: boolean;
  width: number;
};

const HEIGHT = 18;

/** A group on the one scale: where it lies, how widely, and the norm in the middle; the words beside it say the same. */
export function ScaleStrip({ score, spread, isOff, width }: Props) {
  const palette = usePalette();
  const at = (value: number) => Math.min(1, Math.max(0, value)) * width;
  return (
    <Svg width={width} height={HEIGHT} aria-hidden>
      <Rect x={0} y={HEIGHT / 2 - 1} width={width} height={2} fill={palette.hairline} />
      <Rect
        x={at(score - spread)}
        y={HEIGHT / 2 - 3}
        width={Math.max(1, at(score + spread) - at(score - spread))}
        height={6}
        fill={isOff ? palette.harm[0] : palette.hairline}
      />
      <Line x1={width / 2} x2={width / 2} y1={0} y2={HEIGHT} stroke={palette.muted} />
      <Rect x={at(score) - 2} y={2} width={4} height={HEIGHT - 4} fill={isOff ? palette.harm[2] : palette.ink} />
    </Svg>
  );
}
