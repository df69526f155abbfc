import { durationWords, percent, times } from '../../words';
import type { Contrast } from './contrast';
import type { HitSegment } from './most-hit';

/**
 * What a value stands out by, in words.
 *
 * @example hitWords(...) // '92 % of what went wrong, 8 % of all: 12× as often as elsewhere'
 */
export function hitWords({ by, shareOfBad, shareOfAll, relativeRisk, waited, left }: HitSegment): string {
  const parts = by.map((measure) => {
    if (measure === 'waited') return waited && waitedWords(waited);
    if (measure === 'left') return left && leftWords(left);
    const often = Number.isFinite(relativeRisk) ? `${times(relativeRisk)} as often as elsewhere` : 'nowhere else';
    return `${percent(shareOfBad)} of what went wrong, ${percent(shareOfAll)} of all: ${often}`;
  });
  return parts.filter(Boolean).join('; ');
}

/** "waits 4.2 s longer than usual, elsewhere 2.8 s" */
export const waitedWords = ({ here, elsewhere }: Pick<Contrast, 'here' | 'elsewhere'>): string =>
  `${waitWords(here)}, elsewhere ${elsewhere > 0 ? durationWords(elsewhere) : 'as usual'}`;

const waitWords = (ms: number) =>
  ms > 0 ? `waits ${durationWords(ms)} longer than usual` : 'waits no longer than usual';

/** "18 % more leave than usual, elsewhere 6 %" */
export const leftWords = ({ here, elsewhere }: Pick<Contrast, 'here' | 'elsewhere'>): string =>
  `${here > 0 ? `${percent(here)} more leave than usual` : 'no more leave than usual'}, elsewhere ${elsewhere > 0 ? percent(elsewhere) : 'no more'}`;
