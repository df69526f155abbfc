import { useId, useState } from 'react';
import { View } from 'react-native';
import Svg, { Defs, Line, Pattern, Rect } from 'react-native-svg';
import { usePalette } from '@/look/look';
import type { Palette } from '@/look/tokens';

export type Props = {
  /** milliseconds, one behind the other */
  parts: readonly number[];
  /** length of the whole width, milliseconds */
  mostMs: number;
  /** the same in words; left out when words stand beside it */
  label?: string;
  height?: number;
};

/** Tones of the parts in their order; neighbours differ in more than colour. */
const TONES = ['hatched', 'solid', 'light', 'dense', 'pale', 'outline'] as const;

/** Parts of a load one behind the other. */
export function PartsBar({ parts, mostMs, label, height = 14 }: Props) {
  const palette = usePalette();
  const id = useId();
  const [width, setWidth] = useState(200);
  const starts = parts.map((_, i) => parts.slice(0, i).reduce((sum, ms) => sum + ms, 0));
  const scale = width / Math.max(1, mostMs);
  return (
    <View
      onLayout={({ nativeEvent }) => setWidth(Math.max(60, nativeEvent.layout.width))}
      {...(label === undefined ? { 'aria-hidden': true } : { role: 'img', 'aria-label': label })}
    >
      <Svg width={width} height={height}>
        <PartTones id={id} palette={palette} />
        {parts.map((ms, i) => (
          <Rect
            key={i}
            x={(starts[i] as number) * scale}
            y={0.5}
            width={Math.max(0, ms * scale)}
            height={height - 1}
            {...fillOfPart(i, palette, id)}
          />
        ))}
      </Svg>
    </View>
  );
}

/** A swatch of one part, for legends. */
export function PartSwatch({ index }: { index: number }) {
  const palette = usePalette();
  const id = useId();
  return (
    <Svg width={16} height={12} aria-hidden>
      <PartTones id={id} palette={palette} />
      <Rect x={0.5} y={0.5} width={15} height={11} {...fillOfPart(index, palette, id)} />
    </Svg>
  );
}

export function fillOfPart(
  index: number,
  palette: Palette,
  id: string,
): { fill: string; stroke: string; strokeWidth: number } {
  const edge = { stroke: palette.action, strokeWidth: 0.8 };
  switch (TONES[index % TONES.length]) {
    case 'hatched':
      return { ...edge, fill: `url(#${id}-hatch)` };
    case 'solid':
      return { ...edge, fill: palette.action };
    case 'light':
      return { ...edge, fill: palette.band };
    case 'dense':
      return { ...edge, fill: `url(#${id}-dense)` };
    case 'pale':
      return { ...edge, fill: palette.hairline };
    default:
      return { ...edge, fill: palette.surface };
  }
}

export function PartTones({ id, palette }: { id: string; palette: Palette }) {
  return (
    <Defs>
      <Pattern id={`${id}-hatch`} width={4} height={4} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <Rect width={4} height={4} fill={palette.surface} />
        <Line x1={1} y1={0} x2={1} y2={4} stroke={palette.action} strokeWidth={1.4} />
      </Pattern>
      <Pattern id={`${id}-dense`} width={3} height={3} patternUnits="userSpaceOnUse">
        <Rect width={3} height={3} fill={palette.band} />
        <Rect width={1.6} height={1.6} fill={palette.action} />
      </Pattern>
    </Defs>
  );
}
