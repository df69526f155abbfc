import { outcomeOfRow } from '@toplens/core/incidents';
import { BACKGROUND, PAGE, PROBE } from '@toplens/core/telemetry';
import type { PersonAttemptShape } from '../../contract/persons';
import { attemptsAt } from '../../store/attempts';
import { walkedPart } from '../reading/each-attempt';
import type { PersonQuestion } from '../state/questions';
import { resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';

type Ids = Pick<PersonAttemptShape, 'traceId' | 'spanId' | 'failure'>;
const NOT_KEPT: Ids = { traceId: '', spanId: '', failure: '' };

const MOST = 500;

/** Everything that some persons did in a window, in order on one clock; the newest where it is more than fits. */
export async function personAttempts(
  state: EngineState,
  { persons, window: asked }: PersonQuestion,
): Promise<{ fromMs: number; toMs: number; attempts: PersonAttemptShape[] }> {
  const window = walkedPart(resolveWindow(state, asked));
  const wanted = new Set(persons);
  const found: Omit<PersonAttemptShape, keyof Ids>[] = [];
  await state.hours.visit(window, undefined, (rows, from, to) => {
    for (let i = from; i < to; i++) {
      const startMs = rows.startMs[i] as number;
      // Page loads are told of as page views.
      if (
        (rows.flags[i] as number) & PAGE ||
        !wanted.has(rows.person[i] as number) ||
        startMs < window.fromMs ||
        startMs >= window.toMs
      )
        continue;
      const flow = rows.flow[i] as number;
      const flags = rows.flags[i] as number;
      found.push({
        kind: state.names.flow(flow).kind,
        atMs: startMs,
        durationMs: rows.durationMs[i] as number,
        flow,
        name: state.names.flow(flow).name,
        application: state.names.flow(flow).application,
        outcome: outcomeOfRow(rows, i, state.history.normalAt(flow, startMs)),
        expectedMs: state.history.normalAt(flow, startMs).expectedMs ?? null,
        session: rows.session[i] as number,
        isProbe: (flags & (PROBE | BACKGROUND)) !== 0,
        site: state.names.text(rows.site[i] as number),
        region: state.names.text(rows.region[i] as number),
        tier: state.names.text(rows.tier[i] as number),
        version: state.names.text(rows.version[i] as number),
        value: Number.isNaN(rows.valueMinor[i]) ? null : (rows.valueMinor[i] as number) / 100,
      });
    }
  });
  const newest = found.sort((a, b) => a.atMs - b.atMs || a.flow - b.flow).slice(-MOST);
  const keyOf = (flow: number, startMs: number) => `${flow}:${Math.round(startMs * 1000)}`;
  const starts = new Map<number, number[]>();
  for (const { flow, atMs } of newest) starts.set(flow, [...(starts.get(flow) ?? []), Math.round(atMs * 1000)]);
  const ids = new Map<string, Ids>();
  for (const [flow, moments] of starts)
    for (const { traceId, spanId, startMs, failure } of await attemptsAt(state.database, flow, moments))
      ids.set(keyOf(flow, startMs), { traceId, spanId, failure });
  return {
    ...window,
    attempts: inSessions(newest.map((one) => ({ ...one, ...(ids.get(keyOf(one.flow, one.atMs)) ?? NOT_KEPT) }))),
  };
}

/** What tells no session, as a line of a log, belongs to that of its trace. */
function inSessions(attempts: PersonAttemptShape[]): PersonAttemptShape[] {
  const sessions = new Map(
    attempts
      .filter(({ session, traceId }) => session !== 0 && traceId !== '')
      .map(({ traceId, session }) => [traceId, session]),
  );
  return attempts.map((one) => (one.session === 0 ? { ...one, session: sessions.get(one.traceId) ?? 0 } : one));
}
