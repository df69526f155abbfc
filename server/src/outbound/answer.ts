import { canBecome, STATE_WORDS, type HandoffState } from '@toplens/core/handoffs';
import type { InferType } from 'yup';
import type { deskAnswer } from '../contract/handoffs';
import { Problem } from '../errors';
import { addEvent, moveTo, setFixed, setState, type HandoffRow } from '../store/handoffs';
import type { Database } from '../store/database';

/** The clock of a desk may be ahead by so much. */
const CLOCKS_MS = 60_000;

/** What a team says of a handoff that it was given. */
export type TeamAnswer = InferType<typeof deskAnswer>;

/**
 * Takes an answer; the same one twice changes nothing, but for a fix: that may be reported again.
 *
 * @throws Problem conflict
 */
export async function takeAnswer(database: Database, handoff: HandoffRow, given: TeamAnswer): Promise<void> {
  const { answer, reason, team, into, fixedAt, by } = given;
  const detail = [by && `by ${by}`, reason].filter(Boolean).join(': ');
  if (answer === 'moved') {
    if (handoff.team === team) return;
    if (!canBecome(handoff.state, 'returned'))
      throw new Problem('conflict', `a handoff that is ${STATE_WORDS[handoff.state]} cannot be moved`, {
        field: 'answer',
      });
    const from = [`from ${handoff.team} to ${team}`, detail].filter(Boolean).join(', ');
    await database.transaction([moveTo(handoff.id, team), addEvent(handoff.id, 'moved', from)]);
    return;
  }
  const to: HandoffState = answer;
  if (handoff.state === to) return;
  if (!canBecome(handoff.state, to))
    throw new Problem('conflict', `a handoff that is ${STATE_WORDS[handoff.state]} cannot become ${STATE_WORDS[to]}`, {
      field: 'answer',
    });
  if (answer === 'fixReported') {
    const fixedMs = fixedAt === '' ? Date.now() : Date.parse(fixedAt);
    if (fixedMs > Date.now() + CLOCKS_MS || fixedMs < Date.parse(handoff.brief.since))
      throw new Problem('badInput', 'fixedAt: a fix is in between the onset of the trouble and now', {
        field: 'fixedAt',
      });
    const since =
      fixedAt === '' ? '' : `in since ${new Date(fixedMs).toISOString().slice(0, 16).replace('T', ' ')} UTC`;
    await database.transaction([
      setState(handoff.id, to),
      setFixed(handoff.id, Math.min(fixedMs, Date.now())),
      addEvent(handoff.id, answer, [since, detail].filter(Boolean).join(', ')),
    ]);
    return;
  }
  const words = answer === 'merged' ? [`into ${into}`, detail].filter(Boolean).join(', ') : detail;
  await database.transaction([setState(handoff.id, to), addEvent(handoff.id, answer, words)]);
}
