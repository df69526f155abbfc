import { GOES_ON_WITHIN_MS, STILL_DECIDING_MS } from '../../journeys';
import type { Deviation } from '../../normal';
import { BACKGROUND, eachRow, FAILED, PROBE } from '../../telemetry';
import type { Window } from '../../time';
import { troubledStretches } from './attempt-sums';
import type { BillContext } from './bill-context';
import { outcomeOfRow } from '../rows/row-outcome';

/**
 * madeGood: the same worked soon after; wentOn: they did what usually follows; gone: neither; undecided: they may
 * still.
 */
export const RESOLUTIONS = ['gone', 'undecided', 'wentOn', 'madeGood'] as const;
export type Resolution = (typeof RESOLUTIONS)[number];

/** A person whom an incident hurt, and what they lost. */
export interface HurtPerson {
  /** dictionary numbers, as in the columns */
  person: number;
  tier: number;
  site: number;
  region: number;
  promotion: number;
  late: number;
  hung: number;
  failed: number;
  /** waited longer than expected, milliseconds, over all their attempts that went wrong */
  waitedMs: number;
  /** begin of the last attempt that went wrong, milliseconds since the epoch, and its flow */
  lastMs: number;
  flow: number;
  resolution: Resolution;
  /** what people of their tier bring who are not hurt, units of currency; 0 for all who were not lost */
  lost: number;
}

const BRINGS_WITHIN_MS = 2 * GOES_ON_WITHIN_MS;

/**
 * The people whom an incident hurt, worst off first: those who are gone, then by what went wrong. People who are not
 * named are not among them. Pure in the set of rows.
 */
export function hurtPeople(
  parts: readonly Deviation[],
  window: Window,
  context: Pick<BillContext, 'rows' | 'normalAt' | 'followersOf' | 'knownUntilMs' | 'expectedValue'>,
): HurtPerson[] {
  const { rows, normalAt, followersOf, knownUntilMs } = context;
  const stretches = troubledStretches(
    parts.filter(({ signal }) => signal !== 'missing'),
    window,
  );
  const people = new Map<number, HurtPerson>();
  eachRow(rows, { flows: new Set(stretches.keys()), without: PROBE | BACKGROUND }, (i) => {
    const flow = rows.flow[i] as number;
    const startMs = rows.startMs[i] as number;
    const person = rows.person[i] as number;
    const stretch = stretches.get(flow) as Window;
    if (person === 0 || startMs < stretch.fromMs || startMs >= stretch.toMs) return;
    const normal = normalAt(flow, startMs);
    const outcome = outcomeOfRow(rows, i, normal);
    if (outcome === 'onTime') return;
    let own = people.get(person);
    if (!own) {
      const [tier, site, region, promotion] = [
        rows.tier[i],
        rows.site[i],
        rows.region[i],
        rows.promotion[i],
      ] as number[];
      own = {
        person,
        tier,
        site,
        region,
        promotion,
        late: 0,
        hung: 0,
        failed: 0,
        waitedMs: 0,
        lastMs: 0,
        flow,
        resolution: 'gone',
        lost: 0,
      } as HurtPerson;
      people.set(person, own);
    }
    own[outcome]++;
    own.waitedMs += Math.max(0, (rows.durationMs[i] as number) - (normal.expectedMs ?? Infinity));
    if (startMs > own.lastMs || (startMs === own.lastMs && flow < own.flow)) {
      own.lastMs = startMs;
      own.flow = flow;
    }
  });
  decideResolutions(people, rows, { followersOf, normalAt, knownUntilMs });
  addLosses(people, context);
  return [...people.values()].sort(
    (a, b) =>
      RESOLUTIONS.indexOf(a.resolution) - RESOLUTIONS.indexOf(b.resolution) ||
      b.lost - a.lost ||
      b.failed + b.hung - a.failed - a.hung ||
      b.waitedMs - a.waitedMs ||
      a.person - b.person,
  );
}

type Rows = BillContext['rows'];

function decideResolutions(
  people: ReadonlyMap<number, HurtPerson>,
  rows: Rows,
  {
    followersOf,
    normalAt,
    knownUntilMs,
  }: { followersOf: BillContext['followersOf']; normalAt: BillContext['normalAt']; knownUntilMs: number },
): void {
  for (const own of people.values()) if (own.lastMs > knownUntilMs - STILL_DECIDING_MS) own.resolution = 'undecided';
  for (let i = 0; i < rows.n; i++) {
    const own = people.get(rows.person[i] as number);
    const startMs = rows.startMs[i] as number;
    if (!own || startMs <= own.lastMs || startMs > own.lastMs + GOES_ON_WITHIN_MS) continue;
    const flow = rows.flow[i] as number;
    if (flow === own.flow && outcomeOfRow(rows, i, normalAt(flow, startMs)) === 'onTime') own.resolution = 'madeGood';
    else if (own.resolution !== 'madeGood' && followersOf(own.flow).has(flow)) own.resolution = 'wentOn';
  }
}

/**
 * Who is gone would have brought what those of their tier bring who passed unhurt; of a flow that carries values
 * itself, its expected value.
 */
function addLosses(
  people: ReadonlyMap<number, HurtPerson>,
  { rows, expectedValue, followersOf }: Pick<BillContext, 'rows' | 'expectedValue' | 'followersOf'>,
): void {
  const gone = [...people.values()].filter(({ resolution }) => resolution === 'gone');
  const flows = new Set(gone.map(({ flow }) => flow));
  const onward = new Map<string, number>();
  for (const flow of flows)
    for (const [tier, value] of broughtAfter(rows, flow, followersOf(flow), people))
      onward.set(`${flow}:${tier}`, value);
  for (const own of gone) own.lost = expectedValue(own.flow, own.tier) || (onward.get(`${own.flow}:${own.tier}`) ?? 0);
}

/** Mean of what people who were not hurt brought within an hour after a flow, by tier, units of currency. */
function broughtAfter(
  rows: Rows,
  flow: number,
  followers: ReadonlySet<number>,
  hurt: ReadonlyMap<number, HurtPerson>,
): Map<number, number> {
  const passed = new Map<number, { lastMs: number; tier: number }>();
  eachRow(rows, { flows: flow, without: PROBE | BACKGROUND }, (i) => {
    const person = rows.person[i] as number;
    if (person === 0 || hurt.has(person)) return;
    const lastMs = Math.max(rows.startMs[i] as number, passed.get(person)?.lastMs ?? 0);
    passed.set(person, { lastMs, tier: rows.tier[i] as number });
  });
  const sums = new Map<number, { people: number; value: number }>();
  const sumOf = (tier: number) => {
    let sum = sums.get(tier);
    if (!sum) sums.set(tier, (sum = { people: 0, value: 0 }));
    return sum;
  };
  for (const { tier } of passed.values()) sumOf(tier).people++;
  for (let i = 0; i < rows.n; i++) {
    const own = passed.get(rows.person[i] as number);
    const value = rows.valueMinor[i] as number;
    const startMs = rows.startMs[i] as number;
    if (!own || Number.isNaN(value) || (rows.flags[i] as number) & FAILED || !followers.has(rows.flow[i] as number))
      continue;
    if (startMs >= own.lastMs && startMs <= own.lastMs + BRINGS_WITHIN_MS) sumOf(own.tier).value += value / 100;
  }
  return new Map([...sums].map(([tier, { people, value }]) => [tier, value / people]));
}

/** Values of a dimension among hurt people, those with most people first. */
export function concentrationOf(
  people: readonly HurtPerson[],
  dimension: 'tier' | 'site' | 'region' | 'promotion',
): { value: number; people: number }[] {
  const counts = new Map<number, number>();
  for (const person of people)
    if (person[dimension] !== 0) counts.set(person[dimension], (counts.get(person[dimension]) ?? 0) + 1);
  return [...counts]
    .map(([value, n]) => ({ value, people: n }))
    .sort((a, b) => b.people - a.people || a.value - b.value);
}
