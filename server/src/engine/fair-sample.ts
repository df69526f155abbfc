import type { AttemptColumns } from '@toplens/core/telemetry';
import type { Window } from '@toplens/core/time';
import { attemptsAt, type StoredSample } from '../store/attempts';
import { eachAttempt } from './each-attempt';
import type { World } from './world';

export type RowTest = (rows: AttemptColumns, row: number) => boolean;

/** Up to so many attempts of a flow that are wanted, spread evenly over all of them: a fair share, not the worst. */
export async function fairSample(world: World, flow: number, window: Window, most: number, isWanted: RowTest): Promise<StoredSample[]> {
  const starts: number[] = [];
  await eachAttempt(world, window, new Set([flow]), [], (rows, row) => {
    if (isWanted(rows, row)) starts.push(rows.startMs[row] as number);
  });
  starts.sort((a, b) => a - b);
  const chosen = starts.length <= most ? starts : Array.from({ length: most }, (_, k) => starts[Math.floor(((k + 0.5) * starts.length) / most)] as number);
  return attemptsAt(world.database, flow, chosen.map((startMs) => Math.round(startMs * 1000))); // prettier-ignore
}
