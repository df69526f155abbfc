import { Router } from 'express';
import { Counter, Gauge, Registry, type OpenMetricsContentType } from 'prom-client';
import type { Engine } from '../engine/engine';
import type { Intake } from '../intake/intake';
import type { IntakeLimits } from '../intake/limits';
import type { Health } from '../maintenance/health';
import type { Database } from '../store/database';
import { threadMemory, type ThreadMemory } from '../threads/thread-memory';

const NOTHING: ThreadMemory = { heapBytes: 0, buffersBytes: 0 };
/** The database's thread may be busy: then its memory is told as it was. */
const LONGEST_WAIT_MS = 200;
const STATES = { ok: 1, degraded: 0.5, down: 0 };

export interface MetricsSources {
  database: Database;
  intake: Intake;
  engine: Engine;
  health: Health;
  limits: IntakeLimits;
}

/** `/metrics`, in the OpenMetrics text format 1.0. It waits for no other thread. */
export function metricsRoute(sources: MetricsSources): Router {
  const router = Router();
  const registry = new Registry<OpenMetricsContentType>();
  registry.setContentType(Registry.OPENMETRICS_CONTENT_TYPE);
  const readDatabaseMemory = addMetrics(registry, sources);
  router.get('/metrics', async (_request, response) => {
    await readDatabaseMemory();
    response.type(registry.contentType).send(await registry.metrics());
  });
  return router;
}

/** @returns brings up to date what the database's thread knows, as far as it answers in time */
function addMetrics(
  registry: Registry<OpenMetricsContentType>,
  { database, intake, engine, health, limits }: MetricsSources,
): () => Promise<void> {
  const registers = [registry];
  const counter = (name: string, help: string, read: () => number) =>
    new Counter({
      name: `toplens_${name}`,
      help,
      registers,
      collect() {
        this.reset();
        this.inc(read());
      },
    });
  const gauge = (name: string, help: string, read: () => number) =>
    new Gauge({
      name: `toplens_${name}`,
      help,
      registers,
      collect() {
        this.set(read());
      },
    });
  const gaugeBy = (label: string, name: string, help: string, read: () => Iterable<readonly [string, number]>) =>
    new Gauge({
      name: `toplens_${name}`,
      help,
      registers,
      labelNames: [label],
      collect() {
        this.reset();
        for (const [of, value] of read()) this.set({ [label]: of }, value);
      },
    });

  const { figures: taken } = intake;
  counter('intake_requests', 'Requests with telemetry that were taken', () => taken.requests);
  counter('intake_records', 'Spans, lines of logs, points of metrics and changes that were taken', () => taken.records);
  counter('intake_rejected_records', 'Records that could not be taken', () => taken.rejectedRecords);
  counter(
    'intake_turned_away_requests',
    'Requests turned away for a reason that their sender has to mend: no key, not of the protocol, too large',
    () => taken.turnedAwayRequests,
  );
  counter(
    'intake_refused_requests',
    'Requests refused because the database was behind or the disk full',
    () => taken.refusedRequests,
  );
  counter('intake_duplicate_attempts', 'Attempts that were stored before', () => taken.duplicates);
  counter('intake_batches', 'Batches written to the database', () => taken.batches);
  counter('intake_kept_aside', 'Records that the database refused, kept aside', () => taken.keptAside);
  counter('journal_damaged_bytes', 'Bytes of the journal that could not be read', () => taken.damagedBytes);
  gauge('intake_backlog_records', 'Records journalled but not yet in the database', () => taken.backlogRecords);
  gauge('intake_backlog_bytes', 'Bytes of the requests that these came in', () => taken.backlogBytes);
  gaugeBy('limit', 'limit', 'How much one request may hold, and how old it may be: docs/limits.md', () =>
    limitsByName(limits),
  );
  gaugeBy(
    'kind',
    'names_gathered',
    'Names put under "other" since the start, since there are too many',
    () => intake.names.gathered,
  );
  gaugeBy('part', 'part_up', 'Health of a part: 1 ok, 0.5 degraded, 0 down', () =>
    Object.entries(health.report).map(([part, { state }]) => [part, STATES[state]] as const),
  );

  gauge('engine_flows', 'Flows known', () => engine.figures?.flows ?? 0);
  gauge('engine_incidents', 'Incidents on record', () => engine.figures?.incidents ?? 0);
  gauge('engine_hours_in_memory', 'Hours of attempts in memory', () => engine.figures?.hoursInMemory ?? 0);
  gauge('engine_pass_seconds', 'Length of the last evaluation cycle', () => (engine.figures?.lastCycleMs ?? 0) / 1000);
  gauge(
    'engine_watermark_seconds',
    'Data is complete up to here, seconds since the epoch',
    () => (engine.figures?.watermarkMs ?? 0) / 1000,
  );
  gauge(
    'engine_judged_seconds',
    'Minutes are judged up to here, seconds since the epoch',
    () => (engine.figures?.judgedMs ?? 0) / 1000,
  );

  let databaseMemory = NOTHING;
  const threads = () =>
    Object.entries({ main: threadMemory(), database: databaseMemory, engine: engine.figures?.memory ?? NOTHING });
  gaugeBy('thread', 'thread_heap_bytes', 'Heap of a thread; of the engine as of its last cycle', () =>
    threads().map(([thread, { heapBytes }]) => [thread, heapBytes] as const),
  );
  gaugeBy('thread', 'thread_buffers_bytes', 'Buffers and WebAssembly memory of a thread', () =>
    threads().map(([thread, { buffersBytes }]) => [thread, buffersBytes] as const),
  );
  gauge('process_resident_memory_bytes', 'Resident memory of the server', () => process.memoryUsage.rss());

  return async () => {
    const asked = database.memory().then(
      (memory) => (databaseMemory = memory),
      () => undefined,
    );
    await Promise.race([asked, new Promise((resolve) => setTimeout(resolve, LONGEST_WAIT_MS).unref())]);
  };
}

/** Lengths of texts each have a limit of their own: `lengths.message`. */
function limitsByName(limits: object, prefix = ''): (readonly [string, number])[] {
  return Object.entries(limits).flatMap(([name, value]: [string, unknown]) =>
    typeof value === 'number' ? [[prefix + name, value] as const] : limitsByName(value as object, `${prefix}${name}.`),
  );
}
