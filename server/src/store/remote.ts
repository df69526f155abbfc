import type { Window } from '@toplens/core/time';
import { between } from './between';
import type { Database } from './database';
import { eachSelected, float, integer } from './selection';

/** How long the way took for a session in a step of time, by its median; names by their numbers. */
export interface RemoteStep {
  session: number;
  /** begin of the step */
  atMs: number;
  roundTripMs: number;
  client: number;
  site: number;
  server: number;
  centre: number;
}

/** Every session of a window, step by step. */
export async function remoteSteps(
  database: Database,
  window: Window,
  stepMs: number,
  see: (step: RemoteStep) => void,
): Promise<void> {
  const step = `(at_us / ${1000 * stepMs})`;
  await eachSelected(
    database,
    {
      session: integer('session'),
      atMs: float(`${step} * ${stepMs}::float8`),
      roundTripMs: float('percentile_cont(0.5) WITHIN GROUP (ORDER BY round_trip_ms)'),
      client: integer('max(client)'),
      site: integer('max(site)'),
      server: integer('max(server)'),
      centre: integer('max(centre)'),
    },
    `FROM remote_sample WHERE ${between('at_us', window)} GROUP BY session, ${step}`,
    (row) => see({ ...row }),
  );
}
