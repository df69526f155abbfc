import { badnessOf, countInPlace, emptyField, type Outcome } from '@toplens/core/flows';
import { outcomeOfRow } from '@toplens/core/incidents';
import type { AttemptColumns } from '@toplens/core/telemetry';
import type { Window } from '@toplens/core/time';
import type { FieldShape, RegionKind, RegionShape } from '../../contract/flows';
import { eachAttempt, walkedPart } from '../reading/each-attempt';
import { conditionsOf } from '../reading/focus';
import type { Focus, FieldQuestion, RegionQuestion } from '../state/questions';
import { sampleShapeOf, storedInOrder } from '../reading/samples';
import { resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';

/** So many attempts of a region are listed. */
const MOST_LISTED = 60;
const BELONGS: Readonly<Record<RegionKind, (outcome: Outcome) => boolean>> = {
  failed: (outcome) => outcome === 'failed',
  bad: (outcome) => outcome !== 'onTime',
  succeeded: (outcome) => outcome !== 'failed',
};

/** Attempts of a flow by time and duration; null when there is no such flow. */
export async function flowField(
  state: EngineState,
  { id, window: asked, focus }: FieldQuestion,
): Promise<FieldShape | null> {
  if (!state.names.has(id)) return null;
  const window = walkedPart(resolveWindow(state, asked));
  let [shortest, longest, attempts] = [Infinity, 0, 0];
  await each(state, id, window, {
    focus,
    see: (rows, i) => {
      const took = rows.durationMs[i] as number;
      if (took < shortest) shortest = took;
      if (took > longest) longest = took;
      attempts++;
    },
  });
  const field = emptyField(window, attempts > 0 ? shortest : 1, longest);
  await each(state, id, window, {
    focus,
    see: (rows, i) => {
      const atMs = rows.startMs[i] as number;
      countInPlace(
        field,
        atMs,
        rows.durationMs[i] as number,
        outcomeOfRow(rows, i, state.history.normalAt(id, atMs)) !== 'onTime',
      );
    },
  });
  return { window, attempts, limitMs: state.history.normalAt(id, window.toMs - 1).limitMs ?? null, ...field };
}

/**
 * Attempts of a region, worst first: failed, hung, late, then by how long they took. Of those that succeeded the ones
 * that brought most come first.
 */
export async function flowRegion(
  state: EngineState,
  { id, window: asked, focus, fromDurationMs, toDurationMs, only }: RegionQuestion,
): Promise<RegionShape | null> {
  if (!state.names.has(id)) return null;
  const window = walkedPart(resolveWindow(state, asked));
  let found: { startMs: number; durationMs: number; badness: number; value: number }[] = [];
  let [attempts, bad] = [0, 0];
  const isWorse = (a: (typeof found)[number], b: (typeof found)[number]) =>
    (only === 'succeeded' ? b.value - a.value : b.badness - a.badness) ||
    b.durationMs - a.durationMs ||
    a.startMs - b.startMs;
  await each(state, id, window, {
    focus,
    see: (rows, i) => {
      const durationMs = rows.durationMs[i] as number;
      if (durationMs < fromDurationMs || (toDurationMs !== null && durationMs >= toDurationMs)) return;
      const startMs = rows.startMs[i] as number;
      const outcome = outcomeOfRow(rows, i, state.history.normalAt(id, startMs));
      if (only !== undefined && !BELONGS[only](outcome)) return;
      attempts++;
      if (outcome !== 'onTime') bad++;
      found.push({ startMs, durationMs, badness: badnessOf(outcome), value: rows.valueMinor[i] || 0 });
      if (found.length >= 8 * MOST_LISTED) found = found.sort(isWorse).slice(0, MOST_LISTED);
    },
  });
  const worst = found.sort(isWorse).slice(0, MOST_LISTED);
  const listed = (await storedInOrder(state, id, worst)).filter(
    ({ durationMs, failed }) =>
      (only === undefined || only === 'bad' || failed === (only === 'failed')) &&
      durationMs >= fromDurationMs - 0.01 &&
      (toDurationMs === null || durationMs < toDurationMs + 0.01),
  );
  return {
    window,
    attempts,
    bad,
    currency: state.settings.at().currency,
    samples: listed.slice(0, MOST_LISTED).map((sample) => sampleShapeOf(state, id, sample)),
  };
}

const each = (
  state: EngineState,
  id: number,
  window: Window,
  { focus, see }: { focus: Focus; see: (rows: AttemptColumns, row: number) => void },
): Promise<void> => eachAttempt(state, { flows: id, window, conditions: conditionsOf(state, focus) }, see);
