import { sum } from '@toplens/core/stats';
import type { Window } from '@toplens/core/time';
import type { StatementShape } from '../../contract/flows';
import { statementsIn } from '../../store/traces';
import { narrowedSample } from './fair-sample';
import { type Focus } from '../state/questions';
import type { EngineState } from '../state/engine-state';

const SAMPLE = 200;
const MOST = 8;

/**
 * What a flow's attempts ask of stores, by the shape of the statement, heaviest first; from a fair sample of its
 * traces.
 */
export async function flowStatements(
  state: EngineState,
  flow: number,
  window: Window,
  focus: Focus,
): Promise<{ attempts: number; statements: StatementShape[] }> {
  const sample = await narrowedSample(state, { flow, window, most: SAMPLE }, focus);
  const rows = await statementsIn(
    state.database,
    sample.map(({ traceId }) => traceId),
  );
  const told = new Set(rows.flatMap(({ traceIds }) => traceIds));
  const attempts = sample.filter(({ traceId }) => told.has(traceId));
  const wholeMs = sum(attempts.map(({ durationMs }) => durationMs));
  return {
    attempts: attempts.length,
    statements: rows.slice(0, MOST).map(({ traceIds, ...row }) => ({
      ...row,
      shareOfTime: wholeMs > 0 ? row.totalMs / wholeMs : 0,
      callsAnAttempt: attempts.length > 0 ? row.calls / attempts.length : 0,
      shareOfAttempts: attempts.length > 0 ? traceIds.length / attempts.length : 0,
    })),
  };
}
