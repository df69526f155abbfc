import type { Succession } from '../../flows';
import { findDeviations, findOutages, type Deviation, type History, type MinuteSeries } from '../../normal';
import { emptyColumns, rowsByFlow, type AttemptColumns, type AttemptKind } from '../../telemetry';
import { DAY_MS, floorTo, overlap, type Window } from '../../time';
import { findInSlices, withSlices } from './find-in-slices';
import { groupDeviations } from './group';
import { minuteSeries, type HourOfFlow } from './judge';
import { commonPlaces } from '../rows/common-places';
import { isPlace, shareAbout, narrowSegment, spreadOver } from '../rows/narrow';
import { sharedCauses } from './shared-cause';
import type { OriginCandidate } from '../origin/origin';
import type { IncidentPart, Register, StoredIncident } from '../register';

/** Components that may be the cause, each with a score from 0 to 1. */
export type Suspects = readonly Pick<OriginCandidate, 'component' | 'score'>[];

export interface Judge {
  history: History;
  register: Register;
  /** number of the application that a flow belongs to */
  applicationOf: (flow: number) => number;
  /** what its attempts are; work where it is not told */
  kindOf?: (flow: number) => AttemptKind;
  /** where a deviation comes from, likeliest first, where traces tell; joins deviations of unlike flows */
  suspectsOf?: (deviation: Deviation) => Suspects;
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
  const dispersion = (flows: readonly number[], timeMs: number) => history.dispersionTogether(flows, timeMs);
  return [...found, ...[...applications.values()].flatMap((own) => findOutages(own, found, dispersion))];
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
  const { found, causeOf } = tieTogether(rows, deviations, judge);
  const judgedBy = ({ flow, onsetMs }: Deviation): IncidentPart['judgedBy'] => {
    const { basis, limitMs, limitBy } = history.normalAt(flow, onsetMs);
    return { basis, limitMs: limitMs ?? null, limitBy };
  };
  const groups = groupDeviations(found, succession.precedes, judge.applicationOf, causeOf).map((group) => ({
    ...group,
    parts: group.parts.map((part): IncidentPart => ({ ...part, judgedBy: judgedBy(part) })),
  }));
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
/** What is seen by looking for it, where it was known already that others at the same place are hit. */
const SPREAD_SCORE = 0.9;

/**
 * Deviations of unlike flows are related when traces lead to one component, or when the same few people are hit in both,
 * those at one place or those served by one machine. Where people are told apart, what they met in other flows of the
 * application belongs to it too.
 */
function tieTogether(
  rows: AttemptColumns,
  deviations: readonly Deviation[],
  { history, applicationOf, suspectsOf = () => [] }: Judge,
): { found: Deviation[]; causeOf: (deviation: Deviation) => string | undefined } {
  const normalAt = (flow: number, timeMs: number) => history.normalAt(flow, timeMs);
  const byFlow = rowsByFlow(rows, new Set(deviations.map((deviation) => deviation.flow)));
  const rowsOf = (flow: number) => byFlow.get(flow) ?? NO_ROWS;
  const bad = deviations.filter(({ signal }) => signal !== 'missing');
  const explained = new Map(
    bad.map((part) => [
      part,
      new Map(suspectsOf(part).map(({ component, score }) => [`component:${component}`, score])),
    ]),
  );
  const tell = (part: Deviation, cause: string, score: number) => {
    const causes = explained.get(part) ?? new Map<string, number>();
    explained.set(part, causes.set(cause, Math.max(score, causes.get(cause) ?? 0)));
  };
  const spread: Deviation[] = [];
  for (const part of bad) {
    const segment = narrowSegment(rowsOf(part.flow), part, normalAt);
    if (!segment) continue;
    // A promotion or a tier of one application is another’s by name alone; a place and a machine are everybody’s.
    const application = applicationOf(part.flow);
    const cause = `${segment.dimension}:${segment.value}${isPlace(segment) ? '' : ` of ${application}`}`;
    tell(part, cause, segment.shareOfBad);
    for (const other of bad) {
      if (other.flow === part.flow || !(isPlace(segment) || applicationOf(other.flow) === application)) continue;
      if (!overlap(spanOf(other), spanOf(part))) continue;
      const share = shareAbout(rowsOf(other.flow), other, segment, normalAt);
      if (share !== undefined) tell(other, cause, share);
    }
    if (segment.dimension === 'host') continue;
    const isTaken = (flow: number) =>
      [...deviations, ...spread].some(
        (other) => other.flow === flow && other.signal === part.signal && overlap(spanOf(other), spanOf(part)),
      );
    const siblings = history.flows.filter((flow) => applicationOf(flow) === application && !isTaken(flow));
    for (const other of spreadOver(rows, part, { segment, flows: new Set(siblings), normalAt })) {
      spread.push(other);
      tell(other, cause, SPREAD_SCORE);
    }
  }
  for (const { dimension, value, shares } of commonPlaces(bad, rowsOf, normalAt))
    for (const [part, share] of shares) tell(part, `${dimension}:${value}`, share);
  const causes = sharedCauses(explained);
  return { found: [...deviations, ...spread], causeOf: (deviation) => causes.get(deviation) };
}

const spanOf = ({ onsetMs, endMs }: Deviation): Window => ({ fromMs: onsetMs, toMs: endMs });
