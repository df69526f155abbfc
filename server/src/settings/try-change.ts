import { dayKinds } from '@toplens/core/time';
import { checkSettings, type Settings } from './settings';
import { SettingsBook, type SettingChange } from './settings-book';

/** Why a change cannot be used: tried as the engine will use it. `undefined` when it works. */
export function whyUnusable(
  file: Settings,
  change: Pick<SettingChange, 'key' | 'value' | 'fromMs'>,
): string | undefined {
  try {
    const book = new SettingsBook(file, [{ id: 1, atMs: 0, who: '', undoes: null, ...change }]);
    const settings = book.at();
    checkSettings(book.export(), change.key);
    const kinds = dayKinds(settings.calendar);
    kinds.isOff(change.fromMs);
    kinds.isExcluded(change.fromMs);
    const [, application = '', technicalName = ''] = change.key.split('\u001f');
    book.flowAt(application, technicalName, Infinity);
    return undefined;
  } catch (error) {
    return (error as Error).message;
  }
}

/** Changes without those that cannot be used: one that an older version kept must not stop anything. */
export const usableChanges = (file: Settings, changes: readonly SettingChange[]): SettingChange[] =>
  changes.filter((change) => whyUnusable(file, change) === undefined);
