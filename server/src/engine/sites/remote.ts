import { outcomeOf } from '@toplens/core/flows';
import { limitsAt } from '@toplens/core/normal';
import { compareRemote, remoteWords, REMOTE_VERDICTS, type RemoteSession } from '@toplens/core/remote';
import { median } from '@toplens/core/stats';
import { FAILED } from '@toplens/core/telemetry';
import { DAY_MS, floorTo, MINUTE_MS, type Window } from '@toplens/core/time';
import type { RemoteShape } from '../../contract/sites';
import { remoteSteps, type RemoteStep } from '../../store/remote';
import { eachAttempt, walkedPart } from '../reading/each-attempt';
import { resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';
import type { RemoteQuestion } from '../state/questions';
import { workIn } from './gather';

/** Curves are drawn in steps of so long. */
const STEP_MS = 15 * MINUTE_MS;

/** Of a session: round trips, step by step, and how many times as long as usual its activities took. */
interface Session {
  group: number;
  steps: { atMs: number; roundTripMs: number }[];
  factors: { atMs: number; factor: number }[];
}

/** Sessions on remote desktops by site, server, client or data centre: the way to the desktop, beside what is done there. */
export async function remote(state: EngineState, { window: asked, focus, by }: RemoteQuestion): Promise<RemoteShape> {
  const window = walkedPart(resolveWindow(state, asked));
  const before = { fromMs: window.fromMs - DAY_MS, toMs: window.fromMs };
  const now = await sessionsOf(state, window, by);
  await addActivities(state, now, { window, focus });
  const earlier = await sessionsOf(state, before, by);
  const groups = new Map<number, Session[]>();
  for (const session of now.values()) groups.set(session.group, [...(groups.get(session.group) ?? []), session]);
  return {
    window,
    before,
    by,
    sessions: now.size,
    groups: [...groups]
      .map(([group, own]) => {
        const then = [...earlier.values()].filter((session) => session.group === group);
        const told = compareRemote(own.map(asCompared), then.map(asCompared));
        const name = state.names.text(group) || 'not told';
        return {
          group: name,
          ...told,
          roundTripMs: told.roundTripMs ?? null,
          beforeMs: told.beforeMs ?? null,
          factor: told.factor ?? null,
          activityFactor: told.activityFactor ?? null,
          words: remoteWords(told, name),
          curve: curveOf(own, window),
        };
      })
      .sort(
        (a, b) =>
          REMOTE_VERDICTS.indexOf(a.verdict) - REMOTE_VERDICTS.indexOf(b.verdict) ||
          (b.factor ?? 0) - (a.factor ?? 0) ||
          a.group.localeCompare(b.group),
      ),
  };
}

async function sessionsOf(state: EngineState, window: Window, by: RemoteQuestion['by']): Promise<Map<number, Session>> {
  const sessions = new Map<number, Session>();
  await remoteSteps(state.database, window, STEP_MS, (step: RemoteStep) => {
    const { session, atMs, roundTripMs } = step;
    const known = sessions.get(session) ?? { group: step[by], steps: [], factors: [] };
    known.steps.push({ atMs, roundTripMs });
    sessions.set(session, known);
  });
  return sessions;
}

/** What was done in these sessions, against what is usual. */
async function addActivities(
  state: EngineState,
  sessions: ReadonlyMap<number, Session>,
  { window, focus }: { window: Window; focus: RemoteQuestion['focus'] },
): Promise<void> {
  const { flows, holds } = workIn(state, focus);
  await eachAttempt(state, { window, flows }, (rows, row) => {
    const session = sessions.get(rows.session[row] as number);
    if (!session || !holds(rows, row)) return;
    const startMs = rows.startMs[row] as number;
    const durationMs = rows.durationMs[row] as number;
    const normal = state.history.normalAt(rows.flow[row] as number, startMs);
    const { limitMs } = limitsAt(normal, rows.site[row] as number);
    const outcome = outcomeOf(durationMs, ((rows.flags[row] as number) & FAILED) !== 0, limitMs);
    if (outcome === 'failed' || outcome === 'hung' || normal.expectedMs === undefined || durationMs <= 0) return;
    session.factors.push({ atMs: startMs, factor: durationMs / normal.expectedMs });
  });
}

const asCompared = ({ steps, factors }: Session): RemoteSession => ({
  roundTripMs: median(steps.map(({ roundTripMs }) => roundTripMs)) ?? 0,
  activityFactor: median(factors.map(({ factor }) => factor)),
});

/** Medians over sessions, step by step; null where nothing came. */
function curveOf(sessions: readonly Session[], { fromMs, toMs }: Window): RemoteShape['groups'][number]['curve'] {
  const startMs = floorTo(fromMs, STEP_MS);
  const length = Math.max(1, Math.ceil((toMs - startMs) / STEP_MS));
  const at = (ms: number) => Math.floor((ms - startMs) / STEP_MS);
  const gather = (told: readonly { atMs: number; value: number }[]) => {
    const steps = Array.from({ length }, (): number[] => []);
    for (const { atMs, value } of told) steps[at(atMs)]?.push(value);
    return steps.map((values) => median(values) ?? null);
  };
  return {
    startMs,
    stepMs: STEP_MS,
    roundTripMs: gather(
      sessions.flatMap(({ steps }) => steps.map(({ atMs, roundTripMs }) => ({ atMs, value: roundTripMs }))),
    ),
    activityFactor: gather(
      sessions.flatMap(({ factors }) => factors.map(({ atMs, factor }) => ({ atMs, value: factor }))),
    ),
  };
}
