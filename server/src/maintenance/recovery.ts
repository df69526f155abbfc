import type { Logger } from 'pino';
import type { Engine } from '../engine/engine';
import type { Intake } from '../intake/intake';
import type { JournalMark } from '../intake/journal';
import type { Search } from '../search/search';
import type { Database } from '../store/database';
import type { DiskGuard } from './disk-guard';
import { CannotRebuild, placeAnew, type OpenOptions } from './open-database';

export interface RecoveryDeps {
  database: Database;
  intake: Intake;
  engine: Engine;
  search: Search;
  disk: DiskGuard;
  opening: OpenOptions;
  log: Logger;
  appliedMark: () => Promise<JournalMark>;
  /** what had to be done at the start */
  mended: string | undefined;
}

const LONGEST_PAUSE_MS = 10_000;
/** After so many tries in vain on a disk with room, the files themselves must be bad. */
const TRIES_BEFORE_REBUILD = 4;

/**
 * Brings the database back when it goes away by itself: its thread is started anew, the journal is applied from where
 * the database says it is, and what others know of it they read again. Meanwhile telemetry is taken into the journal.
 */
export class Recovery {
  #why: string | undefined;
  #damage: { what: string; sinceMs: number } | undefined;
  #isUnderWay = false;
  #stopped = false;
  #notes: { atMs: number; words: string }[] = [];

  constructor(private readonly deps: RecoveryDeps) {
    if (deps.mended !== undefined) this.#note(deps.mended);
  }

  get isUnderWay(): boolean {
    return this.#isUnderWay;
  }

  /** What was mended since the start, newest first. */
  get notes(): readonly { atMs: number; words: string }[] {
    return this.#notes;
  }

  /** What of the database's files was found damaged first, and when. */
  get damage(): { what: string; sinceMs: number } | undefined {
    return this.#damage;
  }

  /** Why the database is away. */
  get why(): string | undefined {
    return this.#why;
  }

  #note(words: string): void {
    this.#notes = [{ atMs: Date.now(), words }, ...this.#notes].slice(0, 20);
  }

  watch(): void {
    this.deps.database.onDamaged((what) => {
      if (this.#damage) return;
      this.#damage = { what, sinceMs: Date.now() };
      this.deps.log.error({ what }, 'a part of the database is damaged: see docs/operations.md');
    });
    this.deps.database.onBroken((why) => {
      this.deps.log.error({ why }, 'the database went away; it is opened anew');
      this.deps.intake.interrupt();
      // A log that cannot be written is what a full disk does to it; the guard finds out whether it is.
      this.deps.disk.report({
        code: /ENOSPC|No space left|could not (?:write|extend)/i.test(why) ? 'ENOSPC' : undefined,
        message: why,
      });
      this.#why = why;
      if (!this.#isUnderWay) void this.#run();
    });
  }

  /** The first reading: as after a fault, with a database that is open. */
  async begin(applied: JournalMark): Promise<void> {
    this.#isUnderWay = true;
    try {
      await this.deps.intake.replay(applied);
      // One that dies at the start, as on a damaged page, is started again and again by itself; telemetry is taken
      // meanwhile.
      if (this.#why === undefined)
        await this.deps.engine
          .start()
          .catch((error: Error) => this.deps.log.error({ err: error }, 'the engine did not start'));
    } catch (error) {
      if (this.#why === undefined) throw error;
    } finally {
      this.#isUnderWay = false;
    }
    if (this.#why !== undefined) await this.#run();
  }

  async #run(): Promise<void> {
    this.#isUnderWay = true;
    const { log, database } = this.deps;
    const sinceMs = Date.now();
    for (let tries = 1; !this.#stopped; tries++) {
      const why = this.#why ?? '';
      this.#why = undefined;
      try {
        await this.#once(tries, why);
        if (this.#why === undefined) {
          this.#note(
            `The database was opened anew after ${Math.ceil((Date.now() - sinceMs) / 1000)} s (${why.slice(0, 200)}). Nothing that was taken is lost.`,
          );
          log.info({ tries }, 'the database is back');
          break;
        }
      } catch (error) {
        this.#why ??= (error as Error).message;
        log.error({ err: error, tries }, 'the database cannot be opened; it is tried again');
        await database.breakOff();
        if (error instanceof CannotRebuild) this.#note(error.message);
        await new Promise((resolve) => setTimeout(resolve, Math.min(LONGEST_PAUSE_MS, 250 * 2 ** tries)));
      }
    }
    this.#isUnderWay = false;
  }

  async #once(tries: number, why: string): Promise<void> {
    const { database, intake, engine, search, disk, opening, appliedMark } = this.deps;
    if (tries >= TRIES_BEFORE_REBUILD && !disk.trouble) {
      await database.breakOff();
      this.#note(await placeAnew(opening, `The database did not come back (${why.slice(0, 200)}).`));
      this.#damage = undefined;
    }
    await database.reopen();
    await Promise.all([search.restart(), intake.replay(await appliedMark())]);
    await engine.restart();
  }

  stop(): void {
    this.#stopped = true;
  }
}
