import { COLUMN_NAMES } from '@toplens/core/telemetry';
import type { Logger } from 'pino';
import type { Worker } from 'node:worker_threads';
import type { CommittedBatch } from '../intake/intake';
import type { Settings } from '../settings/settings';
import type { Database } from '../store/database';
import { WaitingAnswers } from '../store/waiting-answers';
import { startWorker } from '../store/worker';
import type { EngineFigures, FromEngine, Questions, ToEngine } from './protocol';

/** The computation, in a worker of its own: no request waits for another one's heavy question. */
export class Engine {
  #figures: EngineFigures | undefined;
  readonly #waiting = new WaitingAnswers();

  private constructor(
    private readonly worker: Worker,
    log: Logger,
  ) {
    worker.on('message', (message: FromEngine) => {
      if (message.kind === 'log') return log[message.level](message.detail, message.message);
      if (message.kind === 'figures') return (this.#figures = message.figures);
      if (message.ok) this.#waiting.resolve(message.id, message.answer);
      else this.#waiting.reject(message.id, new Error(message.message));
    });
    worker.on('error', (error) => {
      log.error({ error }, 'the engine stopped');
      this.#waiting.rejectAll(error);
    });
  }

  static async start(database: Database, settings: Settings, segmentsDir: string, usualTracesAMinute: number, log: Logger): Promise<Engine> {
    const port = database.connectThread();
    const worker = startWorker('engine/engine-worker.ts', { port, settings, segmentsDir, usualTracesAMinute }, { transferList: [port] });
    const engine = new Engine(worker, log);
    await engine.ask('freshness', null);
    return engine;
  }

  /** As of the last pass: told at once, however busy the engine is. */
  get figures(): EngineFigures {
    if (!this.#figures) throw new Error('the engine has not started');
    return this.#figures;
  }

  ask<Name extends keyof Questions>(name: Name, ask: Questions[Name]['ask']): Promise<Questions[Name]['answer']> {
    return this.#waiting.ask((id) => this.worker.postMessage({ kind: 'ask', id, name, ask }));
  }

  /** Hands committed attempts over; the columns are moved, not copied. */
  append(batch: CommittedBatch): void {
    const { columns } = batch;
    const buffers = COLUMN_NAMES.map((name) => columns[name].buffer as ArrayBuffer);
    this.worker.postMessage({ kind: 'batch', batch } satisfies ToEngine, buffers);
  }

  async stop(): Promise<void> {
    await this.#waiting.ask((id) => this.worker.postMessage({ kind: 'stop', id } satisfies ToEngine)).catch(() => undefined);
    await this.worker.terminate();
  }
}
