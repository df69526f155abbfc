import { floorTo, MINUTE_MS } from '@toplens/core/time';
import { spansOf, type OutSpan } from './otlp/spans';
import { Sender } from './otlp/sender';
import { simulateMinute, type WorldOptions } from './world/simulate';
import type { TruthEvent } from './world/truth';

const BATCH = 2_000;
const CONNECTIONS = 2;

export interface PlayOptions extends WorldOptions {
  /** from then on whole traces are sent, before it entries alone */
  fullTracesFromMs: number;
}

/**
 * Plays the world to a server: attempts are sent in the order in which they end, as their senders would.
 */
export class Player {
  readonly truth: TruthEvent[] = [];
  #pending: OutSpan[] = [];
  #nextMinuteMs: number;

  constructor(
    private readonly options: PlayOptions,
    fromMs: number,
  ) {
    this.#nextMinuteMs = floorTo(fromMs, MINUTE_MS);
  }

  /** Spans of everything that ended before a moment and was not taken yet, earliest end first. */
  endedBefore(timeMs: number): OutSpan[] {
    for (; this.#nextMinuteMs < timeMs; this.#nextMinuteMs += MINUTE_MS)
      for (const attempt of simulateMinute(this.#nextMinuteMs, this.options, this.truth))
        this.#pending.push(...spansOf(attempt, attempt.startMs >= this.options.fullTracesFromMs, this.options.troubles));
    const ended: OutSpan[] = [];
    const open: OutSpan[] = [];
    for (const span of this.#pending) (span.startMs + span.durationMs < timeMs ? ended : open).push(span);
    this.#pending = open;
    return ended.sort((a, b) => a.startMs + a.durationMs - b.startMs - b.durationMs);
  }

  /** Sends everything up to a moment as fast as the server takes it. */
  async load(sender: Sender, toMs: number, onProgress: (share: number) => void = () => undefined): Promise<void> {
    const fromMs = this.#nextMinuteMs;
    const running = new Set<Promise<void>>();
    let waiting: OutSpan[] = [];
    for (let timeMs = fromMs; timeMs < toMs;) {
      timeMs = Math.min(toMs, timeMs + 60 * MINUTE_MS);
      waiting.push(...this.endedBefore(timeMs));
      while (waiting.length >= BATCH || (timeMs >= toMs && waiting.length > 0)) {
        const batch = sender.send(waiting.slice(0, BATCH));
        waiting = waiting.slice(BATCH);
        const tracked: Promise<void> = batch.finally(() => running.delete(tracked));
        running.add(tracked);
        if (running.size >= CONNECTIONS) await Promise.race(running);
      }
      onProgress((timeMs - fromMs) / (toMs - fromMs));
    }
    await Promise.all(running);
  }

  /** Sends what ends from now on, every two seconds, until stopped. */
  live(sender: Sender, now: () => number = Date.now): () => Promise<void> {
    let running: Promise<void> = Promise.resolve();
    const timer = setInterval(() => {
      running = running
        .then(() => sender.send(this.endedBefore(now())))
        .catch((error: Error) => console.error(`live stream: ${error.message}; what it held is lost to this demo`));
    }, 2_000);
    return async () => {
      clearInterval(timer);
      await running;
    };
  }
}
