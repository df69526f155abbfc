import type { Config } from '../config';
import type { Engine } from '../engine/engine';
import type { Intake } from '../intake/intake';
import type { Search } from '../search/search';
import { WHAT_IS_DAMAGED } from '../problems';
import type { BackupRota } from './backup-rota';
import type { DiskGuard } from './disk-guard';
import type { Health, Look } from './health';
import type { Recovery } from './recovery';

/** No evaluation cycle for so long: judging stands. */
const CYCLE_OVERDUE_MS = 120_000;

export interface Watched {
  intake: Intake;
  engine: Engine;
  search: Search;
  disk: DiskGuard;
  recovery: Recovery;
  backups: BackupRota;
  config: Config;
}

const OK = { state: 'ok', words: '' } as const;

export const diskHealth = (disk: DiskGuard): ReturnType<Look> =>
  disk.trouble
    ? { state: 'down', words: `${disk.trouble.words} Nothing is taken; it goes on by itself when there is room.` }
    : OK;

/** What each part says of itself. */
export function watchParts(health: Health, { intake, engine, search, disk, recovery, backups, config }: Watched): void {
  health.watch('disk', () => diskHealth(disk));
  health.watch('intake', () => {
    const { backlogRecords, keptAside } = intake.figures;
    if (disk.trouble)
      return { state: 'down', words: 'Nothing is taken until the disk has room. Senders keep it and send it again.' };
    if (backlogRecords > config.maxBacklogRecords)
      return {
        state: 'degraded',
        words: `${backlogRecords} records wait for the database; senders are told to come back.`,
      };
    if (keptAside > 0)
      return {
        state: 'degraded',
        words: `${keptAside} ${keptAside === 1 ? 'record was' : 'records were'} refused by the database and kept aside.`,
      };
    return OK;
  });
  health.watch('journal', () => {
    if (intake.isReplaying) return { state: 'degraded', words: 'What was taken is being written to the database.' };
    const { damagedBytes } = intake.figures;
    return damagedBytes > 0
      ? {
          state: 'degraded',
          words: `${damagedBytes} bytes of the journal could not be read. They are kept in journal/damaged.`,
        }
      : OK;
  });
  health.watch('database', () => {
    if (recovery.why !== undefined)
      return {
        state: 'down',
        words: 'It went away and is being opened anew. Telemetry is taken into the journal meanwhile.',
      };
    if (recovery.damage)
      return { state: 'degraded', words: `A part of it is damaged (${recovery.damage.what}). ${WHAT_IS_DAMAGED}` };
    const [newest] = recovery.notes;
    return newest ? { state: 'degraded', words: newest.words } : OK;
  });
  health.watch('engine', () => {
    if (!engine.isReady)
      return {
        state: 'down',
        words: engine.lastDeath
          ? `It stopped (${engine.lastDeath}) and is starting again.`
          : 'It is reading what it needs.',
      };
    const { cycleTrouble = '', judgedMs = 0 } = engine.figures ?? {};
    if (cycleTrouble !== '')
      return {
        state: 'degraded',
        words: `Judging failed (${cycleTrouble}) and is tried again${judgedMs > 0 ? `; what is shown is judged up to ${new Date(judgedMs).toISOString().slice(0, 16).replace('T', ' ')} UTC` : ''}.`,
      };
    const beganMs = engine.figures?.cycleBeganMs ?? 0;
    if (beganMs > 0 && Date.now() - beganMs > CYCLE_OVERDUE_MS)
      return {
        state: 'degraded',
        words: `Judging has been under way for ${Math.round((Date.now() - beganMs) / 1000)} s; what is shown is as of the last time it ended.`,
      };
    return OK;
  });
  health.watch('search', () => {
    if (!search.isUp) return { state: 'down', words: 'It is starting again.' };
    return search.deaths > 0
      ? {
          state: 'degraded',
          words: `It was started again ${search.deaths} ${search.deaths === 1 ? 'time' : 'times'}: a question needed more memory than there is.`,
        }
      : OK;
  });
  health.watch('backup', backups.look);
}
