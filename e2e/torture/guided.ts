import { Session } from 'node:inspector';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { MalformedTelemetry, TooMuchTelemetry } from '@toplens/core/formats';
import { seededRandom } from '@toplens/core/stats';
import { Problem } from '../../server/src/errors';
import { decode, type Reading } from '../../server/src/intake/decode';
import type { JournalEntry, Signal } from '../../server/src/intake/journal-record';
import { INTAKE_LIMITS } from '../../server/src/intake/limits';
import { WithoutSecrets } from '../../server/src/intake/without-secrets';
import { ROOT } from '../processes';
import { BODIES, Fuzzer } from './fuzz';

// protobufjs code that the OpenTelemetry project generated from the published schema. Jest and Node load this file each
// in their own way, so that neither `require` nor `import.meta` is there in both.
const generated = createRequire(join(ROOT, 'package.json'))(
  '@opentelemetry/otlp-transformer/build/src/generated/root',
) as { opentelemetry: { proto: { collector: Record<string, { v1: Record<string, ProtobufType> }> } } };
interface ProtobufType {
  fromObject: (object: unknown) => object;
  encode: (message: object) => { finish: () => Uint8Array };
}
const { collector } = generated.opentelemetry.proto;

export interface GuidedResult {
  inputs: number;
  /** inputs that reached code which none before them had reached: they were mutated further */
  kept: number;
  /** stretches of code, as V8 counts them, reached by the first inputs and by all */
  reached: { first: number; all: number };
  slowestMs: number;
  /** errors that are no refusal */
  wrong: string[];
}

const READING: Reading = {
  entryServices: new Set(),
  isIgnored: () => false,
  readLine: () => undefined,
  exchange: { currency: 'EUR', rates: new Map() },
  limits: INTAKE_LIMITS,
  keptMs: Infinity,
  withoutSecrets: new WithoutSecrets(Buffer.alloc(32)),
};

/** What was executed since the last call: places in the code that reads telemetry. */
class Coverage {
  readonly #session = new Session();

  constructor() {
    this.#session.connect();
    this.#session.post('Profiler.enable');
    this.#session.post('Profiler.startPreciseCoverage', { callCount: true, detailed: true });
  }

  take(): string[] {
    const places: string[] = [];
    // In one isolate the answer comes before `post` returns.
    this.#session.post('Profiler.takePreciseCoverage', (error, taken) => {
      if (error) throw error;
      for (const { url, functions } of taken.result)
        if (/(?:core\/src|server\/src\/intake)\//.test(url))
          for (const { ranges } of functions)
            for (const { startOffset, endOffset, count } of ranges)
              if (count > 0) places.push(`${url}:${startOffset}:${endOffset}`);
    });
    return places;
  }

  end(): void {
    this.#session.disconnect();
  }
}

function seeds(): JournalEntry[] {
  const receivedMs = Date.now();
  const json: [Signal, string][] = [
    ['traces', '/v1/traces'],
    ['logs', '/v1/logs'],
    ['metrics', '/v1/metrics'],
    ['changes', '/v1/changes'],
    ['events', '/v1/business-events'],
    ['browser', '/v1/logs'],
  ];
  const message = { traces: 'Trace', logs: 'Logs', metrics: 'Metrics' } as const;
  return json.flatMap(([signal, path]) => {
    const told = BODIES[path]?.();
    const entries: JournalEntry[] = [{ signal, encoding: 'json', body: Buffer.from(JSON.stringify(told)), receivedMs }];
    if (signal in message) {
      const name = message[signal as keyof typeof message];
      const type = collector[signal === 'traces' ? 'trace' : signal]?.v1[`Export${name}ServiceRequest`] as ProtobufType;
      entries.push({ signal, encoding: 'protobuf', body: type.encode(type.fromObject(told)).finish(), receivedMs });
    }
    return entries;
  });
}

/**
 * Reads mutated telemetry as the way in does, in this process, and mutates further what reached new code. Beside the
 * requests of `fuzz`, which go through the whole server and know nothing of what they reach.
 */
export function guided(inputs: number, seed: number): GuidedResult {
  const fuzzer = new Fuzzer(seed);
  const random = seededRandom(seed);
  const corpus = seeds();
  const result: GuidedResult = { inputs: 0, kept: 0, reached: { first: 0, all: 0 }, slowestMs: 0, wrong: [] };
  const reached = new Set<string>();
  const coverage = new Coverage();
  const read = (entry: JournalEntry): boolean => {
    const begun = performance.now();
    try {
      decode(entry, READING);
    } catch (error) {
      const isRefusal =
        error instanceof MalformedTelemetry || error instanceof TooMuchTelemetry || error instanceof Problem;
      if (!isRefusal && result.wrong.length < 20)
        result.wrong.push(`${entry.signal} ${entry.encoding}: ${(error as Error).stack ?? String(error)}`);
    }
    result.slowestMs = Math.max(result.slowestMs, performance.now() - begun);
    const before = reached.size;
    for (const place of coverage.take()) reached.add(place);
    return reached.size > before;
  };
  try {
    for (const entry of corpus) read(entry);
    result.reached.first = reached.size;
    for (; result.inputs < inputs; result.inputs++) {
      const parent = corpus[Math.floor(random() * corpus.length)] as JournalEntry;
      const child = { ...parent, body: fuzzer.bytes(parent.body, parent.encoding) };
      if (read(child)) {
        corpus.push(child);
        result.kept++;
      }
    }
  } finally {
    coverage.end();
  }
  result.reached.all = reached.size;
  return result;
}
