import Svg, { Line, Rect } from 'react-native-svg';
import { usePalette } from '@/look/look';

export type Props = {
  /** how much likelier than for the rest; 1 is the same, undefined: nowhere else */
  ratio: number | undefined;
  width: number;
};

const HEIGHT = 16;
/** From here on a bar is full. */
const MOST = 16;

/** Where the middle is "same as everyone": right of it is likelier, left of it less likely, on a log scale. */
export function leaning(ratio: number | undefined, width: number): { x: number; width: number; middle: number } {
  const middle = width * 0.25;
  const log = Math.log(Math.min(MOST, Math.max(1 / MOST, ratio ?? MOST))) / Math.log(MOST);
  const length = log >= 0 ? log * (width - middle) : -log * middle;
  return { x: log >= 0 ? middle : middle - length, width: length, middle };
}

/** A bar that leans away from "same as everyone"; decoration beside the words that say the same. */
export function LeaningBar({ ratio, width }: Props) {
  const palette = usePalette();
  const bar = leaning(ratio, width);
  return (
    <Svg width={width} height={HEIGHT} aria-hidden>
      <Rect
        x={bar.x}
        y={2}
        width={Math.max(1, bar.width)}
        height={HEIGHT - 4}
        fill={(ratio ?? MOST) >= 1 ? palette.harm[2] : palette.harm[0]}
      />
      <Line x1={bar.middle} x2={bar.middle} y1={0} y2={HEIGHT} stroke={palette.ink} />
    </Svg>
  );
}
