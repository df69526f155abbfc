import type { Worker } from 'node:worker_threads';
import type { Database } from '../store/database';
import { WaitingAnswers } from '../store/waiting-answers';
import { startWorker } from '../store/worker';
import type { SearchName, SearchQuestions } from './questions';

type Answer = { id: number; ok: true; result: unknown } | { id: number; ok: false; message: string };

/** Answers kept: what a few people look at again and again. */
const MOST_KEPT = 40;

/** Questions that read many stored rows (lines of logs, page views), in a worker of their own: seconds of work for whoever asks, and for nobody else. */
export class Search {
  readonly #waiting = new WaitingAnswers();
  readonly #kept = new Map<string, Promise<unknown>>();

  private constructor(private readonly worker: Worker) {
    worker.on('message', (answer: Answer) => {
      if (answer.ok) this.#waiting.resolve(answer.id, answer.result);
      else this.#waiting.reject(answer.id, new Error(answer.message));
    });
    worker.on('error', (error) => this.#waiting.rejectAll(error));
  }

  static start(database: Database): Search {
    const port = database.connectThread();
    return new Search(startWorker('search/search-worker.ts', { port }, { transferList: [port] }));
  }

  /** @param version of what is stored: rows that came later change an answer */
  ask<Name extends SearchName>(name: Name, question: SearchQuestions[Name]['ask'], version: number): Promise<SearchQuestions[Name]['answer']> {
    const key = JSON.stringify([name, question, version]);
    const known = this.#kept.get(key) as Promise<SearchQuestions[Name]['answer']> | undefined;
    if (known) return known;
    if (this.#kept.size >= MOST_KEPT) this.#kept.delete(this.#kept.keys().next().value as string);
    const answer = this.#waiting.ask<SearchQuestions[Name]['answer']>((id) => this.worker.postMessage({ id, name, question }));
    this.#kept.set(key, answer);
    answer.catch(() => this.#kept.delete(key));
    return answer;
  }

  async stop(): Promise<void> {
    await this.worker.terminate();
  }
}
