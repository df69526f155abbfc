import type { Logger } from 'pino';

export interface RepeatingOptions {
  everyMs: number;
  work: () => Promise<unknown>;
  log: Logger;
  /** what is logged when the work fails; it is tried again */
  trouble: string;
}

/** Does a work again and again, never twice at once, and goes on when it fails. */
export class Repeating {
  #timer: NodeJS.Timeout | undefined;
  #isRunning = false;
  #busy: Promise<unknown> = Promise.resolve();

  constructor(private readonly options: RepeatingOptions) {}

  start(): void {
    const { everyMs, work, log, trouble } = this.options;
    this.#timer = setInterval(() => {
      if (this.#isRunning) return;
      this.#isRunning = true;
      this.#busy = work()
        .catch((error: Error) => log.error({ err: error }, trouble))
        .finally(() => (this.#isRunning = false));
    }, everyMs);
  }

  /** Resolves when the work that is under way has ended. */
  async stop(): Promise<void> {
    clearInterval(this.#timer);
    await this.#busy;
  }
}
