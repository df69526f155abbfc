import { byName } from '../../by-name';
import { apdexOf, formatApdex, OUTCOMES } from '@toplens/core/flows';
import { outcomeOfRow } from '@toplens/core/incidents';
import { proposeTeam } from '@toplens/core/handoffs';
import {
  bucketMiddleMs,
  createHistogram,
  histogramQuantile,
  meanRidit,
  recordInPlace,
  type LogHistogram,
} from '@toplens/core/stats';
import { DIMENSIONS, type Dimension } from '@toplens/core/telemetry';
import { HOUR_MS, stepsOf, type Window } from '@toplens/core/time';
import type { SampleShape } from '../../contract/attempts';
import type { FlowPageShape, SideShape } from '../../contract/flows';
import { flowKey } from '../../settings/settings-book';
import { valueWords } from '../../settings/value-words';
import { eachAttempt, walkedPart } from '../reading/each-attempt';
import { flowsIn, conditionsOf } from '../reading/focus';
import type { Focus, FlowQuestion } from '../state/questions';
import { flowRow } from './flow-table';
import { componentsOfFlow } from '../reading/components-of-flow';
import { marksOf } from '../reading/marks';
import { sampleShapes } from '../reading/samples';
import { narrowedBuckets, withShifted } from '../reading/narrowed-buckets';
import { seriesOf } from '../reading/series';
import { underWaySeries } from '../reading/under-way';
import { comparedWindow, resolveWindow } from '../reading/windows';
import { flowStatements } from '../reading/statements';
import type { EngineState } from '../state/engine-state';

const STEPS = 48;
/** Before the window so much is drawn as context: a quarter of it, and no more than this. */
const LONGEST_LEAD_MS = HOUR_MS;
const SLOWEST = 8;
/** A value stands out when its ridit lies so many standard errors from the norm of all. */
const ODD_ERRORS = 4;
const LEAST_ODDNESS = 0.08;

export async function flowPage(state: EngineState, question: FlowQuestion): Promise<FlowPageShape | null> {
  if (!state.names.has(question.id)) return null;
  const asked = resolveWindow(state, question.window);
  // Single attempts of more than a day are not walked: the last day of a long window is.
  const window = walkedPart(asked);
  const focus: Focus = { ...question.focus, flow: question.id };
  const { row, sums: ofAll } = await flowRow(state, question.id, {
    window,
    against: question.against,
    values: focus.values,
  });
  // Narrowed to another application, nothing of this flow is left.
  const sums = flowsIn(state, focus)?.has(question.id) ? ofAll : undefined;
  const flow = state.names.flow(question.id);
  const normal = state.history.normalAt(question.id, window.toMs - 1);
  const compared = await comparedWindow(state, window, question.against, flow.application);
  const shiftMs = compared && window.toMs - compared.window.toMs;
  const leadMs = Math.min(LONGEST_LEAD_MS, (window.toMs - window.fromMs) / 4);
  const chartWindow = { fromMs: window.fromMs - leadMs, toMs: window.toMs };
  const narrowed = await narrowedBuckets(state, withShifted(chartWindow, shiftMs), focus, new Set([question.id]));
  const limitMs = normal.limitMs;
  const targetOf = (targetMs: number | undefined) =>
    sums && targetMs !== undefined ? formatApdex(apdexOf(sums.durations, sums.failed, targetMs)) : null;
  return {
    window,
    isCut: window !== asked,
    row,
    key: flowKey(flow.application, flow.technicalName),
    team: proposeTeam(state.settings.at().ownership, { application: flow.application, flow: flow.name }) ?? null,
    normal: {
      basis: normal.basis,
      samples: normal.samples,
      days: normal.days,
      expectedMs: normal.expectedMs ?? null,
      learnedLimitMs: normal.learnedLimitMs ?? null,
      ownersLimitMs: flow.limitMs ?? null,
      limitMs: limitMs ?? null,
      limitBy: normal.limitBy,
      lateShare: normal.lateShare,
      failedShare: normal.failedShare,
      sites: [...normal.sites]
        .map(([site, { limitMs: siteMs, lateShare }]) => ({
          site: state.names.text(site),
          limitMs: siteMs as number,
          lateShare,
        }))
        .sort((a, b) => a.site.localeCompare(b.site)),
    },
    sites: [...new Set([...state.names.valuesOf('site'), ...Object.keys(flow.siteLimitsMs)])],
    ownersSiteLimits: Object.entries(flow.siteLimitsMs).map(([site, siteMs]) => ({ site, limitMs: siteMs })),
    statements: await flowStatements(state, question.id, window, focus),
    apdexAtOwners: targetOf(flow.limitMs),
    apdexAtLearned: targetOf(normal.learnedLimitMs),
    outcomes: await outcomesOverTime(state, question.id, window, focus),
    bands: sums ? bandsOf(sums.durations, sums.failed, limitMs) : [],
    charts: [
      ...(['duration', 'failures', 'attempts'] as const).map((name) => ({
        name,
        series: seriesOf(state, { flow: question.id, measure: name, window: chartWindow, shiftMs, narrowed }),
      })),
      {
        name: 'underWay' as const,
        series: await underWaySeries(state, { flow: question.id, window: chartWindow, shiftMs, focus }),
      },
    ].map((chart) => ({
      ...chart,
      flow: flow.name,
      comparedWith: compared?.words ?? null,
      isNarrowed: narrowed !== undefined,
    })),
    marks: await marksOf(
      state,
      { application: flow.application, components: await componentsOfFlow(state, question.id, window) },
      chartWindow,
    ),
    sides: await sidesOf(state, question.id, window, focus),
    slowest: await slowestOf(state, question.id, window, focus),
    incidents: state.register
      .within(window)
      .filter((incident) => incident.parts.some((part) => part.flow === question.id))
      .map((incident) => ({
        id: incident.id,
        onsetMs: incident.onsetMs,
        endMs: incident.endMs,
        inTroubleNow: incident.active,
      })),
    changes: state.settings
      .changesOf(flowKey(flow.application, flow.technicalName))
      .map(({ id, atMs, fromMs, who, key, value, undoes }) => ({
        id,
        atMs,
        fromMs,
        who,
        words: valueWords(key, value),
        undoes,
      })),
  };
}

/** What became of the attempts, in steps over the window. */
async function outcomesOverTime(
  state: EngineState,
  flow: number,
  window: Window,
  focus: Focus,
): Promise<FlowPageShape['outcomes']> {
  const { startMs, stepMs, n } = stepsOf(window, STEPS);
  const counts = byName(OUTCOMES, () => new Array<number>(n).fill(0));
  await eachAttempt(state, { flows: flow, window, conditions: conditionsOf(state, focus) }, (rows, i) => {
    const atMs = rows.startMs[i] as number;
    const outcome = outcomeOfRow(rows, i, state.history.normalAt(flow, atMs));
    const step = Math.floor((atMs - startMs) / stepMs);
    counts[outcome][step] = (counts[outcome][step] as number) + 1;
  });
  return { startMs, stepMs, ...counts };
}

/** Response bands around the limit: how many attempts took up to half of it, up to it, twice, four times, longer. */
function bandsOf(durations: LogHistogram, failed: number, limitMs: number | undefined): FlowPageShape['bands'] {
  const limit = limitMs ?? (histogramQuantile(durations, 0.95) ?? 1_000) * 1.2;
  const edges = [0, limit / 2, limit, 2 * limit, 4 * limit, Infinity];
  const bands = edges
    .slice(1)
    .map((toMs, i) => ({ fromMs: edges[i] as number, toMs: Number.isFinite(toMs) ? toMs : null, attempts: 0 }));
  durations.forEach((count, bucket) => {
    if (count === 0) return;
    const band = bands.find(({ toMs }) => toMs === null || bucketMiddleMs(bucket) <= toMs);
    if (band) band.attempts += count;
  });
  return [...bands, { fromMs: -1, toMs: null, attempts: failed }];
}

interface SideCounts {
  attempts: number;
  bad: number;
  durations: LogHistogram;
}

/** Hosts, sites, versions … side by side on one scale: mean ridit against all of the flow, the odd one marked. */
async function sidesOf(
  state: EngineState,
  flow: number,
  window: Window,
  focus: Focus,
): Promise<FlowPageShape['sides']> {
  const all = createHistogram();
  const values = new Map<Dimension, Map<number, SideCounts>>(DIMENSIONS.map((one) => [one, new Map()]));
  await eachAttempt(state, { flows: flow, window, conditions: conditionsOf(state, focus) }, (rows, i) => {
    const durationMs = rows.durationMs[i] as number;
    const outcome = outcomeOfRow(rows, i, state.history.normalAt(flow, rows.startMs[i] as number));
    const isFailed = outcome === 'failed';
    if (!isFailed) recordInPlace(all, durationMs);
    for (const dimension of DIMENSIONS) {
      const value = rows[dimension][i] as number;
      if (value === 0) continue;
      const known = values.get(dimension) as Map<number, SideCounts>;
      let side = known.get(value);
      if (!side) known.set(value, (side = { attempts: 0, bad: 0, durations: createHistogram() }));
      side.attempts++;
      if (outcome !== 'onTime') side.bad++;
      if (!isFailed) recordInPlace(side.durations, durationMs);
    }
  });
  return DIMENSIONS.map((dimension) => {
    const sides = [...(values.get(dimension) as Map<number, SideCounts>)].map(([value, side]): SideShape => {
      const ridit = meanRidit(all, side.durations);
      const off = ridit ? ridit.mean - 0.5 : 0;
      return {
        value: state.names.text(value),
        attempts: side.attempts,
        badShare: side.bad / side.attempts,
        medianMs: histogramQuantile(side.durations, 0.5) ?? null,
        p95Ms: histogramQuantile(side.durations, 0.95) ?? null,
        ridit: ridit?.mean ?? null,
        riditError: ridit?.standardError ?? null,
        isOdd: ridit !== undefined && Math.abs(off) > LEAST_ODDNESS && Math.abs(off) > ODD_ERRORS * ridit.standardError,
      };
    });
    return {
      dimension,
      sides: sides.sort((a, b) => b.attempts - a.attempts || a.value.localeCompare(b.value)).slice(0, 40),
    };
  }).filter(({ sides }) => sides.length > 0);
}

async function slowestOf(state: EngineState, flow: number, window: Window, focus: Focus): Promise<SampleShape[]> {
  const question = { flow, window, onlyLate: false, focus };
  const slow = await sampleShapes(state, { ...question, failures: false, most: SLOWEST });
  return [...slow, ...(await sampleShapes(state, { ...question, failures: true, most: SLOWEST / 2 }))];
}
