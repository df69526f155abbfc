import { COLUMN_NAMES } from '@toplens/core/telemetry';
import type { Logger } from 'pino';
import type { Worker } from 'node:worker_threads';
import { Problem } from '../errors';
import type { CommittedBatch } from '../store/committed-batch';
import type { UsuallyKept } from '../settings/retention';
import type { Settings } from '../settings/settings';
import type { Database } from '../store/database';
import { Client } from '../threads/ask-and-serve';
import { startWorker } from '../threads/start-worker';
import { heapLimit } from '../threads/worker-memory';
import { AtHand } from './at-hand';
import type { EngineBatch, EngineNotice, Questions } from './protocol';
import type { EngineFigures } from './state/freshness';

export interface EngineOptions {
  settings: Settings;
  segmentsDir: string;
  usualTracesAMinute: number;
  /** of pseudonyms */
  secret: Uint8Array;
  usuallyKept: UsuallyKept;
}

const RESTART_AFTER_MS = 1_000;
const LONGEST_PAUSE_MS = 60_000;
const STOP_PATIENCE_MS = 3_000;
/** The home screen answers within half a second, however much is being judged. */
const AT_HAND = { patienceMs: 100, oldestMs: 60_000, most: 100 };

const recovering = () =>
  new Problem(
    'recovering',
    'The part that judges is reading what it needs. Nothing that was taken is lost: try again in a moment.',
    { retryAfterS: 3 },
  );
const stopping = () => new Problem('stopping', 'The server is stopping; ask again in a moment.', { retryAfterS: 2 });

/**
 * The computation, in a worker of its own: no request waits for another one's heavy question. When it dies, another one
 * starts.
 */
export class Engine {
  #figures: EngineFigures | undefined;
  #client: Client<Questions> | undefined;
  #worker: Worker | undefined;
  #isReady = false;
  #stopped = false;
  #deathsInARow = 0;
  readonly #lists = new AtHand<Questions['worstFirst']['answer']>(AT_HAND);
  /** why it died last, for people */
  lastDeath = '';

  constructor(
    private readonly database: Database,
    private readonly options: EngineOptions,
    private readonly log: Logger,
  ) {}

  /** Why nothing can be asked. */
  #away(): Problem {
    return this.#stopped ? stopping() : recovering();
  }

  get isReady(): boolean {
    return this.#isReady;
  }

  /** Reads what it needs from the database. Resolves when it can be asked. */
  async start(): Promise<void> {
    const port = this.database.connectThread();
    const worker = startWorker(
      'engine/engine-worker.ts',
      { port, ...this.options, nowMs: Date.now() },
      { transferList: [port], resourceLimits: heapLimit(0.4, 1_024, 16_384) },
    );
    const client = (this.#client = new Client<Questions>(worker));
    this.#worker = worker;
    worker.on('message', (message: EngineNotice | object) => {
      if (client.take(message)) return;
      if ('log' in message) this.log[message.log.level](message.log.detail, message.log.message);
      else if ('figures' in message) this.#figures = message.figures;
    });
    worker.on('error', (error) => {
      this.lastDeath = error.message;
      this.log.error({ err: error }, 'the engine stopped; it is started again');
    });
    worker.on('exit', () => {
      client.end(this.#away());
      if (this.#worker !== worker) return;
      this.#worker = undefined;
      this.#isReady = false;
      if (this.#stopped) return;
      const pauseMs = Math.min(LONGEST_PAUSE_MS, RESTART_AFTER_MS * 2 ** this.#deathsInARow++);
      setTimeout(() => !this.#stopped && !this.#worker && void this.start().catch(() => undefined), pauseMs).unref();
    });
    await client.ask('freshness', null);
    this.#isReady = true;
    this.#deathsInARow = 0;
    this.forgetAnswers();
  }

  /** Begins anew, as when the database was opened anew. */
  async restart(): Promise<void> {
    const worker = this.#worker;
    this.#worker = undefined;
    this.#isReady = false;
    this.#client?.end(this.#away());
    await worker?.terminate();
    if (!this.#stopped) await this.start();
  }

  /** As of the last cycle: told at once, however busy the engine is; `undefined` before it has read what it needs. */
  get figures(): EngineFigures | undefined {
    return this.#figures;
  }

  /** The list, worst first: the last one while a new one is long in coming. It says itself up to when it holds. */
  async worstFirst(question: Questions['worstFirst']['ask']): Promise<Questions['worstFirst']['answer']> {
    if (!this.#isReady) throw this.#away();
    return this.#lists.get(JSON.stringify(question), () => this.ask('worstFirst', question));
  }

  /** Somebody decided or changed something: what was answered before it holds no more. */
  forgetAnswers(): void {
    this.#lists.forget();
  }

  ask<Name extends keyof Questions>(name: Name, ask: Questions[Name]['ask']): Promise<Questions[Name]['answer']> {
    if (!this.#client || !this.#isReady) return Promise.reject(this.#away());
    const answer = this.#client.ask(name, ask);
    // Whoever had everything judged wants to see that.
    return name === 'settle' ? answer.finally(() => this.forgetAnswers()) : answer;
  }

  /**
   * Hands committed attempts over; the columns are moved, not copied. Without an engine they are read from the database
   * later.
   */
  append(batch: CommittedBatch): void {
    if (!this.#worker) return;
    const { columns } = batch;
    const buffers = COLUMN_NAMES.map((name) => columns[name].buffer as ArrayBuffer);
    this.#worker.postMessage({ batch } satisfies EngineBatch, buffers);
  }

  async stop(): Promise<void> {
    this.#stopped = true;
    const worker = this.#worker;
    if (!worker) return;
    const patience = new Promise((resolve) => setTimeout(resolve, STOP_PATIENCE_MS).unref());
    if (this.#isReady) await Promise.race([this.#client?.ask('stop', null), patience]).catch(() => undefined);
    await worker.terminate();
  }
}
