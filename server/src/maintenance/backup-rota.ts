import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { DAY_MS, HOUR_MS } from '@toplens/core/time';
import type { Logger } from 'pino';
import { backupName, listBackups, writeBackup, type BackupSource } from '../store/backup';
import type { Look } from './health';

export interface RotaOptions {
  source: BackupSource;
  dir: string;
  /** how many are kept; 0: none are made */
  kept: number;
  /** local hour at which one is made */
  hour: number;
  maxJournalBytes: number;
  journalBytes: () => number;
  /** why none can be made now */
  isHindered: () => boolean;
  log: Logger;
  now?: () => number;
}

const LOOK_EVERY_MS = 60_000;
const TRY_AGAIN_AFTER_MS = HOUR_MS;
/** Before a backup is made because of the journal's size, so much time passes since the last. */
const SOONEST_MS = HOUR_MS;
const markFile = (backup: string) => `${backup}.applied`;

/** Makes a backup every night, and whenever the journal behind the last one has grown to half of what is kept of it. */
export class BackupRota {
  #timer: NodeJS.Timeout | undefined;
  #running: Promise<void> | undefined;
  #progress = 0;
  #failed: { atMs: number; words: string } | undefined;
  /** from which segment on the journal is needed to bring the newest backup up to date */
  #neededFrom: number;
  readonly #now: () => number;

  constructor(private readonly options: RotaOptions) {
    this.#now = options.now ?? Date.now;
    const [newest] = listBackups(options.dir);
    this.#neededFrom =
      newest && existsSync(markFile(newest.file)) ? Number(readFileSync(markFile(newest.file), 'utf8')) || 0 : 0;
  }

  /** What the journal must keep. Without backups nothing is kept for them. */
  get keepJournal(): { segment: number; mostBytes: number } {
    const { kept, maxJournalBytes } = this.options;
    return kept === 0
      ? { segment: Infinity, mostBytes: Infinity }
      : { segment: this.#neededFrom, mostBytes: maxJournalBytes };
  }

  readonly look: Look = () => {
    if (this.options.kept === 0) return { state: 'ok', words: 'No backups are made (TOPLENS_BACKUPS=0).' };
    if (this.#running) return { state: 'ok', words: `A backup is being made: ${Math.round(100 * this.#progress)} %.` };
    if (this.#failed)
      return {
        state: 'degraded',
        words: `The last backup failed: ${this.#failed.words}. It is tried again within an hour.`,
      };
    const [newest] = listBackups(this.options.dir);
    if (newest && this.#now() - newest.madeMs > 2 * DAY_MS)
      return {
        state: 'degraded',
        words: `The newest backup is of ${new Date(newest.madeMs).toISOString().slice(0, 16)}Z.`,
      };
    return { state: 'ok', words: newest ? '' : `The first backup is made at ${this.options.hour}:00.` };
  };

  start(): void {
    this.#timer = setInterval(() => void this.#makeWhenDue().catch(() => undefined), LOOK_EVERY_MS);
  }

  async stop(): Promise<void> {
    clearInterval(this.#timer);
    await Promise.race([this.#running, new Promise((resolve) => setTimeout(resolve, 500).unref())]);
  }

  /** What goes wrong is logged where it happens, and never ends the server. */
  async #makeWhenDue(): Promise<void> {
    if (this.#isDue()) await this.makeOne();
  }

  #isDue(): boolean {
    const { kept, dir, hour, maxJournalBytes, journalBytes, isHindered } = this.options;
    const now = this.#now();
    if (kept === 0 || this.#running || isHindered()) return false;
    if (this.#failed && now - this.#failed.atMs < TRY_AGAIN_AFTER_MS) return false;
    const ageMs = now - (listBackups(dir)[0]?.madeMs ?? -Infinity);
    if (ageMs > SOONEST_MS && journalBytes() > maxJournalBytes / 2) return true;
    return ageMs > 1.5 * DAY_MS
      ? Number.isFinite(ageMs) || new Date(now).getHours() === hour
      : ageMs > 0.5 * DAY_MS && new Date(now).getHours() === hour;
  }

  /** Makes a backup now; when one is under way, waits for that. */
  makeOne(): Promise<void> {
    return (this.#running ??= this.#make().finally(() => (this.#running = undefined)));
  }

  async #make(): Promise<void> {
    const { source, dir, kept, log } = this.options;
    const file = join(dir, backupName(this.#now()));
    const begun = performance.now();
    this.#progress = 0;
    try {
      const applied = await writeBackup(source, file, (done, all) => (this.#progress = all === 0 ? 0 : done / all));
      writeFileSync(markFile(file), String(applied.segment), { mode: 0o600 });
      this.#neededFrom = applied.segment;
      this.#failed = undefined;
      for (const { file: old } of listBackups(dir).slice(kept))
        for (const one of [old, markFile(old)]) rmSync(one, { force: true });
      log.info({ file, seconds: (performance.now() - begun) / 1000 }, 'a backup was made');
    } catch (error) {
      this.#failed = { atMs: this.#now(), words: (error as Error).message };
      log.error({ err: error, file }, 'a backup could not be made; it is tried again within an hour');
      throw error;
    }
  }
}
