import { MessageChannel, type MessagePort, type Worker } from 'node:worker_threads';
import type { DatabaseAnswer, DatabaseRequest, IngestBatch, IngestResult } from './protocol';
import type { ThreadMemory } from './thread-memory';
import { WaitingAnswers } from './waiting-answers';
import { startWorker } from './worker';

/** A failed statement, with its SQLSTATE and text. */
export class DatabaseError extends Error {
  override name = 'DatabaseError';
  constructor(
    message: string,
    readonly code: string | undefined,
    readonly sql: string | undefined,
  ) {
    super(message);
  }
}

export interface Statement {
  sql: string;
  params: unknown[];
}

type WithoutId<T> = T extends unknown ? Omit<T, 'id'> : never;

/**
 * The database as seen from another thread. PGlite blocks its thread for a whole query, so it lives in a worker
 * of its own; each thread that needs it has a port.
 */
export class Database {
  readonly #waiting = new WaitingAnswers();

  constructor(
    private readonly port: MessagePort | Worker,
    private readonly worker?: Worker,
  ) {
    port.on('message', (answer: DatabaseAnswer) => {
      if (answer.ok) this.#waiting.resolve(answer.id, answer.result);
      else this.#waiting.reject(answer.id, new DatabaseError(answer.message, answer.code, answer.sql));
    });
    worker?.on('error', (error) => this.#waiting.rejectAll(error));
  }

  /** Starts PGlite on a folder, or in memory when `dataDir` is empty, and brings its tables up to date. */
  static async open(dataDir: string, templateDir: string): Promise<Database> {
    const worker = startWorker('store/database-worker.ts', { dataDir, templateDir });
    const database = new Database(worker, worker);
    await database.query('SELECT 1');
    return database;
  }

  /** A second connection for another thread: transfer the port, and make a Database of it there. */
  connectThread(): MessagePort {
    const { port1, port2 } = new MessageChannel();
    void this.#ask({ kind: 'connect', port: port1 }, [port1]);
    return port2;
  }

  async query<Row = Record<string, unknown>>(sql: string, params: unknown[] = []): Promise<Row[]> {
    return (await this.#ask({ kind: 'query', sql, params })) as Row[];
  }

  /** The rows of a query in binary COPY format, for `CopiedRows`. It takes no parameters: numbers alone go into its text. */
  async copyOut(sql: string): Promise<Uint8Array> {
    return (await this.#ask({ kind: 'copyOut', sql })) as Uint8Array;
  }

  async exec(sql: string): Promise<void> {
    await this.#ask({ kind: 'exec', sql });
  }

  /** All statements or none. */
  async transaction(statements: Statement[]): Promise<void> {
    await this.#ask({ kind: 'transaction', statements });
  }

  /** Stores a batch, all or nothing; what is there already stays as it is. */
  async ingest(batch: IngestBatch): Promise<IngestResult> {
    return (await this.#ask({ kind: 'ingest', batch })) as IngestResult;
  }

  /** Makes everything committed so far survive a power cut. */
  async checkpoint(): Promise<void> {
    await this.#ask({ kind: 'checkpoint' });
  }

  /** Memory of the database's thread; the database itself, which runs as WebAssembly, is part of `buffersBytes`. */
  async memory(): Promise<ThreadMemory> {
    return (await this.#ask({ kind: 'memory' })) as ThreadMemory;
  }

  async close(): Promise<void> {
    await this.#ask({ kind: 'close' });
    await this.worker?.terminate();
  }

  #ask(request: WithoutId<DatabaseRequest>, transfer: MessagePort[] = []): Promise<unknown> {
    return this.#waiting.ask((id) => (this.port as MessagePort).postMessage({ ...request, id }, transfer));
  }
}
