import type { ChangeSettings } from './api/change-settings';
import type { SettingsBook } from './settings/settings-book';

/** Under this name services are added that were found to begin attempts. */
export const FOUND_BY = 'Top Lens, by itself';
const KEY = 'entryServices';

/**
 * The services that begin attempts, as they should be by what was found: entries are added, and taken away again when
 * other services turn out to call them. What people said of a service holds.
 *
 * @returns `undefined` when nothing is to be changed
 */
export function entriesWith(
  book: SettingsBook,
  { entries, inner }: { entries: string[]; inner: string[] },
): string[] | undefined {
  const now = book.at().entryServices;
  const found = new Set<string>();
  const refused = new Set<string>();
  let before = new Set(book.file.entryServices);
  for (const { who, value } of book.changesOf(KEY)) {
    const after = new Set((value as string[] | null) ?? book.file.entryServices);
    for (const service of [...after].filter((one) => !before.has(one)))
      if (who === FOUND_BY) found.add(service);
      else found.delete(service);
    for (const service of [...before].filter((one) => !after.has(one))) if (who !== FOUND_BY) refused.add(service);
    before = after;
  }
  const added = entries.filter((service) => !now.includes(service) && !refused.has(service));
  const removed = inner.filter((service) => now.includes(service) && found.has(service));
  if (added.length + removed.length === 0) return undefined;
  return [...now.filter((service) => !removed.includes(service)), ...added];
}

/** Brings the setting up to date with what was found. */
export async function keepFoundEntries(
  book: SettingsBook,
  verdicts: { entries: string[]; inner: string[] },
  change: ChangeSettings,
): Promise<void> {
  const value = entriesWith(book, verdicts);
  if (value) await change({ who: FOUND_BY, key: KEY, value });
}
