import { Router } from 'express';
import type { Engine } from '../engine/engine';
import type { Intake } from '../intake/intake';
import type { IntakeLimits } from '../intake/limits';
import { Health } from '../maintenance/health';
import type { Database } from '../store/database';
import { threadMemory, type ThreadMemory } from '../threads/thread-memory';

const NOTHING: ThreadMemory = { heapBytes: 0, buffersBytes: 0 };
/** The database's thread may be busy: then its memory is told as it was. */
const LONGEST_WAIT_MS = 200;

type Labelled = readonly (readonly [label: string, value: number])[];

/** Lines of a gauge with one label. */
const gaugeBy = (label: string, name: string, help: string, values: Labelled) =>
  [
    `# TYPE toplens_${name} gauge\n# HELP toplens_${name} ${help}\n`,
    ...values.map(([of, value]) => `toplens_${name}{${label}="${of}"} ${value}\n`),
  ].join('');

export interface HealthDeps {
  database: Database;
  intake: Intake;
  engine: Engine;
  health: Health;
  limits: IntakeLimits;
}

/**
 * `/livez`: the process answers. `/healthz` and `/readyz`: it takes telemetry and answers questions; 503 when it does
 * not, with each part and why. `/metrics`: the OpenMetrics text format 1.0. None of them waits for another thread.
 */
export function healthRoutes({ database, intake, engine, health, limits }: HealthDeps): Router {
  const router = Router();
  let databaseMemory = NOTHING;
  router.get('/livez', (_request, response) => {
    response.json({ status: 'ok' });
  });
  router.get(['/healthz', '/readyz'], (_request, response) => {
    const parts = health.report;
    const worst = Health.worst(parts);
    const { watermarkMs = 0, judgedMs = 0 } = engine.figures ?? {};
    if (worst === 'down') response.status(503).setHeader('retry-after', '5');
    response.json({ status: worst, parts, watermarkMs, judgedMs, backlogRecords: intake.figures.backlogRecords });
  });
  router.get('/metrics', async (_request, response) => {
    const asked = database.memory().then(
      (memory) => (databaseMemory = memory),
      () => undefined,
    );
    await Promise.race([asked, new Promise((resolve) => setTimeout(resolve, LONGEST_WAIT_MS).unref())]);
    const figures = engine.figures;
    const {
      requests,
      records,
      rejectedRecords,
      refusedRequests,
      backlogRecords,
      backlogBytes,
      batches,
      duplicates,
      keptAside,
      damagedBytes,
    } = intake.figures;
    const counter = (name: string, help: string, value: number) =>
      `# TYPE toplens_${name} counter\n# HELP toplens_${name} ${help}\ntoplens_${name}_total ${value}\n`;
    const memory = Object.entries({
      main: threadMemory(),
      database: databaseMemory,
      engine: figures?.memory ?? NOTHING,
    });
    const gauge = (name: string, help: string, value: number) =>
      `# TYPE toplens_${name} gauge\n# HELP toplens_${name} ${help}\ntoplens_${name} ${value}\n`;
    response.type('application/openmetrics-text; version=1.0.0; charset=utf-8').send(
      [
        counter('intake_requests', 'Requests with telemetry that were taken', requests),
        counter('intake_records', 'Spans, lines of logs, points of metrics and changes that were taken', records),
        counter('intake_rejected_records', 'Records that could not be taken', rejectedRecords),
        counter(
          'intake_refused_requests',
          'Requests refused because the database was behind or the disk full',
          refusedRequests,
        ),
        counter('intake_duplicate_attempts', 'Attempts that were stored before', duplicates),
        counter('intake_batches', 'Batches written to the database', batches),
        counter('intake_kept_aside', 'Records that the database refused, kept aside', keptAside),
        counter('journal_damaged_bytes', 'Bytes of the journal that could not be read', damagedBytes),
        gauge('intake_backlog_records', 'Records journalled but not yet in the database', backlogRecords),
        gauge('intake_backlog_bytes', 'Bytes of the requests that these came in', backlogBytes),
        gaugeBy(
          'limit',
          'limit',
          'How much one request may hold, and how old it may be: docs/limits.md',
          Object.entries(limits),
        ),
        gaugeBy('kind', 'names_gathered', 'Names put under "other" since the start, since there are too many', [
          ...intake.names.gathered,
        ]),
        gaugeBy(
          'part',
          'part_up',
          'Health of a part: 1 ok, 0.5 degraded, 0 down',
          Object.entries(health.report).map(([part, { state }]) => [
            part,
            state === 'ok' ? 1 : state === 'degraded' ? 0.5 : 0,
          ]),
        ),
        gauge('engine_flows', 'Flows known', figures?.flows ?? 0),
        gauge('engine_incidents', 'Incidents on record', figures?.incidents ?? 0),
        gauge('engine_hours_in_memory', 'Hours of attempts in memory', figures?.hoursInMemory ?? 0),
        gauge('engine_pass_seconds', 'Length of the last evaluation cycle', (figures?.lastCycleMs ?? 0) / 1000),
        gauge(
          'engine_watermark_seconds',
          'Data is complete up to here, seconds since the epoch',
          (figures?.watermarkMs ?? 0) / 1000,
        ),
        gauge(
          'engine_judged_seconds',
          'Minutes are judged up to here, seconds since the epoch',
          (figures?.judgedMs ?? 0) / 1000,
        ),
        gaugeBy(
          'thread',
          'thread_heap_bytes',
          'Heap of a thread; of the engine as of its last cycle',
          memory.map(([thread, { heapBytes }]) => [thread, heapBytes]),
        ),
        gaugeBy(
          'thread',
          'thread_buffers_bytes',
          'Buffers and WebAssembly memory of a thread',
          memory.map(([thread, { buffersBytes }]) => [thread, buffersBytes]),
        ),
        gauge('process_resident_memory_bytes', 'Resident memory of the server', process.memoryUsage.rss()),
        '# EOF\n',
      ].join(''),
    );
  });
  return router;
}
