import { useId, useState } from 'react';
import { View } from 'react-native';
import Svg, { Rect } from 'react-native-svg';
import { usePalette } from '@/look/look';
import { fillOf, OUTCOME_ORDER, OUTCOME_WORDS, OutcomePatterns, type OutcomeName } from './patterns';

export type Props = {
  /** attempts by what became of them */
  counts: Record<OutcomeName, number>;
};

const HEIGHT = 9;

const NARROWEST = 2;

/** Where each outcome begins and how wide it is; a share above nothing is never narrower than can be seen. */
export function stripParts(
  counts: Record<OutcomeName, number>,
  fullWidth: number,
): { outcome: OutcomeName; x: number; width: number }[] {
  const total = OUTCOME_ORDER.reduce((sum, outcome) => sum + counts[outcome], 0);
  if (total === 0) return [];
  const widths = OUTCOME_ORDER.map((outcome) =>
    counts[outcome] === 0 ? 0 : Math.max(NARROWEST, (counts[outcome] / total) * fullWidth),
  );
  const scale = fullWidth / widths.reduce((sum, width) => sum + width, 0);
  let x = 0;
  return OUTCOME_ORDER.flatMap((outcome, i) => {
    const width = (widths[i] as number) * scale;
    const part = { outcome, x, width };
    x += width;
    return width > 0 ? [part] : [];
  });
}

/** A thin 100 % bar of what became of the attempts. */
export function HarmStrip({ counts }: Props) {
  const palette = usePalette();
  const id = useId();
  const [width, setWidth] = useState(320);
  const total = OUTCOME_ORDER.reduce((sum, outcome) => sum + counts[outcome], 0);
  const label = OUTCOME_ORDER.filter((outcome) => counts[outcome] > 0)
    .map((outcome) => `${counts[outcome]} ${OUTCOME_WORDS[outcome]}`)
    .join(', ');
  return (
    <View
      role="img"
      aria-label={total > 0 ? `Of ${total} attempts ${label}` : 'No attempts'}
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
    >
      <Svg width={width} height={HEIGHT}>
        <OutcomePatterns id={id} palette={palette} />
        {stripParts(counts, width).map(({ outcome, x, width: partWidth }) => (
          <Rect key={outcome} x={x} y={0} width={partWidth} height={HEIGHT} fill={fillOf(outcome, palette, id)} />
        ))}
        <Rect
          x={0.5}
          y={0.5}
          width={Math.max(0, width - 1)}
          height={HEIGHT - 1}
          fill="none"
          stroke={palette.hairline}
        />
      </Svg>
    </View>
  );
}
