import { MINUTE_MS } from '@toplens/core/time';
import type { FreshnessShape } from '../../contract/common';
import { threadMemory, type ThreadMemory } from '../../threads/thread-memory';

import type { FlowCount } from './questions';
import type { EngineState } from './engine-state';

const SILENT_AFTER_MS = 5 * MINUTE_MS;

/** How fresh the data is, and which applications are silent for longer than usual: silence is never calm. */
export function freshness(state: EngineState): FreshnessShape {
  const silent: FreshnessShape['silent'] = [];
  for (const application of state.names.applications) {
    const flows = state.names.flows.filter((flow) => flow.application === application && flow.kind === 'work');
    const lastMs = Math.max(0, ...flows.map((flow) => state.history.lastMsOf(flow.id)));
    if (lastMs > 0 && state.judgedMs - lastMs > SILENT_AFTER_MS) silent.push({ application, sinceMs: lastMs });
  }
  return {
    watermarkMs: state.watermarkMs || null,
    judgedMs: state.judgedMs || null,
    silent,
    earlier: state.comingIn.earlier,
  };
}

export function figures(
  state: EngineState,
  cycle: Pick<EngineFigures, 'lastCycleMs' | 'cycleBeganMs' | 'cycleTrouble'>,
): EngineFigures {
  return {
    flows: state.names.flows.length,
    hoursInMemory: state.hours.inMemory,
    incidents: state.register.all.length,
    ...cycle,
    dueFromMs: state.dueFromMs,
    watermarkMs: state.watermarkMs,
    judgedMs: state.judgedMs,
    memory: threadMemory(),
  };
}

export async function flowCounts(state: EngineState): Promise<FlowCount[]> {
  const rows = await state.database.query<{ flow: number; attempts: number; failed: number; mean: number }>(
    'SELECT flow, count(*)::int AS attempts, (count(*) FILTER (WHERE flags & 1 = 1))::int AS failed, (avg(duration_us) / 1000)::float8 AS mean FROM attempt GROUP BY flow ORDER BY flow',
  );
  await state.names.refresh();
  return rows.map(({ flow, attempts, failed, mean }) => {
    const { application, name, technicalName } = state.names.flow(flow);
    return { application, name, technicalName, attempts, failed, meanMs: mean };
  });
}

export interface EngineFigures {
  flows: number;
  hoursInMemory: number;
  incidents: number;
  lastCycleMs: number;
  /** when the cycle that is under way began, milliseconds since the epoch; 0 when none is */
  cycleBeganMs: number;
  /** why the last one failed; '' when it did not */
  cycleTrouble: string;
  /** from where old stretches are still to be judged anew; `undefined` when none are */
  dueFromMs: number | undefined;
  watermarkMs: number;
  judgedMs: number;
  memory: ThreadMemory;
}
