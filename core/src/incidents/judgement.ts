import { learnSuccession, type Succession } from '../flows';
import { findDeviations, findOutages, type Deviation, type History, type MinuteSeries } from '../normal';
import type { AttemptColumns } from '../telemetry';
import { DAY_MS, floorTo, type Window } from '../time';
import { groupDeviations, type Kin } from './group';
import { minuteSeries, type HourOfFlow } from './judge';
import { narrowSegments } from './narrow';
import type { IncidentPart, Register, StoredIncident } from './register';

export interface Judge {
  history: History;
  register: Register;
  /** number of the application that a flow belongs to */
  applicationOf: (flow: number) => number;
  /** component that holds most of a deviation's time or failures, where traces tell; joins deviations of unlike flows */
  componentOf?: (deviation: Deviation) => string | undefined;
}

/** Deviations of all flows, and outages of whole applications, in a stretch of whole minutes. */
export function deviationsIn(
  window: Window,
  hourOf: (flow: number, hourMs: number) => HourOfFlow | undefined,
  { history, applicationOf }: Pick<Judge, 'history' | 'applicationOf'>,
): Deviation[] {
  const flows = history.flows.filter((flow) => history.firstMsOf(flow) < window.toMs);
  const series = minuteSeries(flows, window, hourOf, (flow, timeMs) => history.normalAt(flow, timeMs));
  const found = [...series].flatMap(([flow, minutes]) => findDeviations(flow, minutes));
  const applications = new Map<number, Map<number, MinuteSeries>>();
  for (const [flow, minutes] of series) {
    const application = applicationOf(flow);
    const known = applications.get(application);
    if (known) known.set(flow, minutes);
    else applications.set(application, new Map([[flow, minutes]]));
  }
  return [...found, ...[...applications.values()].flatMap((own) => findOutages(own, found))];
}

/**
 * Judges a stretch of event time and puts what was found into the register. A pure function of the rows and of what was
 * judged before the stretch: not of the passes that led there.
 *
 * @param deviations of the stretch
 * @param rows attempts of the stretch, and of some hours before it for the order in which people do things; not looked at
 *   when there are no deviations
 * @returns incidents that changed
 */
export function judgeStretch(deviations: readonly Deviation[], rows: AttemptColumns, window: Window, judge: Judge): StoredIncident[] {
  const { history, register } = judge;
  const succession: Succession = learnSuccession(rows);
  const parts = deviations.map((deviation): IncidentPart => {
    const { basis, limitMs, limitBy } = history.normalAt(deviation.flow, deviation.onsetMs);
    return { ...deviation, judgedBy: { basis, limitMs: limitMs ?? null, limitBy } };
  });
  const groups = groupDeviations(parts, succession.precedes, judge.applicationOf, kinOf(rows, parts, judge));
  const changed = register.replace(window, groups);
  // What is trouble today is left out of what is normal from tomorrow on.
  if (changed.length > 0) history.forgetNormalsFrom(floorTo(Math.min(...changed.map((incident) => incident.onsetMs)), DAY_MS) + DAY_MS);
  return changed;
}

/** Deviations of unlike flows are kin when traces lead to one component, or when the same few people are hit in both. */
function kinOf(rows: AttemptColumns, parts: readonly Deviation[], { history, componentOf }: Judge): Kin {
  const bad = parts.filter((part) => part.signal !== 'missing');
  if (new Set(bad.map((part) => part.flow)).size < 2) return () => false;
  const marks = new Map<Deviation, Set<string>>();
  for (const part of bad) {
    const segments = narrowSegments(rows, part, (flow, timeMs) => history.normalAt(flow, timeMs));
    const component = componentOf?.(part);
    marks.set(part, new Set(component === undefined ? segments : [...segments, `component:${component}`]));
  }
  return (a, b) => [...(marks.get(a) ?? [])].some((mark) => marks.get(b)?.has(mark));
}
