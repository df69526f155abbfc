import type { KeptKind } from '@toplens/core/telemetry';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import type { Logger } from 'pino';
import { dropOldSignIns } from '../store/accounts';
import { dropOld } from '../store/attempts';
import type { Database } from '../store/database';
import { dropOldMessages } from '../store/outbox';
import { dropOldWatchPoints } from '../store/watch-points';

const EVERY_MS = 6 * HOUR_MS;
const FIRST_MS = 10 * MINUTE_MS;
/** As long as anybody asks who was told, and who had a link. */
const KEEP_MESSAGES_MS = 90 * DAY_MS;
/** As long as somebody looks for a cause: what variables held may be about persons. */
const KEEP_READINGS_MS = 7 * DAY_MS;

export interface TidyOptions {
  database: Database;
  /** from when on each kind of telemetry is kept at this moment, ms since the epoch */
  keptFrom: (nowMs: number) => Promise<Record<KeptKind, number>>;
  log: Logger;
}

/** Drops what is older than is kept: now and then, and when less is to be kept than before. */
export class Tidy {
  #running: Promise<void> = Promise.resolve();
  #first: NodeJS.Timeout | undefined;
  #every: NodeJS.Timeout | undefined;

  constructor(private readonly options: TidyOptions) {}

  start(): void {
    this.#first = setTimeout(() => void this.now(), FIRST_MS);
    this.#every = setInterval(() => void this.now(), EVERY_MS);
  }

  stop(): void {
    clearTimeout(this.#first);
    clearInterval(this.#every);
  }

  /** Behind the one that is under way: two would only wait for each other. */
  now(): Promise<void> {
    return (this.#running = this.#running.then(() => this.#drop()));
  }

  async #drop(): Promise<void> {
    const { database, keptFrom, log } = this.options;
    const now = Date.now();
    try {
      await dropOld(database, await keptFrom(now));
      await dropOldMessages(database, now - KEEP_MESSAGES_MS);
      await dropOldWatchPoints(database, now - KEEP_READINGS_MS);
      await dropOldSignIns(database, now - DAY_MS);
    } catch (error) {
      log.error({ err: error }, 'old telemetry cannot be dropped');
    }
  }
}
