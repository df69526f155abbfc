import { dayKinds } from '@toplens/core/time';
import type { Settings } from './settings';
import { CALENDAR_KEY, RATES_KEY, SettingsBook, type SettingChange } from './settings-book';

/** Why a change cannot be used: tried as the engine will use it. `undefined` when it works. */
export function whyUnusable(
  file: Settings,
  change: Pick<SettingChange, 'key' | 'value' | 'fromMs'>,
): string | undefined {
  try {
    const book = new SettingsBook(file, [{ id: 1, atMs: 0, who: '', undoes: null, ...change }]);
    if (change.key === CALENDAR_KEY) {
      const kinds = dayKinds(book.calendarAt(Infinity));
      kinds.isOff(change.fromMs);
      kinds.isExcluded(change.fromMs);
    } else if (change.key === RATES_KEY) {
      if (Object.values(book.ratesAt(Infinity)).some((rate) => typeof rate === 'number' && !Number.isFinite(rate)))
        return 'rates: expected numbers';
    } else {
      const [, application = '', technicalName = ''] = change.key.split('\u001f');
      book.flowAt(application, technicalName, Infinity);
      book.journeys();
    }
    return undefined;
  } catch (error) {
    return (error as Error).message;
  }
}

/** Changes without those that cannot be used: one that an older version kept must not stop anything. */
export const usableChanges = (file: Settings, changes: readonly SettingChange[]): SettingChange[] =>
  changes.filter((change) => whyUnusable(file, change) === undefined);
