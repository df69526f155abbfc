import { normalInterval, type Interval } from '../stats';
import { MINUTE_MS, type Window } from '../time';
import { leavingAt, type Passing } from './leaving';
import type { Session, Visit } from './sessions';

/** Whoever goes on does so within this time after an attempt. */
export const GOES_ON_WITHIN_MS = 30 * MINUTE_MS;
/** Who was at a step so shortly before the end of what is known may still go on. */
export const STILL_DECIDING_MS = 5 * MINUTE_MS;

/** What becomes of a session at a step: at the last one, to go on is to complete it. */
export const STEP_ENDS = ['wentOn', 'undecided', 'left'] as const;
export type StepEnd = (typeof STEP_ENDS)[number];

/** Which of those who came to a step are looked at: all, what became of them, or those who met trouble there. */
export const STEP_PARTS = ['came', ...STEP_ENDS, 'leftAfterTrouble', 'metTrouble'] as const;
export type StepPart = (typeof STEP_PARTS)[number];

export interface JudgedStep {
  flow: number;
  /** people (sessions, where nobody is named) who came to the step in the window */
  people: number;
  /** of the sessions that came: how many went on (at the last step: completed it), are still there, left */
  sessions: number;
  wentOn: number;
  undecided: number;
  left: number;
  /** of those who left: beyond the usual, because they met late, hung or failed attempts here */
  beyondUsual: Interval;
  /** how far the excess is from none, in standard errors; 0 where it is not known */
  z: number;
  /** sessions that met such attempts here, and how many usually do */
  exposed: number;
  usuallyExposed: number;
  /** share of those not exposed who leave: the usual */
  usualLeaving: number;
  /**
   * of the leaving among the exposed, the share that the trouble explains: (p1 − p0) / p1; NaN where none of them left
   */
  attributable: number;
  /** what those who left beyond the usual would have brought, units of currency */
  value: Interval;
  /** median over sessions of their longest attempt, milliseconds; NaN without any */
  medianMs: number;
  failedAttempts: number;
  attempts: number;
}

export interface JudgedJourney {
  window: Window;
  setOut: number;
  completed: number;
  /** what completed journeys brought, units of currency */
  value: number;
  /** mean value of a completed one; NaN without any */
  valueEach: number;
  steps: JudgedStep[];
}

/**
 * A journey in a window, step by step. A session belongs to it when it begins the first step in the window; those of
 * the hours before show what is usual. Who met trouble at a step is compared with who did not, like people with like
 * (tier, device in hand or not, and whether they came before).
 *
 * @param sessions of the window and some hours before; any order
 * @param knownUntilMs up to when data is complete
 * @param usualShareOf share of a flow's attempts that are late, hung or failed as usual: something always is
 */
export function judgeJourney(
  sessions: readonly Session[],
  steps: readonly number[],
  {
    window,
    knownUntilMs,
    usualShareOf = () => 0,
  }: { window: Window; knownUntilMs: number; usualShareOf?: (flow: number) => number },
): JudgedJourney {
  const decidedMs = knownUntilMs - STILL_DECIDING_MS;
  const walks = walksOf(sessions, steps, window);
  const inside = walks.filter(({ isInside }) => isInside);
  const completed = inside.filter(({ visits }) => isCompleted(visits, steps));
  const value = completed.reduce((sum, { visits }) => sum + valueOf(visits, 0), 0);
  return {
    window,
    setOut: new Set(inside.map(({ session }) => whoOf(session))).size,
    completed: new Set(completed.map(({ session }) => whoOf(session))).size,
    value,
    valueEach: completed.length > 0 ? value / completed.length : NaN,
    steps: steps.map((flow, k) => judgeStep(walks, { flow, k, steps, decidedMs, usualShare: usualShareOf(flow) })),
  };
}

/** A session at a step of a journey, and what became of it there. */
export interface Walker {
  session: Session;
  visit: Visit;
  end: StepEnd;
}

/**
 * The sessions that a step's counts of `judgeJourney` are made of: those that began the journey in the window and came
 * to the step.
 *
 * @param k the step, from 0
 */
export function walkersAt(
  sessions: readonly Session[],
  steps: readonly number[],
  k: number,
  { window, knownUntilMs }: { window: Window; knownUntilMs: number },
): Walker[] {
  const decidedMs = knownUntilMs - STILL_DECIDING_MS;
  return walksOf(sessions, steps, window)
    .filter(({ isInside }) => isInside)
    .flatMap((walk) => {
      const visit = walk.visits[k];
      if (!visit) return [];
      const passing = passingAt(walk, visit, k, k === steps.length - 1);
      return [{ session: walk.session, visit, end: endOf(passing, decidedMs) }];
    });
}

/** Does a walker belong to a part of those who came to the step? */
export function isOfPart({ visit, end }: Walker, part: StepPart): boolean {
  switch (part) {
    case 'came':
      return true;
    case 'metTrouble':
      return visit.exposed;
    case 'leftAfterTrouble':
      return visit.exposed && end === 'left';
    default:
      return end === part;
  }
}

const endOf = ({ goesOn, lastMs }: Pick<Passing<unknown>, 'goesOn' | 'lastMs'>, decidedMs: number): StepEnd =>
  goesOn ? 'wentOn' : lastMs > decidedMs ? 'undecided' : 'left';

interface Walk {
  session: Session;
  visits: (Visit | undefined)[];
  kind: string;
  isInside: boolean;
}

/** Walks that began before the end of the window; those that began within it are inside. */
function walksOf(sessions: readonly Session[], steps: readonly number[], window: Window): Walk[] {
  const kinds = kindsOf(sessions);
  return sessions.flatMap((session) => {
    const visits = walkOf(session, steps);
    const [first] = visits;
    if (!first || first.firstMs >= window.toMs) return [];
    return [{ session, visits, kind: kinds.get(session) ?? '', isInside: first.firstMs >= window.fromMs }];
  });
}

/** The session's visits of the journey's steps, as far as it came; a step that was passed over is `undefined`. */
function walkOf({ visits }: Session, steps: readonly number[]): (Visit | undefined)[] {
  const own = steps.map((flow) => visits.find((visit) => visit.flow === flow));
  if (!own[0]) return [];
  const last = own.findLastIndex((visit) => visit !== undefined);
  return own.slice(0, last + 1);
}

const isCompleted = (visits: readonly (Visit | undefined)[], steps: readonly number[]) =>
  visits.length === steps.length && (visits.at(-1)?.succeeded ?? false);
const valueOf = (visits: readonly (Visit | undefined)[], from: number) =>
  visits.slice(from).reduce((sum, visit) => sum + (visit?.valueMinor ?? 0), 0) / 100;
const whoOf = ({ person, session }: Session) => (person === 0 ? `s${session}` : String(person));

/** Like people: of the same tier, on a like device, and here for the first time among these sessions or not. */
function kindsOf(sessions: readonly Session[]): Map<Session, string> {
  const seen = new Set<number>();
  const kinds = new Map<Session, string>();
  for (const session of [...sessions].sort(
    (a, b) => (a.visits[0]?.firstMs ?? 0) - (b.visits[0]?.firstMs ?? 0) || a.session - b.session,
  )) {
    kinds.set(session, `${session.tier}${session.isHandheld ? 'h' : ''}${seen.has(session.person) ? '+' : ''}`);
    if (session.person !== 0) seen.add(session.person);
  }
  return kinds;
}

function judgeStep(
  walks: readonly Walk[],
  {
    flow,
    k,
    steps,
    decidedMs,
    usualShare,
  }: { flow: number; k: number; steps: readonly number[]; decidedMs: number; usualShare: number },
): JudgedStep {
  const isLast = k === steps.length - 1;
  const here = walks.flatMap((walk) => {
    const visit = walk.visits[k];
    return visit ? [{ ...walk, visit, passing: passingAt(walk, visit, k, isLast) }] : [];
  });
  const inside = here.filter(({ isInside }) => isInside);
  const {
    byKind,
    exposed: decidedExposed,
    pooled,
    difference,
  } = leavingAt(
    here.map(({ passing }) => passing),
    decidedMs,
  );
  const ends = inside.map(({ passing }) => endOf(passing, decidedMs));
  const wentOn = ends.filter((end) => end === 'wentOn').length;
  const undecided = ends.filter((end) => end === 'undecided').length;
  const sums = {
    people: 0,
    value: 0,
    valueError: 0,
    valueVariance: 0,
    exposed: 0,
    exposedLeft: 0,
    others: 0,
    othersLeft: 0,
  };
  const error = pooled?.standardError ?? 0;
  for (const like of byKind.values()) {
    const exposed = like.exposed + like.undecided;
    const people = difference * exposed;
    const each = like.wentOn > 0 ? like.value / like.wentOn : 0;
    const variance = like.wentOn > 0 ? Math.max(0, like.squares / like.wentOn - each ** 2) : 0;
    sums.people += people;
    sums.value += people * each;
    // The error of the difference is shared by all kinds; what single sessions bring differs by chance of their own.
    sums.valueError += error * exposed * each;
    sums.valueVariance += people * variance;
    sums.exposed += exposed;
    sums.exposedLeft += like.exposedEvents;
    sums.others += like.others;
    sums.othersLeft += like.otherEvents;
  }
  const p1 = decidedExposed > 0 ? sums.exposedLeft / decidedExposed : NaN;
  const [low, high] = [pooled?.riskDifference.low ?? 0, pooled?.riskDifference.high ?? 0];
  const durations = inside.map(({ visit }) => visit.longestMs).sort((a, b) => a - b);
  return {
    flow,
    people: new Set(inside.map(({ session }) => whoOf(session))).size,
    sessions: inside.length,
    wentOn,
    undecided,
    left: inside.length - wentOn - undecided,
    beyondUsual: {
      estimate: sums.people,
      low: Math.max(0, low) * sums.exposed,
      high: Math.max(0, high) * sums.exposed,
    },
    z: errorsFromNone(pooled?.riskDifference.estimate ?? 0, error),
    exposed: inside.filter(({ visit }) => visit.exposed).length,
    usuallyExposed: usualShare * inside.reduce((sum, { visit }) => sum + visit.attempts, 0),
    usualLeaving: sums.others > 0 ? sums.othersLeft / sums.others : NaN,
    attributable: p1 > 0 ? Math.max(0, (pooled?.riskDifference.estimate ?? 0) / p1) : NaN,
    value: atLeastNone(normalInterval(sums.value, Math.hypot(sums.valueError, Math.sqrt(sums.valueVariance)))),
    medianMs: durations[Math.floor(durations.length / 2)] ?? NaN,
    failedAttempts: inside.reduce((sum, { visit }) => sum + visit.failed, 0),
    attempts: inside.reduce((sum, { visit }) => sum + visit.attempts, 0),
  };
}

/** All of one side and none of the other leave no error: that is as far from none as can be. */
const errorsFromNone = (difference: number, error: number) =>
  error > 0 ? difference / error : difference > 0 ? Infinity : 0;

const atLeastNone = ({ estimate, low, high }: Interval): Interval => ({
  estimate,
  low: Math.max(0, low),
  high: Math.max(0, high),
});

/** Going on is any later step in time; at the last step it is to complete it. */
function passingAt({ visits, kind, isInside }: Walk, visit: Visit, k: number, isLast: boolean): Passing<string> {
  const goesOn = isLast
    ? visit.succeeded
    : visits
        .slice(k + 1)
        .some(
          (later) =>
            later !== undefined && later.lastMs >= visit.lastMs && later.firstMs <= visit.lastMs + GOES_ON_WITHIN_MS,
        );
  return {
    kind,
    lastMs: visit.lastMs,
    exposed: visit.exposed,
    inTrouble: isInside,
    goesOn,
    value: valueOf(visits, isLast ? k : k + 1),
  };
}
