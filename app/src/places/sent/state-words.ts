import { STATE_WORDS, type HandoffState } from '@toplens/core/handoffs';

/** In the order in which they need somebody's eye. */
export const STATE_ORDER: readonly HandoffState[] = [
  'returned',
  'notProven',
  'inPart',
  'notDelivered',
  'kept',
  'draft',
  'sent',
  'taken',
  'fixReported',
  'watching',
  'proven',
  'merged',
];

export const stateWords = (state: HandoffState): string => STATE_WORDS[state];
