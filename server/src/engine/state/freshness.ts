import { BUCKET_MS } from '@toplens/core/flows';
import { floorTo, HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import type { FreshnessShape } from '../../contract/common';
import { threadMemory, type ThreadMemory } from '../../threads/thread-memory';

import type { FlowCount } from './questions';
import type { World } from './world';

const SILENT_AFTER_MS = 5 * MINUTE_MS;

/** How fresh the data is, and which applications are silent for longer than usual: silence is never calm. */
export function freshness(world: World): FreshnessShape {
  const silent: FreshnessShape['silent'] = [];
  for (const application of world.names.applications) {
    const flows = world.names.flows.filter((flow) => flow.application === application && flow.kind === 'work');
    const lastMs = Math.max(0, ...flows.map((flow) => lastBucket(world, flow.id)));
    if (lastMs > 0 && world.judgedMs - lastMs > SILENT_AFTER_MS) silent.push({ application, sinceMs: lastMs });
  }
  return { watermarkMs: world.watermarkMs || null, judgedMs: world.judgedMs || null, silent };
}

function lastBucket(world: World, flow: number): number {
  for (let at = floorTo(world.judgedMs, BUCKET_MS); at > world.judgedMs - 24 * HOUR_MS; at -= BUCKET_MS)
    if (world.history.bucket(flow, at)) return at + BUCKET_MS;
  return 0;
}

export function figures(world: World, { lastPassMs, passBeganMs }: Pick<EngineFigures, 'lastPassMs' | 'passBeganMs'>): EngineFigures {
  return {
    flows: world.names.flows.length,
    hoursInMemory: world.hours.inMemory,
    incidents: world.register.all.length,
    lastPassMs,
    passBeganMs,
    dueFromMs: world.dueFromMs,
    watermarkMs: world.watermarkMs,
    judgedMs: world.judgedMs,
    memory: threadMemory(),
  };
}

export async function flowCounts(world: World): Promise<FlowCount[]> {
  const rows = await world.database.query<{ flow: number; attempts: number; failed: number; mean: number }>(
    'SELECT flow, count(*)::int AS attempts, (count(*) FILTER (WHERE flags & 1 = 1))::int AS failed, (avg(duration_us) / 1000)::float8 AS mean FROM attempt GROUP BY flow ORDER BY flow',
  );
  await world.names.refresh();
  return rows.map(({ flow, attempts, failed, mean }) => {
    const { application, name, technicalName } = world.names.flow(flow);
    return { application, name, technicalName, attempts, failed, meanMs: mean };
  });
}

export interface EngineFigures {
  flows: number;
  hoursInMemory: number;
  incidents: number;
  lastPassMs: number;
  /** when the pass that is under way began, milliseconds since the epoch; 0 when none is */
  passBeganMs: number;
  /** from where old stretches are still to be judged anew; `undefined` when none are */
  dueFromMs: number | undefined;
  watermarkMs: number;
  judgedMs: number;
  memory: ThreadMemory;
}
