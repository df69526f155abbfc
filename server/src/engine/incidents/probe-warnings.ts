import { isOff } from '@toplens/core/probes';
import { DAY_MS, type Window } from '@toplens/core/time';
import type { PartWarningShape } from '../../contract/infrastructure';
import { linesOf, worstFirst } from '../probes/probes';
import type { EngineState } from '../state/engine-state';

/** What is looked back for how a probe stands. */
const LOOK_MS = DAY_MS;

/** Probes that are off at the end of a window where people are not: who feels it already stands in the list. */
export async function probeWarnings(state: EngineState, { toMs }: Window): Promise<PartWarningShape[]> {
  if (state.settings.at().probes.length === 0) return [];
  const { lines } = await linesOf(state, { fromMs: toMs - LOOK_MS, toMs });
  return lines
    .filter(({ standing, agreement }) => isOff(standing) && agreement !== 'bothOff')
    .sort(worstFirst)
    .map(({ probe, site, words, whereWords, agreementWords, team, sinceMs }) => ({
      kind: 'probe' as const,
      flow: null,
      component: '',
      host: '',
      probe: { name: probe, site },
      team,
      sinceMs,
      title: `Probe ${probe}, from ${site}: ${words}`,
      mayBecome: `${whereWords.charAt(0).toUpperCase()}${whereWords.slice(1)}. ${agreementWords}`.trim(),
    }));
}
