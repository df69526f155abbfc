import { outcomeOf } from '@toplens/core/flows';
import { limitsAt } from '@toplens/core/normal';
import { eachRow, FAILED } from '@toplens/core/telemetry';
import type { Window } from '@toplens/core/time';
import type { SampleShape } from '../../contract/attempts';
import { attemptsAt, type StoredSample } from '../../store/attempts';
import { sliceOf } from './focus';
import { type Focus } from '../state/questions';
import type { EngineState } from '../state/engine-state';

export interface SampleQuestion {
  flow: number;
  window: Window;
  /** failed ones, or those that did not fail */
  failures: boolean;
  /** of those that did not fail, only late and hung ones */
  onlyLate: boolean;
  most: number;
  focus?: Focus;
}

/**
 * Attempts of a flow worth opening: the longest ones. Found in the columns, then read one by one from the database,
 * which alone knows their traces.
 */
export async function worstAttempts(
  state: EngineState,
  { flow, window, failures, onlyLate, most, focus }: SampleQuestion,
): Promise<StoredSample[]> {
  const holds = focus && sliceOf(state, focus);
  const isWanted = (startMs: number, durationMs: number, site: number) =>
    failures || !onlyLate || durationMs > (limitsAt(state.history.normalAt(flow, startMs), site).limitMs ?? 0);
  let worst: { startMs: number; durationMs: number }[] = [];
  let least = -1;
  await state.hours.visit(window, new Set([flow]), (rows, from, to) => {
    eachRow(rows, { flows: flow, window, from, to }, (i) => {
      const startMs = rows.startMs[i] as number;
      const durationMs = rows.durationMs[i] as number;
      if (
        durationMs <= least ||
        (((rows.flags[i] as number) & FAILED) !== 0) !== failures ||
        (holds && !holds(rows, i))
      )
        return;
      if (!isWanted(startMs, durationMs, rows.site[i] as number)) return;
      worst.push({ startMs, durationMs });
      if (worst.length < 4 * most) return;
      worst = worst.sort((a, b) => b.durationMs - a.durationMs || a.startMs - b.startMs).slice(0, most);
      least = (worst.at(-1) as { durationMs: number }).durationMs;
    });
  });
  const wanted = worst.sort((a, b) => b.durationMs - a.durationMs || a.startMs - b.startMs).slice(0, most);
  const stored = await attemptsAt(
    state.database,
    flow,
    wanted.map(({ startMs }) => Math.round(startMs * 1000)),
  );
  return stored
    .filter((one) => one.failed === failures && isWanted(one.startMs, one.durationMs, one.site))
    .sort((a, b) => b.durationMs - a.durationMs || a.traceId.localeCompare(b.traceId))
    .slice(0, most);
}

/** Attempts of a flow as they are stored, in the order of these begins. */
export async function storedInOrder(
  { database }: Pick<EngineState, 'database'>,
  flow: number,
  begins: readonly { startMs: number }[],
): Promise<StoredSample[]> {
  const order = new Map(begins.map((one, place) => [startUs(one), place]));
  const placeOf = (one: { startMs: number }) => order.get(startUs(one)) ?? 0;
  return (await attemptsAt(database, flow, [...order.keys()])).sort(
    (a, b) => placeOf(a) - placeOf(b) || a.traceId.localeCompare(b.traceId),
  );
}

const startUs = ({ startMs }: { startMs: number }) => Math.round(startMs * 1000);

/** Samples as people see them. */
export const sampleShapes = async (state: EngineState, question: SampleQuestion): Promise<SampleShape[]> =>
  (await worstAttempts(state, question)).map((sample) => sampleShapeOf(state, question.flow, sample));

/** A stored attempt as people see it: outcome by the limit that judged, the person by a pseudonym. */
export const sampleShapeOf = (state: EngineState, flow: number, sample: StoredSample): SampleShape => ({
  atMs: sample.startMs,
  durationMs: sample.durationMs,
  outcome: outcomeOf(
    sample.durationMs,
    sample.failed,
    limitsAt(state.history.normalAt(flow, sample.startMs), sample.site).limitMs,
  ),
  failure: sample.failure,
  traceId: sample.traceId,
  spanId: sample.spanId,
  person: state.pseudonyms.of(sample.person),
  component: sample.component,
  value: sample.failed ? null : sample.value,
});
