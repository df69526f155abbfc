import { Router } from 'express';
import type { Engine } from '../engine/engine';
import type { Intake } from '../intake/intake';
import type { HealthShape } from '../contract/server';
import { Health } from '../maintenance/health';
import { VERSION } from '../project-root';

export interface HealthDeps {
  intake: Intake;
  engine: Engine;
  health: Health;
}

/**
 * `/livez`: the process answers. `/healthz` and `/readyz`: it takes telemetry and answers questions; 503 when it does
 * not, with each part and why. None of them waits for another thread.
 */
export function healthRoutes({ intake, engine, health }: HealthDeps): Router {
  const router = Router();
  router.get('/livez', (_request, response) => {
    response.json({ status: 'ok' });
  });
  router.get(['/healthz', '/readyz'], (_request, response) => {
    const parts = health.report;
    const worst = Health.worst(parts);
    const { watermarkMs = 0, judgedMs = 0 } = engine.figures ?? {};
    if (worst === 'down') response.status(503).setHeader('retry-after', '5');
    const answer: HealthShape = {
      status: worst,
      version: VERSION,
      parts,
      watermarkMs,
      judgedMs,
      backlogRecords: intake.figures.backlogRecords,
    };
    response.json(answer);
  });
  return router;
}
