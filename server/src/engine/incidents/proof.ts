import {
  isStillThere,
  judgeFix,
  proposeTeam,
  type Proof,
  type Remaining,
  type WatchedPart,
} from '@toplens/core/handoffs';
import {
  minuteSeries,
  originReasons,
  type HarmBill,
  type IncidentPart,
  type StoredIncident,
} from '@toplens/core/incidents';
import { CALM_MINUTES, excessOf, SignalSeries, type Signal, type Tally } from '@toplens/core/normal';
import { sum } from '@toplens/core/stats';
import { DAY_MS, ceilTo, floorTo, HOUR_MS, MINUTE_MS, type Window } from '@toplens/core/time';
import type { ProofShape } from '../../contract/handoffs';
import { billOf } from '../harm/bills';
import { finiteOrNull } from '../reading/finite-or-null';
import { NO_FOCUS } from '../reading/focus';
import { countedMinutes } from '../reading/counted-minutes';
import { originOf } from '../reading/origin';
import type { EngineState } from '../state/engine-state';
import type { ProofQuestion } from '../state/questions';

/** What is told is told anew after so long. */
const STEP_MS = 5 * MINUTE_MS;
/** What cannot be told within a day is not told. */
const LONGEST_MS = DAY_MS;
/** Of a long incident so much before the fix is looked at. */
const BEFORE_MS = 6 * HOUR_MS;

/** Did a fix take the harm away? The incident's own figures since then, against what is usual and what they were. */
export async function proof(state: EngineState, { id, fixMs, wasTold }: ProofQuestion): Promise<ProofShape | null> {
  const incident = state.register.get(id);
  if (!incident) return null;
  const { settleMinutes, calmMinutes } = state.settings.at().handoffs;
  const effectMs = ceilTo(fixMs, MINUTE_MS) + settleMinutes * MINUTE_MS;
  // What was told as not fixed and ended later on begins anew where it was calm.
  const sinceMs =
    wasTold && !incident.active ? Math.max(effectMs, incident.endMs + CALM_MINUTES * MINUTE_MS) : effectMs;
  const untilMs = Math.max(sinceMs, Math.min(state.judgedMs, sinceMs + LONGEST_MS));
  const window = { fromMs: sinceMs, toMs: sinceMs + floorTo(untilMs - sinceMs, STEP_MS) };
  const parts = await watchedParts(state, incident, { fixMs, window });
  const found = judgeFix(parts, {
    watchedMs: window.toMs - window.fromMs,
    calmMs: calmMinutes * MINUTE_MS,
    goesOn: incident.active,
  });
  const toMs = window.fromMs + found.course.length * STEP_MS;
  const isTold = found.verdict === 'inPart' || found.verdict === 'notProven';
  return {
    incident: incident.id,
    onsetMs: incident.onsetMs,
    fixMs,
    fromMs: window.fromMs,
    toMs,
    stepMs: STEP_MS,
    isEffective: state.judgedMs >= sinceMs,
    verdict: found.verdict,
    remaining: shapeOf(found.remaining),
    course: found.course.map(shapeOf),
    parts: incident.parts.map((part, i) =>
      partShape(state, part, lookedAt(parts[i] as WatchedPart, found.course.length), found.parts[i] as Remaining),
    ),
    waitsMs: waitsMs(found, window),
    isCut: untilMs - sinceMs >= LONGEST_MS,
    behind: isTold ? await behindIt(state, incident, found, window) : null,
  };
}

/** A part as far as it was looked at. */
const lookedAt = (part: WatchedPart, steps: number): WatchedPart => ({ ...part, after: part.after.slice(0, steps) });

const shapeOf = ({ share, low, high }: Remaining) => ({
  share: finiteOrNull(share),
  low: finiteOrNull(low),
  high: finiteOrNull(high),
});

/** At traffic like this it can be told so much later; null where none came, or enough did. */
function waitsMs({ verdict, trafficNeeded }: Proof, { fromMs, toMs }: Window): number | null {
  if (verdict !== 'watching' || !Number.isFinite(trafficNeeded) || trafficNeeded <= 1) return null;
  return (trafficNeeded - 1) * (toMs - fromMs);
}

async function watchedParts(
  state: EngineState,
  incident: StoredIncident,
  { fixMs, window }: { fixMs: number; window: Window },
): Promise<WatchedPart[]> {
  const befores = incident.parts.map((part) => beforeOf(part, fixMs));
  const all = { fromMs: Math.min(...befores.map(({ fromMs }) => fromMs)), toMs: window.toMs };
  const hours = new Map<number, Awaited<ReturnType<typeof countedMinutes>>>();
  const load = async ({ fromMs, toMs }: Window) => {
    for (let hourMs = floorTo(fromMs, HOUR_MS); hourMs < toMs; hourMs += HOUR_MS)
      if (!hours.has(hourMs)) hours.set(hourMs, await countedMinutes(state, hourMs));
  };
  for (const one of [...befores, window]) await load(one);
  const seriesOf = minuteSeries(
    [...new Set(incident.parts.map(({ flow }) => flow))],
    all,
    (flow, hourMs) => hours.get(hourMs)?.get(flow),
    (flow, timeMs) => state.history.normalAt(flow, timeMs),
  );
  const tallies = incident.parts.map((part, i) => {
    const series = new SignalSeries(part.signal, seriesOf.get(part.flow) as never);
    const minute = (timeMs: number) => Math.round((timeMs - all.fromMs) / MINUTE_MS);
    const tally = ({ fromMs, toMs }: Window) => series.tally(minute(fromMs), minute(toMs));
    const steps = Array.from({ length: Math.round((window.toMs - window.fromMs) / STEP_MS) }, (_, k) => ({
      fromMs: window.fromMs + k * STEP_MS,
      toMs: window.fromMs + (k + 1) * STEP_MS,
    }));
    return { signal: part.signal, before: tally(befores[i] as Window), after: steps.map(tally) };
  });
  const bill = await billOf(state, incident, {
    window: { fromMs: incident.onsetMs, toMs: Math.max(incident.onsetMs + MINUTE_MS, Math.min(incident.endMs, fixMs)) },
    focus: NO_FOCUS,
    ratesAtMs: fixMs,
  });
  return tallies.map((one) => ({ ...one, weight: weightOf(one.signal, bill, tallies) }));
}

/** While it went on, up to the fix; at least a minute. */
function beforeOf({ onsetMs, endMs }: IncidentPart, fixMs: number): Window {
  const toMs = Math.max(onsetMs + MINUTE_MS, Math.min(floorTo(endMs, MINUTE_MS), floorTo(fixMs, MINUTE_MS)));
  return { fromMs: Math.max(floorTo(onsetMs, MINUTE_MS), toMs - BEFORE_MS), toMs };
}

/** What is charged for each kind of trouble, spread over the attempts that it made go wrong. */
function weightOf(signal: Signal, bill: HarmBill, all: readonly { signal: Signal; before: Tally }[]): number {
  const harmOf = (...names: HarmBill['lines'][number]['name'][]) =>
    sum(bill.lines.filter(({ name }) => names.includes(name)).map(({ harm }) => harm.estimate));
  const isOnly = !all.some((one) => one.signal === (signal === 'slow' ? 'failing' : 'slow'));
  const harm =
    signal === 'missing'
      ? harmOf('missing')
      : signal === 'slow'
        ? harmOf('waiting', ...(isOnly ? (['failed', 'left'] as const) : []))
        : harmOf('failed', 'left', ...(isOnly ? (['waiting'] as const) : []));
  const excess = sum(
    all.filter((one) => one.signal === signal).map(({ before }) => Math.max(0, excessOf(signal, before))),
  );
  return excess > 0 ? Math.max(0, harm) / excess : 0;
}

function partShape(
  state: EngineState,
  { flow, signal }: IncidentPart,
  { before, after }: WatchedPart,
  remaining: Remaining,
): ProofShape['parts'][number] {
  const since = { n: sum(after.map(({ n }) => n)), bad: sum(after.map(({ bad }) => bad)) };
  const usual = sum(after.map((one) => one.usual));
  return {
    flowId: flow,
    flow: state.names.flow(flow).name,
    signal,
    before: finiteOrNull(before.bad / before.n),
    since: finiteOrNull(since.bad / since.n),
    usual: signal === 'missing' ? 1 : finiteOrNull(usual / since.n),
    attempts: Math.round(signal === 'missing' ? since.bad : since.n),
    remaining: shapeOf(remaining),
    isStillThere: isStillThere(remaining),
  };
}

/** Where what still goes on comes from, and whose that is; null where no trace tells. */
async function behindIt(
  state: EngineState,
  incident: StoredIncident,
  { parts }: Proof,
  window: Window,
): Promise<ProofShape['behind']> {
  const left = incident.parts
    .map((part, i) => ({ part, low: (parts[i] as Remaining).low }))
    .filter(({ part, low }) => part.signal !== 'missing' && low > 0)
    .sort((a, b) => b.part.excess - a.part.excess)[0]?.part;
  if (!left) return null;
  const root = { ...left, onsetMs: window.fromMs, endMs: window.toMs, active: false };
  const origin = await originOf(state, root, incident.onsetMs);
  const [first] = origin?.candidates ?? [];
  if (!origin || !first) return null;
  const { application } = state.names.flow(left.flow);
  const owner = proposeTeam(state.settings.at().ownership, { application, component: first.component });
  return {
    component: first.component,
    words: originReasons(first, origin, root.onsetMs).join('; '),
    isAnother: first.component !== incident.component?.name,
    team: owner?.team ?? '',
    reason: owner?.reason ?? '',
  };
}
