import { Router } from 'express';
import type { Engine } from '../engine/engine';
import type { RunningConfig } from '../config';
import type { Intake } from '../intake/intake';
import { Health } from '../maintenance/health';
import { VERSION } from '../project-root';
import type { ServerStateShape } from '../contract/server';

/** How the server's parts are, for the screen; asks no other thread. */
export function serverStateRoutes({
  intake,
  engine,
  health,
  otlp,
  config: { publicUrl, roundUrl, demo, ingestKeys },
}: {
  intake: Intake;
  engine: Engine;
  health: Health;
  otlp: { ways: ServerStateShape['waysIn'] };
  config: Pick<RunningConfig, 'publicUrl' | 'roundUrl' | 'demo' | 'ingestKeys'>;
}): Router {
  const router = Router();
  router.get('/server-state', (_request, response) => {
    const parts = health.report;
    const { figures } = engine;
    response.json({
      state: Health.worst(parts),
      version: VERSION,
      nowMs: Date.now(),
      parts,
      judgedAgainFromMs: figures?.dueFromMs ?? null,
      judgedMs: figures?.judgedMs || null,
      gatheredNames: [...intake.names.gathered].map(([kind, names]) => ({ kind, names })),
      clocks: intake.clocks.list,
      currencies: intake.currencies.list,
      roundUrl: roundUrl || null,
      waysIn: [{ protocol: 'OTLP/HTTP', address: publicUrl, trouble: '' }, ...otlp.ways],
      keysNeeded: !demo,
      keyNames: [...ingestKeys.values()],
      senders: intake.senders.list,
      turnedAway: intake.senders.refusedRequests,
    } satisfies ServerStateShape);
  });
  return router;
}
