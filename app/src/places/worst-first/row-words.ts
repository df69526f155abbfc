import { isWithTeam, STATE_WORDS } from '@toplens/core/handoffs';
import { LEAST_PENALTY } from '@toplens/core/incidents';
import type { Row } from '@/data/client';
import { clock, count, formatMoney, percent } from '@/look/format';

/** "Sender Portal · since 09:42 · growing"; short: without the application, which the incident beside it says. */
export function sinceWords(row: Row, nowMs: number, isShort = false): string {
  const since = row.activeAtEnd
    ? `since ${clock(row.onsetMs, nowMs)}`
    : `${clock(row.onsetMs, nowMs)} to ${clock(row.endMs, nowMs)}`;
  const words = [since, row.trend === 'new' ? 'just now' : row.trend];
  const then = handoffThenWords(row);
  if (then) words.push(then);
  return (isShort ? [...words, ...(row.nearTie ? ['near tie'] : [])] : [row.application, ...words]).join(' · ');
}

/** How the rank moved in the last ten minutes: "▲2", "▼1", "–", "new". */
export function movedWords(moved: number | null): { sign: string; words: string } {
  if (moved === null) return { sign: 'new', words: 'new in the list' };
  if (moved === 0) return { sign: '–', words: 'rank unchanged' };
  return moved > 0 ? { sign: `▲${moved}`, words: `up ${moved}` } : { sign: `▼${-moved}`, words: `down ${-moved}` };
}

/** Where the handoff stands: who has it, or to whom it is to be sent. */
export function handoffWords({ handoff, proposedTeam }: Pick<Row, 'handoff' | 'proposedTeam'>): {
  words: string;
  isOpen: boolean;
} {
  if (handoff === null) return { words: proposedTeam === null ? 'Send' : `Send to ${proposedTeam}`, isOpen: true };
  return { words: `${STATE_WORDS[handoff.state]} · ${handoff.team}`, isOpen: !isWithTeam(handoff.state) };
}

/** Of a past window, who had it then, where that has changed since: "then with nobody". */
export function handoffThenWords({ handoff, handoffThen }: Pick<Row, 'handoff' | 'handoffThen'>): string | undefined {
  if (handoff?.id === handoffThen?.id && handoff?.state === handoffThen?.state) return undefined;
  return handoffThen ? `then ${STATE_WORDS[handoffThen.state]} · ${handoffThen.team}` : 'then with nobody';
}

/** What the chosen ranking weighs, when it is not harm. */
export function weightWords(row: Row, ranking: string, currency: string): string | undefined {
  if (ranking === 'each')
    return `${row.weight < 10 ? row.weight.toFixed(1) : count(row.weight)} points for each person`;
  if (ranking === 'money') return `${formatMoney(row.weight, currency)} not earned`;
  if (ranking === 'promises') return promiseWords(row, currency);
  if (ranking === 'keyCustomers') return `${count(row.weight)} points of key customers`;
  return undefined;
}

/** "€120 more of penalties expected · 12 % of the budget of “Labels for partners”" */
function promiseWords({ weight, promiseSpent }: Row, currency: string): string {
  return [
    weight >= LEAST_PENALTY && `${formatMoney(weight, currency)} more of penalties expected`,
    promiseSpent && `${percent(promiseSpent.budgetShare)} of the budget of “${promiseSpent.name}”`,
  ]
    .filter(Boolean)
    .join(' · ');
}
