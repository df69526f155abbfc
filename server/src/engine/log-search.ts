import type { Window } from '@toplens/core/time';
import type { Worker } from 'node:worker_threads';
import type { LogPatternsShape } from '../api/shapes';
import type { Database } from '../store/database';
import { startWorker } from '../store/worker';

export interface LogQuestion {
  components: readonly string[];
  now: Window;
  before: Window;
}

type Answer = { id: number; ok: true; result: LogPatternsShape } | { id: number; ok: false; message: string };

/** Answers kept: what a few people look at again and again. */
const MOST_KEPT = 20;

/** Patterns of log lines, found in a worker of their own: seconds of work for whoever asks, and for nobody else. */
export class LogSearch {
  #next = 1;
  readonly #waiting = new Map<number, { resolve: (answer: LogPatternsShape) => void; reject: (error: Error) => void }>();
  readonly #kept = new Map<string, Promise<LogPatternsShape>>();

  private constructor(private readonly worker: Worker) {
    worker.on('message', (answer: Answer) => {
      const waiting = this.#waiting.get(answer.id);
      this.#waiting.delete(answer.id);
      if (answer.ok) waiting?.resolve(answer.result);
      else waiting?.reject(new Error(answer.message));
    });
    worker.on('error', (error) => {
      for (const waiting of this.#waiting.values()) waiting.reject(error);
      this.#waiting.clear();
    });
  }

  static start(database: Database): LogSearch {
    const port = database.connectThread();
    return new LogSearch(startWorker('engine/log-worker.ts', { port }, { transferList: [port] }));
  }

  /** @param version of the world: lines that came later change an answer */
  patterns(question: LogQuestion, version: number): Promise<LogPatternsShape> {
    const key = JSON.stringify([question, version]);
    const known = this.#kept.get(key);
    if (known) return known;
    if (this.#kept.size >= MOST_KEPT) this.#kept.delete(this.#kept.keys().next().value as string);
    const id = this.#next++;
    const answer = new Promise<LogPatternsShape>((resolve, reject) => {
      this.#waiting.set(id, { resolve, reject });
      this.worker.postMessage({ id, question });
    });
    this.#kept.set(key, answer);
    answer.catch(() => this.#kept.delete(key));
    return answer;
  }

  async stop(): Promise<void> {
    await this.worker.terminate();
  }
}
