import { type OriginCandidate, type StoredIncident } from '@toplens/core/incidents';
import { percent } from '@toplens/core/words';
import type { Deviation } from '@toplens/core/normal';
import { originOf } from '../reading/origin';
import type { EngineState } from '../state/engine-state';

/** A candidate below this score is no ground for choosing a team. */
const LEAST_SCORE = 0.3;

/** The component that an incident comes from, as far as its traces tell: it decides who is asked first. */
export async function findComponent(
  state: EngineState,
  incident: StoredIncident,
): Promise<StoredIncident['component']> {
  const root = incident.parts.find((part) => part.signal !== 'missing');
  return root ? componentOf(state, root) : null;
}

export async function componentOf(state: EngineState, root: Deviation): Promise<StoredIncident['component']> {
  const origin = await originOf(state, root);
  const [first] = origin?.candidates ?? [];
  if (!origin || !first || first.score < LEAST_SCORE) return null;
  return { name: first.component, words: originWords(first, root.signal, origin.bad), share: first.score };
}

/** "holds 92 % of the added time in 60 attempts looked at" */
export function originWords(
  { reasons, failing }: OriginCandidate,
  signal: Deviation['signal'],
  attempts: number,
): string {
  if (signal === 'failing' && failing > 0)
    return `is the innermost component to fail in ${failing} of ${attempts} attempts looked at`;
  return `holds ${percent(reasons.time)} of the added time in ${attempts} attempts looked at`;
}
