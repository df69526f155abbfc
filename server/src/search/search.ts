import { LRUCache } from 'lru-cache';
import type { Logger } from 'pino';
import type { Worker } from 'node:worker_threads';
import { Problem } from '../errors';
import { databaseAway, type Database } from '../store/database';
import { Client } from '../threads/ask-and-serve';
import { startWorker } from '../threads/start-worker';
import { heapLimit } from '../threads/worker-memory';
import type { SearchName, SearchQuestions } from './questions';

/** Answers kept: what a few people look at again and again. */
const MOST_KEPT = 40;
/** Questions that wait: beyond, somebody asks faster than can be answered. */
const MOST_WAITING = 100;
const RESTART_AFTER_MS = 500;
const LONGEST_PAUSE_MS = 30_000;

const tooHeavy = () =>
  new Problem(
    'tooHeavy',
    'This question needs more memory than the search may use. Ask for a shorter time range, or filter more.',
    { retryAfterS: 10 },
  );

interface SearchOptions {
  /** of pseudonyms */
  secret: Uint8Array;
  log: Logger;
  heap?: { maxOldGenerationSizeMb: number };
}

/**
 * Questions that read many stored rows (lines of logs, page views), in a worker of their own: seconds of work for
 * whoever asks, and for nobody else. The worker's memory is limited; when it dies, what was asked is refused and
 * another one starts.
 */
export class Search {
  #client: Client<SearchQuestions> | undefined;
  #worker: Worker | undefined;
  #stopped = false;
  #pauseMs = RESTART_AFTER_MS;
  readonly #kept = new LRUCache<string, Promise<unknown>>({ max: MOST_KEPT });
  /** times that the worker died by itself */
  deaths = 0;

  private constructor(
    private readonly database: Database,
    private readonly secret: Uint8Array,
    private readonly log: Logger,
    private readonly heap: { maxOldGenerationSizeMb: number },
  ) {}

  static start(database: Database, { secret, log, heap = heapLimit(0.1, 512, 2_048) }: SearchOptions): Search {
    const search = new Search(database, secret, log, heap);
    search.#start();
    return search;
  }

  /** What was answered so far is told no more. */
  forget(): void {
    this.#kept.clear();
  }

  get isUp(): boolean {
    return this.#worker !== undefined;
  }

  #start(): void {
    const begun = performance.now();
    const port = this.database.connectThread();
    const worker = startWorker(
      'search/search-worker.ts',
      { port, secret: this.secret },
      { transferList: [port], resourceLimits: this.heap },
    );
    const client = (this.#client = new Client(worker));
    this.#worker = worker;
    worker.on('message', (message: object) => client.take(message));
    worker.on('error', (error: NodeJS.ErrnoException) => {
      this.log.error({ err: error }, 'the search stopped; it is started again');
      client.end(error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? tooHeavy() : databaseAway());
    });
    worker.on('exit', () => {
      client.end(databaseAway());
      if (this.#worker !== worker) return;
      this.#worker = undefined;
      if (this.#stopped) return;
      this.deaths++;
      // One that dies at once is not started again and again.
      this.#pauseMs =
        performance.now() - begun < 5_000 ? Math.min(LONGEST_PAUSE_MS, 2 * this.#pauseMs) : RESTART_AFTER_MS;
      setTimeout(() => !this.#stopped && !this.#worker && this.#start(), this.#pauseMs).unref();
    });
  }

  /** Begins anew, as when the database was opened anew. */
  async restart(): Promise<void> {
    const worker = this.#worker;
    this.#worker = undefined;
    this.#kept.clear();
    await worker?.terminate();
    if (!this.#stopped) this.#start();
  }

  /** @param version of what is stored: rows that came later change an answer */
  ask<Name extends SearchName>(
    name: Name,
    question: SearchQuestions[Name]['ask'],
    version: number,
  ): Promise<SearchQuestions[Name]['answer']> {
    const key = JSON.stringify([name, question, version]);
    const known = this.#kept.get(key) as Promise<SearchQuestions[Name]['answer']> | undefined;
    if (known) return known;
    const client = this.#client;
    if (!client || !this.#worker) return Promise.reject(databaseAway());
    if (client.size >= MOST_WAITING)
      return Promise.reject(
        new Problem('tooMany', 'Too many questions wait for the search. Try again in a moment.', { retryAfterS: 5 }),
      );
    const answer = client.ask(name, question);
    this.#kept.set(key, answer);
    answer.catch(() => this.#kept.delete(key));
    return answer;
  }

  async stop(): Promise<void> {
    this.#stopped = true;
    await this.#worker?.terminate();
  }
}
