import { OUTCOME_WORDS as WORDS_OF_ATTEMPTS } from '@toplens/core/flows';
import { Defs, Line, Pattern, Rect } from 'react-native-svg';
import type { Palette } from '@/look/tokens';

export const OUTCOME_ORDER = ['onTime', 'late', 'hung', 'failed', 'missing'] as const;
export type OutcomeName = (typeof OUTCOME_ORDER)[number];

export const OUTCOME_WORDS: Record<OutcomeName, string> = {
  ...WORDS_OF_ATTEMPTS,
  missing: 'never came',
};

/** Fill of an outcome, the same in every chart: outline, light tone, hatch, solid; dotted for who never came. */
export function fillOf(outcome: OutcomeName, palette: Palette, id: string): string {
  switch (outcome) {
    case 'onTime':
      return palette.surface;
    case 'late':
      return palette.harm[1];
    case 'hung':
      return `url(#${id}-hatch)`;
    case 'failed':
      return palette.harm[3];
    case 'missing':
      return `url(#${id}-dots)`;
  }
}

/** Patterns that `fillOf` names; ids are per drawing, since a page holds many. */
export function OutcomePatterns({ id, palette }: { id: string; palette: Palette }) {
  return (
    <Defs>
      <Pattern id={`${id}-hatch`} width={5} height={5} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <Rect width={5} height={5} fill={palette.surface} />
        <Line x1={1.5} y1={0} x2={1.5} y2={5} stroke={palette.harm[2]} strokeWidth={2.5} />
      </Pattern>
      <Pattern id={`${id}-dots`} width={4} height={4} patternUnits="userSpaceOnUse">
        <Rect width={4} height={4} fill={palette.surface} />
        <Rect x={1} y={1} width={2} height={2} fill={palette.harm[3]} />
      </Pattern>
    </Defs>
  );
}
