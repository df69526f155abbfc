export const HANDOFF_STATES = ['draft', 'kept', 'notDelivered', 'sent', 'taken', 'fixReported', 'returned'] as const;
export type HandoffState = (typeof HANDOFF_STATES)[number];

/** What may follow what. A returned handoff is sent anew as another one. */
const NEXT: Record<HandoffState, readonly HandoffState[]> = {
  draft: ['sent', 'notDelivered'],
  kept: ['draft'],
  notDelivered: ['draft'],
  sent: ['taken', 'returned'],
  taken: ['returned', 'fixReported'],
  fixReported: [],
  returned: [],
};

export const canBecome = (from: HandoffState, to: HandoffState): boolean => NEXT[from].includes(to);

/** A handoff that has reached a team, or will by itself. One that is kept, could not be delivered or came back has not. */
export const isWithTeam = (state: HandoffState): boolean =>
  state !== 'kept' && state !== 'notDelivered' && state !== 'returned';

/** Words for people. */
export const STATE_WORDS: Record<HandoffState, string> = {
  draft: 'on its way',
  kept: 'kept here: no desk is set up',
  notDelivered: 'not delivered',
  sent: 'sent',
  taken: 'accepted',
  fixReported: 'fix reported',
  returned: 'returned',
};
