export const HANDOFF_STATES = ['draft', 'sent', 'taken', 'fixReported', 'returned'] as const;
export type HandoffState = (typeof HANDOFF_STATES)[number];

/** What may follow what. A returned handoff is sent anew as another one. */
const NEXT: Record<HandoffState, readonly HandoffState[]> = {
  draft: ['sent'],
  sent: ['taken', 'returned'],
  taken: ['returned', 'fixReported'],
  fixReported: [],
  returned: [],
};

export const canBecome = (from: HandoffState, to: HandoffState): boolean => NEXT[from].includes(to);

/** Words for people. */
export const STATE_WORDS: Record<HandoffState, string> = {
  draft: 'on its way',
  sent: 'sent',
  taken: 'taken',
  fixReported: 'fix reported',
  returned: 'returned',
};
