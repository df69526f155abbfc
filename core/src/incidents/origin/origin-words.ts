import { MINUTE_MS } from '../../time';
import type { OriginCandidate, Origin, ComponentChange } from './origin';
import { CALLED_LAST } from './origin-profiles';
import { percent } from '../../words';

/** What speaks for a candidate, each with its number, weightiest first. */
export function originReasons(candidate: OriginCandidate, { bad }: Pick<Origin, 'bad'>, onsetMs: number): string[] {
  const { reasons, usualUs, nowUs, failing, change, isSilent } = candidate;
  const told: string[] = [];
  if (failing > 0) told.push(`is the innermost component to fail in ${failing} of ${bad} attempts`);
  else if (reasons.failures > 0.05)
    told.push(
      `was called last before the failure in ${percent(Math.min(1, reasons.failures / CALLED_LAST))} of the attempts`,
    );
  if (reasons.time >= 0.05)
    told.push(
      `holds ${percent(reasons.time)} of the added time: ${timeWords(usualUs)} usually, ${timeWords(nowUs)} now`,
    );
  if (change) told.push(changeWords(change, onsetMs));
  if (reasons.early > 0.8) told.push('first to leave its normal range');
  if (isSilent) told.push('sends no spans of its own: this is what its callers saw');
  return told;
}

/** "slots 4.18.0 released 3 min before it began" */
export const changeWords = ({ words, atMs }: ComponentChange, onsetMs: number): string =>
  `${words} ${minutesWords(onsetMs - atMs)}`;

const timeWords = (us: number) => (us < 1_000_000 ? `${Math.round(us / 1000)} ms` : `${(us / 1_000_000).toFixed(1)} s`);

const minutesWords = (ms: number) => {
  const minutes = Math.round(Math.abs(ms) / MINUTE_MS);
  return minutes === 0 ? 'as it began' : `${minutes} min ${ms > 0 ? 'before' : 'after'} it began`;
};
