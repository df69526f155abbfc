import { createServer, get, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { monitorEventLoopDelay } from 'node:perf_hooks';
import { durationWords, lengthWords } from '@toplens/core/words';

/** Common practice, no source: beyond these a machine tells more of itself than of whom it asks. */
const LIMITS = { clockMs: 5_000, delayMs: 500, pageMs: 250 } as const;

const clockWords = (ms: number) => (ms < 120_000 ? durationWords(ms) : lengthWords(ms));

/**
 * Is this machine fit to judge others? Its clock against the server's, how long its own work is held up, and how fast it
 * reads a page from itself. Its resolver tells by itself: a step that could not look a name up says so.
 */
export class SelfCheck {
  readonly #delay = monitorEventLoopDelay({ resolution: 20 });
  #page: Server | undefined;
  #aheadMs: number | undefined;

  async start(): Promise<void> {
    this.#delay.enable();
    const page = (this.#page = createServer((_request, response) => response.end('here')));
    await new Promise<void>((listening) => page.listen(0, '127.0.0.1', listening));
  }

  /**
   * What the server's clock said at a moment.
   *
   * @param asked, answered by this machine's clock: the server's answer lies between
   */
  noteClock(serverMs: number, { askedMs, answeredMs }: { askedMs: number; answeredMs: number }): void {
    this.#aheadMs = (askedMs + answeredMs) / 2 - serverMs;
  }

  /** How far this machine's clock is ahead of the server's; 0 while it is not known. */
  get aheadMs(): number {
    return this.#aheadMs ?? 0;
  }

  /** Looks at what has been since it was asked last. @returns what is wrong, in words; '' when nothing is */
  async fault(): Promise<string> {
    const delayMs = this.#delay.max / 1e6;
    this.#delay.reset();
    const ahead = this.aheadMs;
    if (Math.abs(ahead) > LIMITS.clockMs)
      return `its clock is ${clockWords(Math.abs(ahead))} ${ahead > 0 ? 'ahead' : 'behind'}`;
    if (delayMs > LIMITS.delayMs) return `its processor was busy: its own work waited for ${durationWords(delayMs)}`;
    const pageMs = await this.#readPage();
    if (pageMs > LIMITS.pageMs) return `a page from itself took ${durationWords(pageMs)}`;
    return '';
  }

  #readPage(): Promise<number> {
    const begun = performance.now();
    const { port } = this.#page?.address() as AddressInfo;
    return new Promise((resolve) => {
      const taken = () => resolve(performance.now() - begun);
      get({ host: '127.0.0.1', port, agent: false, timeout: 5_000 }, (response) =>
        response.resume().on('end', taken),
      ).on('error', () => resolve(Infinity));
    });
  }

  stop(): void {
    this.#delay.disable();
    this.#page?.close();
  }
}
