import type { Succession } from '../../flows';
import { findDeviations, findOutages, type Deviation, type History, type MinuteSeries } from '../../normal';
import { emptyColumns, rowsByFlow, type AttemptColumns, type AttemptKind } from '../../telemetry';
import { DAY_MS, floorTo, type Window } from '../../time';
import { findInSlices, withSlices } from './find-in-slices';
import { groupDeviations, type IsRelated } from './group';
import { minuteSeries, type HourOfFlow } from './judge';
import { isAbout, narrowSegment, spreadOver } from '../rows/narrow';
import type { IncidentPart, Register, StoredIncident } from '../register';

export interface Judge {
  history: History;
  register: Register;
  /** number of the application that a flow belongs to */
  applicationOf: (flow: number) => number;
  /** what its attempts are; work where it is not told */
  kindOf?: (flow: number) => AttemptKind;
  /**
   * component that holds most of a deviation's time or failures, where traces tell; joins deviations of unlike flows
   */
  componentOf?: (deviation: Deviation) => string | undefined;
}

/** Who does not come to a page is missing in the work behind it, and is not missed twice. */
const isMissed = (kind: AttemptKind) => kind !== 'page';

/**
 * Deviations of all flows, and outages of whole applications, in a stretch of whole minutes.
 *
 * @param hourOf counts of a flow's hour, in the stretch and `SLICE_PAST_MS` before it
 */
export function deviationsIn(
  window: Window,
  hourOf: (flow: number, hourMs: number) => HourOfFlow | undefined,
  { history, applicationOf, kindOf = () => 'work' }: Pick<Judge, 'history' | 'applicationOf' | 'kindOf'>,
): Deviation[] {
  const flows = history.flows.filter(
    (flow) => history.firstMsOf(flow) < window.toMs && kindOf(flow) !== 'businessEvent',
  );
  const series = minuteSeries(flows, window, hourOf, (flow, timeMs) => history.normalAt(flow, timeMs));
  const found = [...series]
    .flatMap(([flow, minutes]) =>
      withSlices(
        findDeviations(flow, minutes),
        findInSlices(flow, window, (hourMs) => hourOf(flow, hourMs)),
      ),
    )
    .filter(({ flow, signal }) => signal !== 'missing' || isMissed(kindOf(flow)));
  const applications = new Map<number, Map<number, MinuteSeries>>();
  for (const [flow, minutes] of series) {
    if (!isMissed(kindOf(flow))) continue;
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
 * @param rows attempts of the stretch
 * @param succession the order in which people do things, then or shortly before
 * @returns incidents that changed
 */
export function judgeStretch(
  deviations: readonly Deviation[],
  { rows, succession, window, judge }: { rows: AttemptColumns; succession: Succession; window: Window; judge: Judge },
): StoredIncident[] {
  const { history, register } = judge;
  const { found, isRelated } = tieTogether(rows, deviations, judge);
  const parts = found.map((deviation): IncidentPart => {
    const { basis, limitMs, limitBy } = history.normalAt(deviation.flow, deviation.onsetMs);
    return { ...deviation, judgedBy: { basis, limitMs: limitMs ?? null, limitBy } };
  });
  const groups = groupDeviations(parts, succession.precedes, judge.applicationOf, isRelated);
  const midnights: number[] = [];
  for (let dayMs = floorTo(window.fromMs, DAY_MS); dayMs < window.toMs; dayMs += DAY_MS) midnights.push(dayMs + DAY_MS);
  const before = midnights.map((midnightMs) => register.troubledBefore(midnightMs));
  const changed = register.replace(window, groups);
  // What was trouble before a midnight is left out of what is normal after it.
  midnights.forEach((midnightMs, i) => {
    const after = register.troubledBefore(midnightMs);
    const flows = new Set([...(before[i] as Map<number, string>).keys(), ...after.keys()]);
    history.changed({
      what: 'trouble',
      flows: [...flows].filter((flow) => before[i]?.get(flow) !== after.get(flow)),
      fromMs: midnightMs,
    });
  });
  return changed;
}

const NO_ROWS = emptyColumns(0);

/**
 * Deviations of unlike flows are related when traces lead to one component, or when the same few people are hit in both.
 * Where people are told apart, what they met in other flows of the application belongs to it too.
 */
function tieTogether(
  rows: AttemptColumns,
  deviations: readonly Deviation[],
  { history, applicationOf, componentOf }: Judge,
): { found: Deviation[]; isRelated: IsRelated } {
  const normalAt = (flow: number, timeMs: number) => history.normalAt(flow, timeMs);
  const found = [...deviations];
  const byFlow = rowsByFlow(rows, new Set(deviations.map((deviation) => deviation.flow)));
  const rowsOf = (flow: number) => byFlow.get(flow) ?? NO_ROWS;
  const marks = new Map<string, Set<string>>();
  const keyOf = (part: Deviation) => `${part.flow}:${part.signal}:${part.onsetMs}`;
  for (const part of deviations) {
    if (part.signal === 'missing') continue;
    const own = marks.get(keyOf(part)) ?? new Set<string>();
    marks.set(keyOf(part), own);
    const component = componentOf?.(part);
    if (component !== undefined) own.add(`component:${component}`);
    const segment = narrowSegment(rowsOf(part.flow), part, normalAt);
    if (!segment) continue;
    const mark = `${segment.dimension}:${segment.value}`;
    own.add(mark);
    for (const other of deviations) {
      if (
        other.signal === 'missing' ||
        other.flow === part.flow ||
        applicationOf(other.flow) !== applicationOf(part.flow)
      )
        continue;
      if (
        other.onsetMs >= part.endMs ||
        other.endMs <= part.onsetMs ||
        !isAbout(rowsOf(other.flow), other, segment, normalAt)
      )
        continue;
      const marksOfOther = marks.get(keyOf(other)) ?? new Set<string>();
      marks.set(keyOf(other), marksOfOther.add(mark));
    }
    const isTaken = (flow: number) =>
      found.some(
        (other) =>
          other.flow === flow &&
          other.signal === part.signal &&
          other.onsetMs < part.endMs &&
          other.endMs > part.onsetMs,
      );
    const siblings = history.flows.filter((flow) => applicationOf(flow) === applicationOf(part.flow) && !isTaken(flow));
    for (const other of spreadOver(rows, part, { segment, flows: new Set(siblings), normalAt })) {
      found.push(other);
      marks.set(keyOf(other), own);
    }
  }
  return {
    found,
    isRelated: (a, b) => [...(marks.get(keyOf(a)) ?? [])].some((mark) => marks.get(keyOf(b))?.has(mark)),
  };
}
