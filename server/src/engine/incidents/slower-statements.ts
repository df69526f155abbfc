import { mean } from '@toplens/core/stats';
import { slowerStatements, slowerWords, type StatementSample } from '@toplens/core/statements';
import type { Window } from '@toplens/core/time';
import type { SlowerStatementsShape } from '../../contract/incidents';
import { statementsIn } from '../../store/traces';
import { rootOf } from '../harm/describe';
import { fairSample } from '../reading/fair-sample';
import type { EngineState } from '../state/engine-state';
import { PerVersion } from '../state/per-version';
import { scopeOf } from './incident-scope';

/** Attempts on each side. */
const SAMPLE = 150;
const MOST = 3;

const made = new PerVersion<SlowerStatementsShape>(30);

/**
 * Statements that explain why an incident's attempts take longer than in the hours before; null when there is no such
 * incident.
 */
export async function incidentStatements(
  state: EngineState,
  { id }: { id: number },
): Promise<SlowerStatementsShape | null> {
  const incident = state.register.get(id);
  if (!incident || incident.withdrawn) return null;
  return made.get(state, String(id), async () => {
    const { flow, signal } = rootOf(incident);
    if (signal !== 'slow') return { attempts: 0, usualAttempts: 0, statements: [] };
    const { now, before } = await scopeOf(state, incident);
    const [after, usual] = [await sampleOf(state, flow, now), await sampleOf(state, flow, before)];
    return {
      attempts: after.attempts,
      usualAttempts: usual.attempts,
      statements: slowerStatements(after, usual, MOST).map((one) => ({ ...one, words: slowerWords(one) })),
    };
  });
}

async function sampleOf(state: EngineState, flow: number, window: Window): Promise<StatementSample> {
  const sample = await fairSample(state, { flow, window, most: SAMPLE }, () => true);
  const rows = await statementsIn(
    state.database,
    sample.map(({ traceId }) => traceId),
  );
  return {
    attempts: sample.length,
    meanMs: sample.length === 0 ? 0 : mean(sample.map(({ durationMs }) => durationMs)),
    statements: rows.map(({ traceIds, ...row }) => ({ ...row, attempts: traceIds.length })),
  };
}
