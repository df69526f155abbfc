import { badnessOf } from '@toplens/core/flows';
import { isBad, isOfPart, judgeJourney, walkersAt, type Walker } from '@toplens/core/journeys';
import type { SampleShape } from '../../contract/attempts';
import type { JourneyStepPageShape } from '../../contract/journeys';
import { walkedPart } from '../reading/each-attempt';
import { sampleShapeOf, storedInOrder } from '../reading/samples';
import { resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';
import type { JourneyStepQuestion } from '../state/questions';
import { scaled, sessionsOfWay, wayOf, type SessionsRead } from './journeys';

/** Of so many sessions the worst attempt is listed. */
const MOST_LISTED = 60;

/** What a figure of a journey's step is made of: its sessions, each by its worst attempt there. */
export async function journeyStep(
  state: EngineState,
  { window: asked, steps, step: k, of, focus }: JourneyStepQuestion,
): Promise<JourneyStepPageShape | null> {
  const flow = steps[k];
  if (flow === undefined || !steps.every((one) => state.names.has(one))) return null;
  const window = walkedPart(resolveWindow(state, asked));
  const read = await sessionsOfWay(state, { steps, window, focus });
  const { sessions, every, known } = read;
  const walkers = walkersAt(sessions, steps, k, known).filter((walker) => isOfPart(walker, of));
  const judged = judgeJourney(sessions, steps, known).steps[k];
  const { name } = wayOf(state, steps);
  return {
    window,
    journey: name,
    step: k + 1,
    steps: steps.length,
    flow,
    name: state.names.flow(flow).name,
    of,
    currency: state.settings.at().currency,
    every,
    sessions: walkers.length * every,
    beyondUsual: judged && isBad(judged) ? scaled(judged.beyondUsual, every) : null,
    samples: await worstOfEach(state, read, { flow, walkers }),
  };
}

/** Of each session its worst attempt of the flow (failed, hung, late, then the longest), the worst of all first. */
async function worstOfEach(
  state: EngineState,
  { rows, outcomeOf }: SessionsRead,
  { flow, walkers }: { flow: number; walkers: readonly Walker[] },
): Promise<SampleShape[]> {
  interface Found {
    startMs: number;
    durationMs: number;
    badness: number;
  }
  const isWorse = (a: Found, b: Found) => b.badness - a.badness || b.durationMs - a.durationMs || a.startMs - b.startMs;
  const wanted = new Set(walkers.map(({ session }) => session.session));
  const worst = new Map<number, Found>();
  for (let i = 0; i < rows.n; i++) {
    const session = rows.session[i] as number;
    if (rows.flow[i] !== flow || !wanted.has(session)) continue;
    const found = {
      startMs: rows.startMs[i] as number,
      durationMs: rows.durationMs[i] as number,
      badness: badnessOf(outcomeOf(i)),
    };
    const known = worst.get(session);
    if (!known || isWorse(found, known) < 0) worst.set(session, found);
  }
  const listed = [...worst.values()].sort(isWorse).slice(0, MOST_LISTED);
  const stored = await storedInOrder(state, flow, listed);
  return stored.slice(0, MOST_LISTED).map((sample) => sampleShapeOf(state, flow, sample));
}
