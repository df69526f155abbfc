import { Router } from 'express';
import type { Engine } from '../engine/engine';
import type { Intake } from '../intake/intake';
import type { Database } from '../store/database';
import { threadMemory } from '../store/thread-memory';

const gaugeByThread = (name: string, help: string, values: readonly (readonly [thread: string, value: number])[]) =>
  [
    `# TYPE toplens_thread_${name} gauge\n# HELP toplens_thread_${name} ${help}\n`,
    ...values.map(([thread, value]) => `toplens_thread_${name}{thread="${thread}"} ${value}\n`),
  ].join('');

/** `/healthz` for probes, `/metrics` in the OpenMetrics text format 1.0. */
export function healthRoutes(database: Database, intake: Intake, engine: Engine): Router {
  const router = Router();
  router.get('/healthz', async (_request, response) => {
    await database.query('SELECT 1');
    const { watermarkMs, judgedMs } = engine.figures;
    response.json({ status: 'ok', watermarkMs, judgedMs, backlogRecords: intake.figures.backlogRecords });
  });
  router.get('/metrics', async (_request, response) => {
    const engineFigures = engine.figures;
    const { requests, records, rejectedRecords, refusedRequests, backlogRecords, batches, duplicates } = intake.figures;
    const counter = (name: string, help: string, value: number) =>
      `# TYPE toplens_${name} counter\n# HELP toplens_${name} ${help}\ntoplens_${name}_total ${value}\n`;
    const memory = Object.entries({ main: threadMemory(), database: await database.memory(), engine: engineFigures.memory });
    const gauge = (name: string, help: string, value: number) => `# TYPE toplens_${name} gauge\n# HELP toplens_${name} ${help}\ntoplens_${name} ${value}\n`;
    response.type('application/openmetrics-text; version=1.0.0; charset=utf-8').send(
      [
        counter('intake_requests', 'Requests with telemetry that were taken', requests),
        counter('intake_records', 'Spans, lines of logs, points of metrics and changes that were taken', records),
        counter('intake_rejected_records', 'Records that could not be taken', rejectedRecords),
        counter('intake_refused_requests', 'Requests refused because the database was behind', refusedRequests),
        counter('intake_duplicate_attempts', 'Attempts that were stored before', duplicates),
        counter('intake_batches', 'Batches written to the database', batches),
        gauge('intake_backlog_records', 'Records journalled but not yet in the database', backlogRecords),
        gauge('engine_flows', 'Flows known', engineFigures.flows),
        gauge('engine_incidents', 'Incidents on record', engineFigures.incidents),
        gauge('engine_hours_in_memory', 'Hours of attempts in memory', engineFigures.hoursInMemory),
        gauge('engine_pass_seconds', 'Length of the last pass', engineFigures.lastPassMs / 1000),
        gauge('engine_watermark_seconds', 'Data is complete up to here, seconds since the epoch', engineFigures.watermarkMs / 1000),
        gauge('engine_judged_seconds', 'Minutes are judged up to here, seconds since the epoch', engineFigures.judgedMs / 1000),
        gaugeByThread(
          'heap_bytes',
          'Heap of a thread; of the engine as of its last pass',
          memory.map(([thread, { heapBytes }]) => [thread, heapBytes]),
        ),
        gaugeByThread(
          'buffers_bytes',
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
