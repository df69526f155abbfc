import { rankOrigins, type ObservedAttempt, type Origin } from '@toplens/core/incidents';
import { percent } from '@toplens/core/words';
import { quantileSorted, seededRandom, sortedCopy } from '@toplens/core/stats';
import { ORIGIN_KINDS, traceWorld, type TracedAttempt, type TraceWorld } from '../../scenario/src/random-worlds/traces';

/** As the engine does: so many attempts gone wrong, and so many usual ones. */
const BAD = 60;
const USUAL = 60;

/** Seeds by which the weights were set, and seeds that are looked at for the report alone. */
export const ORIGIN_TUNING = { first: 1, last: 300 };
export const ORIGIN_REPORTING = { first: 2801, last: 3200 };

export interface JudgedOrigin {
  world: TraceWorld;
  origin: Origin;
}

export function judgeOrigin(world: TraceWorld): JudgedOrigin {
  const random = seededRandom(world.seed);
  const sample = (attempts: readonly TracedAttempt[], n: number) =>
    attempts
      .map((attempt) => ({ attempt, key: random() }))
      .sort((a, b) => a.key - b.key)
      .slice(0, n)
      .map(({ attempt }) => attempt);
  // The learned limit: what one in a hundred usual attempts takes longer than.
  const limitMs = quantileSorted(sortedCopy(world.before.map(({ durationMs }) => durationMs)), 0.99) as number;
  const isBad = ({ durationMs, failed }: TracedAttempt) =>
    world.signal === 'failing' ? failed : !failed && durationMs > limitMs;
  const observed =
    (isTroubled: boolean) =>
    ({ atMs, rootId, spans }: TracedAttempt): ObservedAttempt => ({ atMs, rootId, spans, isBad: isTroubled });
  const bad = sample(world.during.filter(isBad), BAD);
  const usual = sample(
    world.before.filter((one) => !isBad(one) && !one.failed),
    USUAL,
  );
  return {
    world,
    origin: rankOrigins(
      [...bad.map(observed(true)), ...usual.map(observed(false))],
      world.signal,
      world.onsetMs,
      world.changes,
    ),
  };
}

export interface OriginScore {
  worlds: number;
  first: number;
  firstThree: number;
  bothOfTwo: number;
  byKind: { kind: string; worlds: number; first: number; firstThree: number }[];
  /** of those whose first is ahead of the next by so much, how many are right: what a margin is worth */
  byMargin: { from: number; to: number; worlds: number; right: number }[];
  missed: string[];
}

const MARGINS = [0, 0.1, 0.25, 0.45, 1.01];

export function scoreOrigins(seeds: readonly number[]): OriginScore {
  const judged = seeds.map((seed) => judgeOrigin(traceWorld(seed)));
  const isFirst = ({ world, origin }: JudgedOrigin) => world.origins.includes(origin.candidates[0]?.component ?? '');
  const isAmongThree = ({ world, origin }: JudgedOrigin) =>
    origin.candidates.slice(0, 3).some(({ component }) => world.origins.includes(component));
  const share = (some: readonly JudgedOrigin[], holds: (one: JudgedOrigin) => boolean) =>
    some.filter(holds).length / some.length;
  const two = judged.filter(({ world }) => world.origins.length === 2);
  const marginOf = ({ origin }: JudgedOrigin) =>
    (origin.candidates[0]?.score ?? 0) - (origin.candidates[1]?.score ?? 0);
  return {
    worlds: judged.length,
    first: share(judged, isFirst),
    firstThree: share(judged, isAmongThree),
    bothOfTwo: share(two, ({ world, origin }) => {
      const named = new Set([origin.candidates[0]?.component, origin.second]);
      return world.origins.every((component) => named.has(component));
    }),
    byKind: ORIGIN_KINDS.map((kind) => {
      const some = judged.filter(({ world }) => world.kind === kind);
      return { kind, worlds: some.length, first: share(some, isFirst), firstThree: share(some, isAmongThree) };
    }),
    byMargin: MARGINS.slice(1).map((to, i) => {
      const from = MARGINS[i] as number;
      const some = judged.filter((one) => marginOf(one) >= from && marginOf(one) < to);
      return { from, to, worlds: some.length, right: share(some, isFirst) };
    }),
    missed: judged
      .filter((one) => !isFirst(one))
      .map(({ world, origin }) => {
        const told = origin.candidates.slice(0, 3).map(({ component, score }) => `${component} ${score.toFixed(2)}`);
        return `seed ${world.seed} ${world.kind}: truly ${world.origins.join(' and ')}, found ${told.join(', ') || 'nothing'} from ${origin.bad} attempts${whyMissed(world, origin)}`;
      }),
  };
}

/** Why it may have been missed, as far as the world knows: too little to look at, or what makes it hard. */
function whyMissed({ hardships }: TraceWorld, { bad }: Origin): string {
  const why = [
    bad === 0 ? 'no attempt was late: the trouble drowns in the usual spread' : bad < FEW && 'few attempts went wrong',
    ...hardships,
  ].filter(Boolean);
  return why.length === 0 ? '' : ` (${why.join('; ')})`;
}

const FEW = 10;

export function originReport(
  score: OriginScore,
  seeds: { first: number; last: number },
  tuning: { first: number; last: number },
): string {
  const row = (what: string, value: number, goal: number | undefined) =>
    `| ${what} | ${percent(value)} | ${goal === undefined ? '' : `≥ ${percent(goal)}`} | ${goal === undefined ? '' : value >= goal ? 'met' : '**missed**'} |`;
  return [
    '## Where it comes from',
    '',
    `${score.worlds} invented applications (\`scenario/src/random-worlds/traces.ts\`), seeds ${seeds.first} to ${seeds.last}; weights were set on seeds ${tuning.first} to ${tuning.last}. Each has 4 to 12 services with stores and outside services, wrong clocks, lost spans, usual failures and releases that harm nobody. Judged are 60 attempts gone wrong beside 60 usual ones, as the engine takes them; the trouble itself is given, so this measures the origin alone.`,
    '',
    '| what | measured | goal | |',
    '|---|---:|---:|---|',
    row('true component is first', score.first, 0.85),
    row('true component is among the first three', score.firstThree, 0.95),
    row('two origins at once: both named', score.bothOfTwo, undefined),
    ...score.byKind.map(
      ({ kind, first, firstThree, worlds }) =>
        `| ${kind} (${worlds}) | ${percent(first)} first, ${percent(firstThree)} of three | | |`,
    ),
    '',
    'How sure the first one is, by how far its score is ahead of the next:',
    '',
    '| ahead by | worlds | right |',
    '|---|---:|---:|',
    ...score.byMargin.map(
      ({ from, to, worlds, right }) =>
        `| ${from} to ${Math.min(1, to)} | ${worlds} | ${worlds > 0 ? percent(right) : ''} |`,
    ),
    '',
    '### Another component was first',
    '',
    'In brackets: what makes it hard, as the world knows it.',
    '',
    ...score.missed.map((line) => `- ${line}`),
    '',
  ].join('\n');
}
