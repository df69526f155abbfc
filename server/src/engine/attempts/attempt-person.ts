import { outcomeOfRow } from '@toplens/core/incidents';
import { BUSINESS_EVENT, FAILED, PAGE } from '@toplens/core/telemetry';
import { DAY_MS } from '@toplens/core/time';
import type { AttemptPersonShape } from '../../contract/attempts';
import { personSince } from '../../store/persons';
import { loadTrace } from '../../store/traces';
import { eachAttempt } from '../reading/each-attempt';
import type { EngineState } from '../state/engine-state';
import type { AttemptQuestion } from '../state/questions';

/**
 * Who made an attempt, as far as it says how much they matter: known since when, and what they did in the day before.
 * null where the attempt is not stored, or nobody is named on it.
 */
export async function attemptPerson(
  state: EngineState,
  { traceId, spanId }: AttemptQuestion,
): Promise<AttemptPersonShape | null> {
  const { attempts } = await loadTrace(state.database, traceId);
  const attempt = attempts.find((one) => one.spanId === spanId);
  const person = attempt?.person ? await personSince(state.database, attempt.person) : undefined;
  if (!attempt || !person) return null;
  const toMs = attempt.startUs / 1000;
  const told = { attempts: 0, wentWrong: 0, value: 0, valued: 0 };
  const window = { fromMs: toMs - DAY_MS, toMs };
  await eachAttempt(state, { window }, (rows, row) => {
    if (rows.person[row] !== person.number) return;
    const flags = rows.flags[row] as number;
    if (!Number.isNaN(rows.valueMinor[row]) && (flags & FAILED) === 0) {
      told.valued++;
      told.value += (rows.valueMinor[row] as number) / 100;
    }
    if (flags & (PAGE | BUSINESS_EVENT)) return;
    told.attempts++;
    const normal = state.history.normalAt(rows.flow[row] as number, rows.startMs[row] as number);
    if (outcomeOfRow(rows, row, normal) !== 'onTime') told.wentWrong++;
  });
  return {
    sinceMs: person.sinceMs < toMs ? person.sinceMs : null,
    window,
    ...told,
    currency: state.settings.at().currency,
  };
}
