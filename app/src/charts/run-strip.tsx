import type { RunVerdict } from '@toplens/core/probes';
import { useId } from 'react';
import Svg, { Defs, Line, Pattern, Rect } from 'react-native-svg';
import { usePalette } from '@/look/look';

export type Props = {
  /** oldest first */
  runs: readonly RunVerdict[];
  /** the same in words */
  label: string;
};

const STEP = 7;
const HEIGHT = 20;
/** The worse a run, the taller it stands; of one that tells nothing only the frame is drawn. */
const TALL: Readonly<Record<RunVerdict, number>> = { good: 5, slow: 12, broken: HEIGHT, probeTrouble: 12 };

/** The last runs of a probe, one behind the other: how bad each was is told by height and tone. */
export function RunStrip({ runs, label }: Props) {
  const palette = usePalette();
  const id = useId();
  const fills: Readonly<Record<RunVerdict, string>> = {
    good: palette.band,
    slow: palette.harm[2],
    broken: palette.harm[3],
    probeTrouble: `url(#${id})`,
  };
  return (
    <Svg width={Math.max(1, runs.length) * STEP} height={HEIGHT} role="img" aria-label={label}>
      <Defs>
        <Pattern id={id} width={4} height={4} patternUnits="userSpaceOnUse">
          <Line x1={0} y1={4} x2={4} y2={0} stroke={palette.muted} strokeWidth={1} />
        </Pattern>
      </Defs>
      {runs.map((tone, i) => (
        <Rect
          key={i}
          x={i * STEP + 0.5}
          y={HEIGHT - TALL[tone] + 0.5}
          width={STEP - 2}
          height={TALL[tone] - 1}
          fill={fills[tone]}
          stroke={tone === 'good' || tone === 'probeTrouble' ? palette.muted : fills[tone]}
          strokeWidth={0.8}
        />
      ))}
    </Svg>
  );
}
