import { mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** A disk that fills up must not stop the probe: the oldest go first. */
const MOST_KEPT = 10_000;
const LONGEST_PAUSE_MS = 60_000;

export interface OutboxOptions {
  /** folder in which runs wait for the server */
  dir: string;
  send: (body: string) => Promise<SendResult>;
  log: (line: string) => void;
}
/** refused: sent again it would be refused again. */
export type SendResult = 'taken' | 'refused' | 'later';

/** Runs wait here, on the disk, until the server has taken them: neither its end nor this one's loses one. */
export class Outbox {
  #running: Promise<void> | undefined;
  #pauseMs = 1_000;
  #timer: NodeJS.Timeout | undefined;
  #isStopped = false;

  constructor(private readonly options: OutboxOptions) {
    mkdirSync(options.dir, { recursive: true });
  }

  /** @param id unique; those of one time are sent in the order of their ids */
  add(id: string, run: object): void {
    const { dir, log } = this.options;
    try {
      const file = join(dir, `${id}.json`);
      // Renamed when it is whole: what a crash leaves half written is never sent.
      writeFileSync(`${file}.part`, JSON.stringify(run));
      renameSync(`${file}.part`, file);
      for (const old of this.#waiting().slice(0, -MOST_KEPT)) rmSync(join(dir, old), { force: true });
    } catch (error) {
      log(`a run cannot be kept: ${(error as Error).message}`);
    }
    this.kick();
  }

  #waiting = (): string[] =>
    readdirSync(this.options.dir)
      .filter((name) => name.endsWith('.json'))
      .sort();

  kick(): void {
    // What goes on looks again by itself, at once or after a pause.
    if (this.#isStopped || this.#running) return;
    clearTimeout(this.#timer);
    this.#running = this.#sendAll()
      .catch((error: Error) => this.options.log(`runs cannot be read from the disk: ${error.message}`))
      .finally(() => (this.#running = undefined));
  }

  async #sendAll(): Promise<void> {
    const { dir, send, log } = this.options;
    for (let names = this.#waiting(); names.length > 0; names = this.#waiting())
      for (const name of names) {
        if (this.#isStopped) return;
        const file = join(dir, name);
        const result = await send(readFileSync(file, 'utf8'));
        if (result === 'later') {
          this.#pauseMs = Math.min(LONGEST_PAUSE_MS, 2 * this.#pauseMs);
          this.#timer = setTimeout(() => this.kick(), this.#pauseMs);
          return;
        }
        if (result === 'refused') log(`the server refused a run; it is left in ${file}.refused`);
        this.#pauseMs = 1_000;
        if (result === 'refused') renameSync(file, `${file}.refused`);
        else rmSync(file, { force: true });
      }
  }

  /** Tries once more, for a moment. */
  async stop(patienceMs = 2_000): Promise<void> {
    clearTimeout(this.#timer);
    await Promise.race([this.#running, new Promise((resolve) => setTimeout(resolve, patienceMs).unref())]);
    this.#isStopped = true;
    clearTimeout(this.#timer);
  }
}
