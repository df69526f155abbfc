import { DAY_MS } from '@toplens/core/time';
import type { Engine } from '../engine/engine';
import { Problem } from '../errors';
import type { Database } from '../store/database';
import { insertChange, readBook } from '../store/settings';
import type { Settings } from '../settings/settings';
import { whyUnusable } from '../settings/try-change';

/** A change can be in force from so long ago: longer than anything is kept. */
const LONGEST_AGO_MS = 400 * DAY_MS;
const LONGEST_AHEAD_MS = 400 * DAY_MS;

/** What somebody wants to be otherwise. */
export interface WantedChange {
  who: string;
  key: string;
  value: unknown;
  /** from when on; now when left out */
  fromMs?: number | undefined;
  undoes?: number;
}

/** Keeps a change with who and when, and tells the engine and whoever reads telemetry. @throws Problem 'badInput' */
export type ChangeSettings = (change: WantedChange) => Promise<void>;

export interface ChangeSettingsDeps {
  database: Database;
  engine: Pick<Engine, 'ask'>;
  /** what stood in the file at the start */
  file: Settings;
  /** settings were changed: whoever reads telemetry is told */
  onChanged: (settings: Settings) => void;
}

export const changingSettings =
  ({ database, engine, file, onChanged }: ChangeSettingsDeps): ChangeSettings =>
  async (change) => {
    const fromMs = checkFrom(change.fromMs ?? Date.now());
    // Tried before it is kept: what is kept is used at every start.
    const why = whyUnusable(file, { ...change, fromMs });
    if (why !== undefined) throw new Problem('badInput', `value: ${why}`, { field: 'value' });
    await engine.ask('settings', await insertChange(database, { ...change, fromMs }));
    onChanged((await readBook(database, file)).at());
  };

/** @throws Problem 'badInput' */
function checkFrom(fromMs: number): number {
  const now = Date.now();
  if (fromMs < now - LONGEST_AGO_MS || fromMs > now + LONGEST_AHEAD_MS)
    throw new Problem('badInput', 'fromMs: expected a time within 400 days before or after now', { field: 'fromMs' });
  return fromMs;
}
