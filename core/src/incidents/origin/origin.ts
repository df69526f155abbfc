import { bestStretch, robustCentre } from '../../stats';
import { MINUTE_MS } from '../../time';
import { profileOf, timesOf, type ObservedAttempt, type Profile } from './origin-profiles';

/** A release, a setting, a flag: anything that somebody changed. */
export interface ComponentChange {
  component: string;
  atMs: number;
  words: string;
}

export const ORIGIN_REASONS = ['time', 'failures', 'early', 'deep', 'change'] as const;
export type OriginReason = (typeof ORIGIN_REASONS)[number];

/**
 * What each reason weighs in the score, by what is wrong. A component has them all at 1 when it alone holds the time
 * (or the failures), went wrong first, lies deepest, and was changed just before. Set on tuning seeds of the truth
 * bench.
 */
export const ORIGIN_WEIGHTS: Readonly<Record<'slow' | 'failing', Readonly<Record<OriginReason, number>>>> = {
  slow: { time: 0.6, failures: 0.1, early: 0.1, deep: 0.05, change: 0.15 },
  failing: { time: 0.05, failures: 0.65, early: 0.1, deep: 0.05, change: 0.15 },
};

export interface OriginCandidate {
  component: string;
  /** 0 to 1: weighted sum of the reasons */
  score: number;
  reasons: Readonly<Record<OriginReason, number>>;
  /** mean time in an attempt, microseconds: as usual, and in attempts gone wrong */
  usualUs: number;
  nowUs: number;
  /** bad attempts in which it is the deepest that fails */
  failing: number;
  /** when it first left its usual; null when it did not stand out */
  onsetMs: number | null;
  /** steps below the attempt's first span, mean */
  depth: number;
  /** it sends no spans of its own: told by those who call it */
  isSilent: boolean;
  change: ComponentChange | null;
}

/** A component on the paths looked at, whether it has a part in the trouble or not. */
export type Rung = Pick<
  OriginCandidate,
  'component' | 'usualUs' | 'nowUs' | 'failing' | 'onsetMs' | 'depth' | 'isSilent'
>;

export interface Origin {
  /** likeliest first */
  candidates: OriginCandidate[];
  /** all components on the affected paths, from the attempt's begin downwards */
  rungs: Rung[];
  /** what was changed on these paths shortly before, whoever is proposed */
  changes: ComponentChange[];
  /** a second origin at the same time: of the bad attempts that the first does not explain, it explains most */
  second: string | null;
  bad: number;
  usual: number;
}

/** A change so long before the onset may be the cause; one a little after may be dated roughly. */
const CHANGE_BEFORE_MS = 45 * MINUTE_MS;
const CHANGE_AFTER_MS = 2 * MINUTE_MS;
const CHANGE_FADES_MS = 20 * MINUTE_MS;
const EARLY_FADES_MS = 3 * MINUTE_MS;
/** Evidence, as a log-likelihood ratio, from which on a component counts as changed. */
const CHANGED_FROM = 8;
/** Of the attempts that the first origin leaves unexplained, so many and such a share must speak for a second. */
const SECOND_LEAST = 4;
const SECOND_SHARE = 0.15;
const SECOND_EXPLAINS = 0.5;
/** Single extreme attempts must not decide: times count up to this quantile of the usual ones. */
const WINSOR = 0.95;

/**
 * Components proposed as the cause, with their reasons. Own time counts, so a component that only waits for another is
 * no candidate; of failing attempts the deepest failing span counts. A pure function of the set of attempts.
 *
 * @param signal what is wrong with the bad attempts
 * @param onsetMs begin of the trouble, as estimated
 */
export function rankOrigins(
  attempts: readonly ObservedAttempt[],
  signal: 'slow' | 'failing',
  onsetMs: number,
  changes: readonly ComponentChange[],
): Origin {
  const sorted = [...attempts].sort((a, b) => a.atMs - b.atMs);
  const usualUs = new Map<string, number>();
  const usual = sorted.filter((one) => !one.isBad).map((one) => profileOf(one, usualUs));
  for (const component of new Set(usual.flatMap(({ parts }) => [...parts.keys()])))
    usualUs.set(component, winsorMean(timesOf(component, usual)));
  const bad = sorted.filter((one) => one.isBad).map((one) => profileOf(one, usualUs));
  const profiles = [...usual, ...bad].sort((a, b) => a.atMs - b.atMs);
  if (bad.length === 0) return { candidates: [], rungs: [], changes: [], second: null, bad: 0, usual: usual.length };
  const facts = factsOf(bad, usual, profiles, signal);
  const candidates = score(facts, { bad, signal, onsetMs, changes });
  const [first] = candidates;
  const rungs = facts
    .map(({ blamed: _blamed, ...rung }): Rung => rung)
    .sort((a, b) => a.depth - b.depth || a.component.localeCompare(b.component));
  return {
    candidates,
    rungs,
    changes: changes.filter(
      ({ component, atMs }) => isNear(atMs, onsetMs) && rungs.some((rung) => rung.component === component),
    ),
    second: first ? secondOrigin(first, { facts, bad, usual, all: profiles, signal, onsetMs, changes }) : null,
    bad: bad.length,
    usual: usual.length,
  };
}

type Facts = Rung & { blamed: number };

function factsOf(
  bad: readonly Profile[],
  usual: readonly Profile[],
  all: readonly Profile[],
  signal: 'slow' | 'failing',
): Facts[] {
  const components = [...new Set(bad.flatMap(({ parts }) => [...parts.keys()]))];
  return components.map((component) => {
    const present = bad.flatMap(({ parts }) => parts.get(component) ?? []);
    return {
      component,
      usualUs: winsorMean(timesOf(component, usual)),
      nowUs: winsorMean(timesOf(component, bad)),
      failing: present.filter(({ fails }) => fails === 1).length,
      blamed: present.reduce((sum, { fails }) => sum + fails, 0),
      depth: present.reduce((sum, { depth }) => sum + depth, 0) / present.length,
      isSilent: [...bad, ...usual].every(({ parts }) => parts.get(component)?.isSilent ?? true),
      onsetMs: onsetOf(component, all, signal),
    };
  });
}

function score(
  facts: readonly Facts[],
  {
    bad,
    signal,
    onsetMs,
    changes,
  }: { bad: readonly Profile[]; signal: 'slow' | 'failing'; onsetMs: number; changes: readonly ComponentChange[] },
): OriginCandidate[] {
  const excess = facts.reduce((sum, { nowUs, usualUs }) => sum + Math.max(0, nowUs - usualUs), 0);
  const failures = bad.filter(({ parts }) => [...parts.values()].some(({ fails }) => fails > 0)).length;
  const onsets = facts.flatMap((fact) => fact.onsetMs ?? []);
  const earliest = Math.min(...onsets);
  const deepest = Math.max(1, ...facts.map(({ depth }) => depth));
  const weights = ORIGIN_WEIGHTS[signal];
  return facts
    .map(({ blamed, ...fact }): OriginCandidate => {
      const change = changeBefore(fact.component, Math.min(onsetMs, fact.onsetMs ?? onsetMs), changes);
      const time = excess > 0 ? Math.max(0, fact.nowUs - fact.usualUs) / excess : 0;
      const failed = failures > 0 ? blamed / failures : 0;
      // How early and how deep says something of those alone that have a part in what is wrong.
      const has = Math.min(1, 4 * (signal === 'slow' ? time : failed));
      const reasons = {
        time,
        failures: failed,
        early: fact.onsetMs === null ? 0 : has * Math.exp((earliest - fact.onsetMs) / EARLY_FADES_MS),
        deep: (has * fact.depth) / deepest,
        change: change ? has * Math.exp(-Math.abs(onsetMs - change.atMs) / CHANGE_FADES_MS) : 0,
      };
      return {
        ...fact,
        change,
        reasons,
        score: ORIGIN_REASONS.reduce((sum, name) => sum + weights[name] * reasons[name], 0),
      };
    })
    .filter((candidate) => candidate.score > 0.02)
    .sort((a, b) => b.score - a.score || a.component.localeCompare(b.component));
}

const isNear = (atMs: number, onsetMs: number) =>
  atMs >= onsetMs - CHANGE_BEFORE_MS && atMs <= onsetMs + CHANGE_AFTER_MS;

function changeBefore(component: string, onsetMs: number, changes: readonly ComponentChange[]): ComponentChange | null {
  const near = changes.filter((change) => change.component === component && isNear(change.atMs, onsetMs));
  return near.reduce<ComponentChange | null>(
    (newest, change) => (newest && newest.atMs >= change.atMs ? newest : change),
    null,
  );
}

/**
 * From when on the component takes longer (or fails): maximum of the summed log-likelihood ratio over the attempts in
 * order.
 */
function onsetOf(component: string, all: readonly Profile[], signal: 'slow' | 'failing'): number | null {
  const passing = all.filter(({ parts }) => parts.has(component));
  if (signal === 'failing') {
    const fails = passing.map(({ parts }) => parts.get(component)?.fails === 1);
    const usually =
      (passing.filter(({ isBad }, i) => !isBad && fails[i]).length + 0.5) /
      (passing.filter(({ isBad }) => !isBad).length + 1);
    const now =
      (passing.filter(({ isBad }, i) => isBad && fails[i]).length + 0.5) /
      (passing.filter(({ isBad }) => isBad).length + 1);
    if (now <= usually) return null;
    return beginOf(
      passing,
      fails.map((isFailing) => (isFailing ? Math.log(now / usually) : Math.log((1 - now) / (1 - usually)))),
    );
  }
  const logs = passing.map(({ parts }) => Math.log((parts.get(component)?.us ?? 0) + 500));
  const usual = robustCentre(logs.filter((_, i) => !passing[i]?.isBad));
  const now = robustCentre(logs.filter((_, i) => passing[i]?.isBad));
  if (!usual || !now || now.centre <= usual.centre) return null;
  const spread = Math.max(0.2, usual.spread);
  return beginOf(
    passing,
    logs.map((x) => ((x - usual.centre) ** 2 - (x - now.centre) ** 2) / (2 * spread ** 2)),
  );
}

function beginOf(passing: readonly Profile[], scores: readonly number[]): number | null {
  const stretch = bestStretch(scores);
  return stretch && stretch.sum >= CHANGED_FROM ? (passing[stretch.start]?.atMs ?? null) : null;
}

/** Among the bad attempts in which the first origin has no part, who has? */
function secondOrigin(
  first: OriginCandidate,
  {
    facts,
    bad,
    usual,
    all,
    signal,
    onsetMs,
    changes,
  }: {
    facts: readonly Facts[];
    bad: readonly Profile[];
    usual: readonly Profile[];
    all: readonly Profile[];
    signal: 'slow' | 'failing';
    onsetMs: number;
    changes: readonly ComponentChange[];
  },
): string | null {
  const usualOf = new Map(facts.map(({ component, usualUs }) => [component, usualUs]));
  const unexplained = bad.filter(({ parts }) => {
    const own = parts.get(first.component);
    if (signal === 'failing') return own?.fails !== 1;
    const excess = [...parts].reduce(
      (sum, [component, { us }]) => sum + Math.max(0, us - (usualOf.get(component) ?? 0)),
      0,
    );
    return Math.max(0, (own?.us ?? 0) - first.usualUs) < 0.3 * excess;
  });
  if (unexplained.length < SECOND_LEAST || unexplained.length < SECOND_SHARE * bad.length) return null;
  const [next] = score(factsOf(unexplained, usual, all, signal), { bad: unexplained, signal, onsetMs, changes }).filter(
    ({ component }) => component !== first.component,
  );
  return next && next.reasons[signal === 'slow' ? 'time' : 'failures'] >= SECOND_EXPLAINS ? next.component : null;
}

function winsorMean(values: readonly number[]): number {
  if (values.length === 0) return 0;
  const sorted = [...values].sort((a, b) => a - b);
  const most = sorted[Math.ceil(WINSOR * sorted.length) - 1] as number;
  return values.reduce((sum, value) => sum + Math.min(value, most), 0) / values.length;
}

/**
 * How often the first candidate was right in the worlds whose truth is known, by how far its score was ahead of the
 * next (docs/truth.md, tuning seeds 1 to 300): the confidence is measured, not felt.
 */
const RIGHT_BY_LEAD = [
  { lead: 0.45, right: 0.97 },
  { lead: 0.25, right: 0.94 },
  { lead: 0.1, right: 0.81 },
  { lead: 0, right: 0.5 },
] as const;

/**
 * Share of known worlds in which a first candidate as far ahead as this one was right; `undefined` without candidates.
 */
export function originTrust({ candidates: [first, next] }: Pick<Origin, 'candidates'>): number | undefined {
  return first && RIGHT_BY_LEAD.find(({ lead }) => first.score - (next?.score ?? 0) >= lead)?.right;
}
