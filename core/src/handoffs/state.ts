export const HANDOFF_STATES = [
  'draft',
  'kept',
  'notDelivered',
  'sent',
  'taken',
  'returned',
  'merged',
  'fixReported',
  'watching',
  'proven',
  'inPart',
  'notProven',
] as const;
export type HandoffState = (typeof HANDOFF_STATES)[number];

/** What may follow what. A returned handoff is sent anew as another one. */
const NEXT: Record<HandoffState, readonly HandoffState[]> = {
  draft: ['sent', 'notDelivered'],
  kept: ['draft'],
  notDelivered: ['draft'],
  // What another team's fix has proven is over for all who had it.
  sent: ['taken', 'returned', 'merged', 'proven'],
  taken: ['returned', 'merged', 'fixReported', 'proven'],
  returned: [],
  merged: [],
  fixReported: ['watching', 'proven', 'returned'],
  watching: ['proven', 'inPart', 'notProven', 'fixReported', 'returned'],
  inPart: ['proven', 'notProven', 'watching', 'fixReported', 'returned'],
  notProven: ['proven', 'inPart', 'watching', 'fixReported', 'returned'],
  proven: [],
};

export const canBecome = (from: HandoffState, to: HandoffState): boolean => NEXT[from].includes(to);

/** A handoff that has reached a team, or will by itself. One that is kept, could not be delivered or came back has not. */
export const isWithTeam = (state: HandoffState): boolean =>
  state !== 'kept' && state !== 'notDelivered' && state !== 'returned';

/** A team has said that it works on it, or more. */
export const isAccepted = (state: HandoffState): boolean => isWithTeam(state) && state !== 'draft' && state !== 'sent';

/** After a reported fix, until its end: the incident's own figures are looked at. */
export const isWatched = (state: HandoffState): boolean =>
  state === 'fixReported' || state === 'watching' || state === 'inPart' || state === 'notProven';

/** Words for people. */
export const STATE_WORDS: Record<HandoffState, string> = {
  draft: 'on its way',
  kept: 'kept here: no desk is set up',
  notDelivered: 'not delivered',
  sent: 'sent',
  taken: 'accepted',
  returned: 'returned',
  merged: 'merged',
  fixReported: 'fix reported',
  watching: 'watching',
  proven: 'proven',
  inPart: 'fixed in part',
  notProven: 'not proven',
};

/** Several teams may work on one incident: on what causes it, and on a way round it. */
export const PURPOSES = ['cause', 'workaround'] as const;
export type Purpose = (typeof PURPOSES)[number];

export const PURPOSE_WORDS: Record<Purpose, string> = { cause: 'to end the cause', workaround: 'to work around it' };
