import Svg, { Rect } from 'react-native-svg';
import { usePalette } from '@/look/look';

const HEIGHT = 14;
/** Room above what is highest, so that nothing ends at the edge. */
const AIR = 1.12;

/** Where a value and its expected range lie on a scale from nought. */
export function rangeShape(
  { value, low, high }: { value: number; low: number | null; high: number | null },
  width: number,
): { band: { x: number; width: number } | undefined; at: number } {
  const most = Math.max(value, high ?? 0, 1e-9) * AIR;
  const x = (some: number) => (Math.max(0, some) / most) * width;
  return {
    band: low === null || high === null ? undefined : { x: x(low), width: Math.max(1, x(high) - x(low)) },
    at: x(value),
  };
}

export type Props = { value: number; low: number | null; high: number | null; isOff: boolean; width: number };

/** A value as a mark over its expected range; the words beside it say the same. */
export function RangeBar({ isOff, width, ...figure }: Props) {
  const palette = usePalette();
  const { band, at } = rangeShape(figure, width);
  return (
    <Svg width={width} height={HEIGHT} aria-hidden>
      <Rect x={0} y={HEIGHT - 1} width={width} height={1} fill={palette.hairline} />
      {band && <Rect x={band.x} y={2} width={band.width} height={HEIGHT - 4} fill={palette.band} />}
      <Rect x={at - 1.5} y={0} width={3} height={HEIGHT} fill={isOff ? palette.harm[3] : palette.ink} />
    </Svg>
  );
}
