import type { AttemptColumns } from '@toplens/core/telemetry';
import type { Window } from '@toplens/core/time';
import { attemptsAt, type StoredSample } from '../../store/attempts';
import { eachAttempt } from './each-attempt';
import { keptShare } from './kept-share';
import type { EngineState } from '../state/engine-state';
import type { Focus } from '../state/questions';
import { sliceOf } from './focus';

export type RowTest = (rows: AttemptColumns, row: number) => boolean;

/** Attempts of a flow in a window, so many at most. */
export interface SampleOf {
  flow: number;
  window: Window;
  most: number;
}

/** More are asked for than the share needs on average, so that chance seldom leaves too few. */
const TO_SPARE = 1.5;

/**
 * Up to so many attempts of a flow that are wanted, spread evenly over all of them, whose traces are kept: a fair
 * share, not the worst.
 */
export function fairSample(state: EngineState, question: SampleOf, isWanted: RowTest): Promise<StoredSample[]> {
  return sample(state, question, keptShare(state, question.window), isWanted);
}

/** The same of what a filter leaves. */
export function narrowedSample(state: EngineState, question: SampleOf, focus: Focus): Promise<StoredSample[]> {
  const holds = sliceOf(state, focus);
  return fairSample(state, question, (rows, row) => !holds || holds(rows, row));
}

/** The same of attempts that went wrong: all of their traces are kept. */
export function sampleOfBad(state: EngineState, question: SampleOf, isWanted: RowTest): Promise<StoredSample[]> {
  return sample(state, question, 1, isWanted);
}

async function sample(
  state: EngineState,
  { flow, window, most }: SampleOf,
  share: number,
  isWanted: RowTest,
): Promise<StoredSample[]> {
  const starts: number[] = [];
  await eachAttempt(state, { flows: flow, window }, (rows, row) => {
    if (isWanted(rows, row)) starts.push(rows.startMs[row] as number);
  });
  starts.sort((a, b) => a - b);
  const asked = share < 1 ? Math.ceil((most * TO_SPARE) / share) : most;
  const kept = await attemptsAt(
    state.database,
    flow,
    spread(starts, asked).map((startMs) => Math.round(startMs * 1000)),
    share,
  );
  return share < 1
    ? spread(
        kept.sort((a, b) => a.startMs - b.startMs),
        most,
      )
    : kept;
}

/** Up to so many, spread evenly. */
const spread = <T>(all: readonly T[], most: number): T[] =>
  all.length <= most
    ? [...all]
    : Array.from({ length: most }, (_, k) => all[Math.floor(((k + 0.5) * all.length) / most)] as T);
