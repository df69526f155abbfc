import { PURPOSE_WORDS, remainingWords, VERDICT_WORDS } from '@toplens/core/handoffs';
import type { Handoff, HandoffSummary, Schemas } from '@/data/client';
import { clock, count, counted, formatMoney, lengthWords } from '@/look/format';

export type Proof = Schemas['FixProof'];
export type Total = NonNullable<NonNullable<HandoffSummary['outcome']>['total']>;

/** "Waits to be accepted for 42 min, 12 min longer than it may"; '' when it waits for nobody. */
export function waitsWords({ waits, stateAt }: Pick<HandoffSummary, 'waits' | 'stateAt'>, nowMs: number): string {
  if (waits === null) return '';
  const since = nowMs - Date.parse(stateAt);
  const late = nowMs - waits.dueMs;
  const what = waits.for === 'accept' ? 'to be accepted' : 'for a fix';
  const how = waits.isLate ? `${lengthWords(late)} longer than it may` : `may wait ${lengthWords(-late)} more`;
  return `Waits ${what} for ${lengthWords(Math.max(0, since))}, ${how}`;
}

/** "Labels & Tracking · to end the cause · P1 · sent 09:42" */
export const aboutWords = ({ team, purpose, priority, createdAt }: HandoffSummary, nowMs: number): string =>
  [team, PURPOSE_WORDS[purpose], priority, `sent ${clock(Date.parse(createdAt), nowMs)}`].filter(Boolean).join(' · ');

/** What the figures say, in a sentence or two. */
export function proofWords(proof: Proof): string {
  if (!proof.isEffective)
    return `A fix was reported at ${clock(proof.fixMs)}. From ${clock(proof.fromMs)} on the figures count: until then it reaches everybody.`;
  const waits =
    proof.verdict === 'watching' && proof.waitsMs !== null && !proof.isCut
      ? ` With traffic like this it can be told in about ${lengthWords(proof.waitsMs)}.`
      : '';
  const cut = proof.verdict === 'watching' && proof.isCut ? ' A day has passed: too little came to tell.' : '';
  return `${VERDICT_WORDS[proof.verdict]} ${remainingWords(proof.remaining)}.${waits}${cut}`;
}

const SIGNAL_WORDS = { slow: 'late', failing: 'failed', missing: 'of those expected came' } as const;

export const signalWords = (signal: Proof['parts'][number]['signal']): string => SIGNAL_WORDS[signal];

/** "5,120 harm points, 412 people hurt and €1,840 not earned, from 09:40 to 11:20" */
export const totalWords = ({ harm, people, money, currency, fromMs, toMs }: Total): string =>
  `${count(harm)} harm points, ${counted(Math.round(people), 'person', 'people')} hurt and ${formatMoney(money, currency)} not earned, from ${clock(fromMs, toMs)} to ${clock(toMs)}`;

/** What a note says that sends on what a fix left over. */
export const leftOverNote = (handoff: Handoff, proof: Proof): string =>
  [
    `${handoff.team} reported a fix at ${clock(proof.fixMs)}: ${remainingWords(proof.remaining)}.`,
    proof.behind ? `What goes on seems to come from ${proof.behind.component}: ${proof.behind.words}.` : '',
  ]
    .filter(Boolean)
    .join('\n');

/** What the figures said when it was told: "Proven: back to normal. 2 % of the harm goes on (0 % to 6 %)" */
export const outcomeWords = ({ proof }: NonNullable<HandoffSummary['outcome']>): string =>
  `${VERDICT_WORDS[proof.verdict]} ${remainingWords(proof.remaining)}`;
