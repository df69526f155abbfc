import { MessageChannel, type MessagePort, type Worker } from 'node:worker_threads';
import { Problem } from '../errors';
import { Client, ThreadError } from '../threads/ask-and-serve';
import type { ThreadMemory } from '../threads/thread-memory';
import type { BackupEnd, DatabaseNotice, DatabaseQuestions, IngestBatch, IngestResult, Statement } from './protocol';
import { UpgradeFailed } from './migrate';
import { startWorker } from '../threads/start-worker';

export type { Statement } from './protocol';

const gone = (why: string) => new ThreadError({ message: `the database went away: ${why}`, isGone: true });

/**
 * The database as seen from another thread. PGlite blocks its thread for a whole query, so it lives in a worker
 * of its own; each thread that needs it has a port.
 *
 * A database that broke (its memory, its disk) is never asked again, and never closed either: it might write what is
 * wrong. Its thread ends, and another one opens the folder, as after a sudden death.
 */
export class Database {
  #client!: Client<DatabaseQuestions>;
  #port: MessagePort | Worker;
  #worker: Worker | undefined;
  #closing = false;
  #onBroken: (why: string) => void = () => undefined;
  #onDamaged: (what: string) => void = () => undefined;

  constructor(
    port: MessagePort | Worker,
    private readonly reopenWorker?: () => Worker,
  ) {
    this.#port = port;
    if (reopenWorker) this.#worker = port as Worker;
    this.#listen();
  }

  #listen(): void {
    const port = this.#port;
    const client = (this.#client = new Client(port));
    port.on('message', (message: DatabaseNotice | object) => {
      if (client.take(message)) return;
      if ('broken' in message) this.#breakDown(port, message.broken, message.cannotUpgrade);
      else if ('damaged' in message) this.#onDamaged(message.damaged);
    });
    port.on('close', () => client.end(gone('its thread ended')));
    if (!this.#worker) return;
    this.#worker.on('error', (error) => this.#breakDown(port, error.message));
    this.#worker.on('exit', (code) => this.#breakDown(port, `its thread ended (${code})`));
  }

  #breakDown(port: MessagePort | Worker, why: string, cannotUpgrade = false): void {
    if (port !== this.#port || this.#closing || this.#client.isEnded) return;
    this.#client.end(cannotUpgrade ? new UpgradeFailed(why) : gone(why));
    void this.#worker?.terminate();
    this.#onBroken(why);
  }

  /** Called once each time the database goes away by itself. */
  onBroken(listener: (why: string) => void): void {
    this.#onBroken = listener;
  }

  /** Called each time that a damaged part of its files was met. */
  onDamaged(listener: (what: string) => void): void {
    this.#onDamaged = listener;
  }

  /** Starts PGlite on a folder and brings its tables up to date; before that, a backup is made. */
  static async open(
    folder: string,
    { templateDir, backupDir }: { templateDir: string; backupDir?: string },
  ): Promise<Database> {
    const start = () => startWorker('store/database-worker.ts', { dataDir: folder, templateDir, backupDir });
    const database = new Database(start(), start);
    try {
      await database.query('SELECT 1');
    } catch (error) {
      await database.abandon();
      throw error;
    }
    return database;
  }

  /** Opens the folder anew, in a new thread; ports to the old one are dead. */
  async reopen(): Promise<void> {
    if (!this.reopenWorker) throw new Error('only the thread that opened the database can open it anew');
    await this.#worker?.terminate();
    this.#client.end(gone('it is being opened anew'));
    this.#port = this.#worker = this.reopenWorker();
    this.#listen();
    await this.query('SELECT 1');
  }

  /** A second connection for another thread: transfer the port, and make a Database of it there. */
  connectThread(): MessagePort {
    const { port1, port2 } = new MessageChannel();
    this.#client.ask('connect', { port: port1 }, [port1]).catch(() => port1.close());
    return port2;
  }

  async query<Row = Record<string, unknown>>(sql: string, params: unknown[] = []): Promise<Row[]> {
    return (await this.#client.ask('query', { sql, params })) as Row[];
  }

  /**
   * The rows of a query in binary COPY format, for `CopiedRows`. It takes no parameters: numbers alone go into its
   * text.
   */
  async copyOut(sql: string): Promise<Uint8Array> {
    return this.#client.ask('copyOut', { sql });
  }

  async exec(sql: string): Promise<void> {
    await this.#client.ask('exec', { sql });
  }

  /** All statements or none. */
  async transaction(statements: Statement[]): Promise<void> {
    await this.#client.ask('transaction', statements);
  }

  /** Stores a batch, all or nothing; what is there already stays as it is. */
  async ingest(batch: IngestBatch): Promise<IngestResult> {
    return this.#client.ask('ingest', batch);
  }

  /** Makes everything committed so far survive a power cut. */
  async checkpoint(): Promise<void> {
    await this.#client.ask('checkpoint', null);
  }

  /**
   * Makes what was committed so far survive a power cut by the database's own log alone: quick, for what people decide.
   */
  async flush(): Promise<void> {
    await this.#client.ask('flush', null);
  }

  /**
   * From now on until `backupStop` the files may be copied while they are written to; no checkpoint may be made
   * meanwhile.
   */
  async backupStart(): Promise<void> {
    await this.#client.ask('backupStart', null);
  }

  async backupStop(): Promise<BackupEnd> {
    return this.#client.ask('backupStop', null);
  }

  /** Memory of the database's thread; the database itself, which runs as WebAssembly, is part of `buffersBytes`. */
  async memory(): Promise<ThreadMemory> {
    return this.#client.ask('memory', null);
  }

  /** Closes it in good order, or, when that takes too long, lets the next start replay its log. */
  async close(patienceMs = 3_000): Promise<void> {
    this.#closing = true;
    const patience = new Promise((resolve) => setTimeout(resolve, patienceMs).unref());
    await Promise.race([this.#client.ask('close', null), patience]).catch(() => undefined);
    await this.#worker?.terminate();
  }

  /** Ends its thread as it is; `reopen` starts another. */
  async breakOff(): Promise<void> {
    this.#client.end(gone('it is not open'));
    await this.#worker?.terminate();
  }

  /** Ends its thread for good, without closing anything. */
  async abandon(): Promise<void> {
    this.#closing = true;
    await this.#worker?.terminate();
  }
}

/** What the API says while the database is away. */
export const databaseAway = () =>
  new Problem(
    'recovering',
    'The database is being opened anew after a fault. Nothing that was taken is lost: try again in a moment.',
    { retryAfterS: 5 },
  );
