import type { Duty } from '@toplens/core/alerts';
import { readICalendar } from '@toplens/core/formats';

const DAY_MS = 86_400_000;

/** Events of a rota, from a day before a moment on; none of a calendar that cannot be read: Settings say so. */
export function readRota(text: string, aroundMs: number, days = 8): Duty[] {
  try {
    return readICalendar(text, { fromMs: aroundMs - DAY_MS, toMs: aroundMs + days * DAY_MS }).occurrences.map(
      ({ fromMs, toMs, summary }) => ({ fromMs, toMs, who: summary.trim() }),
    );
  } catch {
    return [];
  }
}
