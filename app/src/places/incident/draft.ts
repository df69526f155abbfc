/** Text that was typed but not sent yet, by incident: it survives closing the sheet, and the browser. */
export interface Draft {
  team?: string;
  note: string;
  /** one key for one handoff: pressing twice sends once */
  key: string;
}

const nameOf = (incident: number) => `toplens.draft.${incident}`;

const newKey = () => `${Date.now().toString(36)}-${Math.random().toString(36).slice(2)}`;

export function readDraft(incident: number): Draft {
  try {
    const stored = localStorage.getItem(nameOf(incident));
    if (stored) return JSON.parse(stored) as Draft;
  } catch {
    // Storage may be forbidden: then a draft lives as long as the sheet.
  }
  return { note: '', key: newKey() };
}

export function keepDraft(incident: number, draft: Draft | undefined): void {
  try {
    if (draft) localStorage.setItem(nameOf(incident), JSON.stringify(draft));
    else localStorage.removeItem(nameOf(incident));
  } catch {
    // See above.
  }
}
