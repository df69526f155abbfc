import { existsSync, rmSync, statfsSync, statSync } from 'node:fs';
import { mkdir, open } from 'node:fs/promises';
import { join } from 'node:path';
import type { Logger } from 'pino';

const RESERVE_FILE = 'reserve';
const LOOK_EVERY_MS = 1_000;
const CHUNK = Buffer.alloc(1024 * 1024, 0x5a);

/** What the operating system (or, as SQLSTATE, the database) says when there is no room, or the disk itself fails. */
const DISK_CODES = new Set(['ENOSPC', 'EDQUOT', 'EIO', 'EROFS', '53100', '58030']);

export const isDiskFault = (code: string | undefined): boolean => code !== undefined && DISK_CODES.has(code);

/** Gives the reserve of a folder up. @returns whether there was one */
export function giveUpReserve(dataDir: string): boolean {
  const file = join(dataDir, RESERVE_FILE);
  const was = existsSync(file);
  rmSync(file, { force: true });
  return was;
}

export interface DiskTrouble {
  sinceMs: number;
  /** for people */
  words: string;
}

export interface DiskGuardOptions {
  dataDir: string;
  /** size of the file that is given up when the disk is full, so that the database can finish what it does */
  reserveBytes: number;
  /** below so much free room nothing more is taken */
  leastFreeBytes: number;
  log: Logger;
  now?: () => number;
}

/**
 * Stops the intake before the disk is full, and lets it go on by itself. A part of the disk is kept in reserve: when
 * something else fills the disk all the same, it is given up, so that what was acknowledged can still be written to the
 * database.
 */
export class DiskGuard {
  #trouble: DiskTrouble | undefined;
  #timer: NodeJS.Timeout | undefined;
  #looking = false;
  readonly #file: string;

  constructor(private readonly options: DiskGuardOptions) {
    this.#file = join(options.dataDir, RESERVE_FILE);
  }

  /** Why nothing can be taken; `undefined` when there is room. */
  get trouble(): DiskTrouble | undefined {
    return this.#trouble;
  }

  get freeBytes(): number {
    const { bavail, bsize } = statfsSync(this.options.dataDir);
    return bavail * bsize;
  }

  async start(): Promise<void> {
    await mkdir(this.options.dataDir, { recursive: true, mode: 0o700 });
    // A disk that is full at the start: the database needs some room to open.
    if (this.freeBytes < this.options.leastFreeBytes) {
      this.#giveUpReserve();
      this.#begin(`Only ${megabytes(this.freeBytes)} of disk are free.`);
    } else await this.#makeReserve().catch((error: NodeJS.ErrnoException) => this.report(error));
    this.#timer = setInterval(() => void this.#look(), LOOK_EVERY_MS);
  }

  stop(): void {
    clearInterval(this.#timer);
  }

  /** An error of a file or of the database: when it is the disk's, nothing more is taken until there is room. */
  report(error: { code?: string | undefined; message: string }): void {
    if (!isDiskFault(error.code)) return;
    this.#giveUpReserve();
    this.#begin(error.code === 'EIO' || error.code === '58030' ? 'The disk answers with errors.' : 'The disk is full.');
  }

  #begin(words: string): void {
    if (this.#trouble) return;
    this.#trouble = { sinceMs: (this.options.now ?? Date.now)(), words };
    this.options.log.error(
      { freeBytes: this.freeBytes, dataDir: this.options.dataDir },
      `${words} Nothing more is taken; it goes on by itself when there is room`,
    );
  }

  async #look(): Promise<void> {
    if (this.#looking) return;
    this.#looking = true;
    try {
      const { leastFreeBytes, reserveBytes, log } = this.options;
      const missing = reserveBytes - (statSync(this.#file, { throwIfNoEntry: false })?.size ?? 0);
      if (!this.#trouble) {
        if (this.freeBytes < leastFreeBytes) this.#begin(`Only ${megabytes(this.freeBytes)} of disk are free.`);
        else if (missing > 0) await this.#makeReserve();
        return;
      }
      // A little more than is needed to stop, so that it does not stop again at once.
      if (this.freeBytes < 1.1 * leastFreeBytes + missing) return;
      // That it can be written is the proof that the disk works again.
      await this.#makeReserve();
      log.info({ freeBytes: this.freeBytes }, 'there is room on the disk again; telemetry is taken');
      this.#trouble = undefined;
    } catch (error) {
      this.report(error as NodeJS.ErrnoException);
    } finally {
      this.#looking = false;
    }
  }

  #giveUpReserve(): void {
    giveUpReserve(this.options.dataDir);
  }

  async #makeReserve(): Promise<void> {
    const file = await open(this.#file, 'w', 0o600);
    try {
      for (let written = 0; written < this.options.reserveBytes; written += CHUNK.length)
        await file.write(CHUNK, 0, Math.min(CHUNK.length, this.options.reserveBytes - written));
      await file.datasync();
    } catch (error) {
      this.#giveUpReserve();
      throw error;
    } finally {
      await file.close();
    }
  }
}

const megabytes = (bytes: number) => `${Math.floor(bytes / 1024 / 1024).toLocaleString('en-GB')} MB`;
