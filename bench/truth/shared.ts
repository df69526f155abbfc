import { outcomeOfRow, rankOrigins, type ObservedAttempt } from '@toplens/core/incidents';
import { percent } from '@toplens/core/words';
import { seededRandom, type Random } from '@toplens/core/stats';
import { eachRow } from '@toplens/core/telemetry';
import { HOUR_MS, overlap } from '@toplens/core/time';
import type { TroubleTruth } from '../../scenario/src/random-worlds/truth';
import { planSharedWorld, type SharedWorld } from '../../scenario/src/random-worlds/shared';
import { WorldPlayer } from '../../scenario/src/random-worlds/play';
import { traceAttempt } from '../../scenario/src/random-worlds/traces';
import { judgeWorld, type Found, type SuspectsInWorld } from './judge-world';

/** Seeds by which joining was set, and seeds that were looked at for the report alone. */
export const SHARED_TUNING = { first: 1, last: 520 };
export const SHARED_REPORTING = { first: 521, last: 640 };

/** As the engine does: so many attempts gone wrong, and so many usual ones. */
const EACH = 60;
const LOOK_MS = HOUR_MS;
const USUAL_MS = 3 * HOUR_MS;
const LOST = 0.03;
/** Troubles that hurt fewer are too small to be asked for. */
const FEWEST_HURT = 20;
/** An incident is (also) about a trouble that holds so much of what went wrong in it. */
const ABOUT = 0.25;

/** What became of the troubles of one world. */
export interface SharedVerdict {
  seed: number;
  troubles: number;
  /** troubles that stand in the list as one incident */
  one: number;
  /** pairs of troubles at the same time, and those of them that no incident mixes */
  pairs: number;
  apart: number;
  words: string[];
}

/** Plays a world of shared parts, judges it with the traces of its attempts, and tells what was split and mixed. */
export function judgeSharedWorld(seed: number, change: (world: SharedWorld) => void = () => undefined): SharedVerdict {
  const world = planSharedWorld(seed);
  change(world);
  const player = new WorldPlayer(world.plan);
  const { found, truth } = judgeWorld(world.plan, player, suspectsBy(world, player, seededRandom(seed)));
  const troubles = truth.filter(({ people }) => people.size >= FEWEST_HURT);
  const main = new Map(found.map((one) => [one, mainTrouble(one, player, truth)]));
  const own = (number: number) => found.filter((one) => main.get(one)?.number === number);
  const listed = troubles.filter(({ trouble }) => found.some((one) => main.get(one)?.all.has(trouble.number)));
  const isOne = ({ trouble }: TroubleTruth) => own(trouble.number).length <= 1;
  const pairs = listed.flatMap((a, i) =>
    listed.slice(i + 1).flatMap((b) => (overlap(a.trouble, b.trouble) ? [[a, b] as const] : [])),
  );
  const isApart = (pair: readonly TroubleTruth[]) => pair.every(({ trouble }) => own(trouble.number).length > 0);
  const words = ({ trouble }: TroubleTruth) => `${trouble.number} (${world.shared.get(trouble.number)?.kind})`;
  return {
    seed,
    troubles: listed.length,
    one: listed.filter(isOne).length,
    pairs: pairs.length,
    apart: pairs.filter(isApart).length,
    words: [
      ...listed
        .filter((truth) => !isOne(truth))
        .map((truth) => `trouble ${words(truth)} is listed as ${own(truth.trouble.number).map(partsOf).join(' and ')}`),
      ...pairs.filter((pair) => !isApart(pair)).map(([a, b]) => `${words(a)} and ${words(b)} are listed as one`),
    ],
  };
}

const partsOf = ({ incident }: Found) =>
  `[${incident.parts.map(({ flow, signal }) => `${flow} ${signal}`).join(', ')}]`;

/** The trouble that most of an incident’s parts are about, and all that a good share of them are. */
function mainTrouble(
  { incident }: Found,
  player: WorldPlayer,
  truth: readonly TroubleTruth[],
): { number: number; all: Set<number> } | undefined {
  const failing = new Set(truth.flatMap(({ trouble }) => (trouble.kind === 'failing' ? [trouble.number] : [])));
  const weights = new Map<number, number>();
  for (const { flow, signal, onsetMs, endMs } of incident.parts.filter((part) => part.signal !== 'missing')) {
    const touched = [...player.touchedIn(flow, { fromMs: onsetMs, toMs: endMs })].filter(
      ([number]) => failing.has(number) === (signal === 'failing'),
    );
    const all = touched.reduce((sum, [, n]) => sum + n, 0);
    for (const [number, n] of touched) weights.set(number, (weights.get(number) ?? 0) + n / all);
  }
  const total = [...weights.values()].reduce((sum, weight) => sum + weight, 0);
  const [first] = [...weights].sort(([, a], [, b]) => b - a);
  return (
    first && {
      number: first[0],
      all: new Set([...weights].filter(([, weight]) => weight >= ABOUT * total).map(([number]) => number)),
    }
  );
}

/** The origins that traces of a deviation’s attempts lead to; each attempt is traced as the trouble that touched it says. */
function suspectsBy({ callsOf, shared }: SharedWorld, player: WorldPlayer, random: Random): SuspectsInWorld {
  return (deviation, rows, normalAt) => {
    const { flow, signal, onsetMs, endMs } = deviation;
    const calls = callsOf(flow);
    if (signal === 'missing' || !calls) return [];
    const [bad, usual]: [number[], number[]] = [[], []];
    eachRow(
      rows,
      { flows: flow, window: { fromMs: onsetMs - USUAL_MS, toMs: Math.min(endMs, onsetMs + LOOK_MS) } },
      (i) => {
        const startMs = rows.startMs[i] as number;
        const outcome = outcomeOfRow(rows, i, normalAt(flow, startMs));
        const isBad = signal === 'failing' ? outcome === 'failed' : outcome === 'late' || outcome === 'hung';
        if (startMs >= onsetMs && isBad) bad.push(i);
        if (startMs < onsetMs && outcome === 'onTime') usual.push(i);
      },
    );
    const blemishes = { clocks: new Map<string, number>(), lost: LOST, dark: undefined };
    const observed = (i: number, isBad: boolean): ObservedAttempt => {
      const startMs = rows.startMs[i] as number;
      const number = player.troubleOf({ flow, person: rows.person[i] as number, startMs });
      const trouble = number === undefined ? undefined : shared.get(number)?.inTrace(flow);
      const { rootId, spans } = traceAttempt(calls, startMs, { random, blemishes, trouble });
      return { atMs: startMs, rootId, spans, isBad };
    };
    const some = (list: number[]) =>
      list
        .map((i) => ({ i, key: random() }))
        .sort((a, b) => a.key - b.key)
        .slice(0, EACH)
        .map(({ i }) => i);
    return rankOrigins(
      [...some(bad).map((i) => observed(i, true)), ...some(usual).map((i) => observed(i, false))],
      signal === 'failing' ? 'failing' : 'slow',
      onsetMs,
      [],
    ).candidates;
  };
}

export function sharedReport(verdicts: readonly SharedVerdict[], seeds: { first: number; last: number }): string {
  const sum = (of: (one: SharedVerdict) => number) => verdicts.reduce((total, one) => total + of(one), 0);
  const row = (what: string, right: number, all: number) =>
    `| ${what} | ${all} | ${percent(right / all)} | ≥ 95 % | ${right / all >= 0.95 ? 'met' : '**missed**'} |`;
  const words = verdicts.flatMap((one) => one.words.map((text) => `- seed ${one.seed}: ${text}`));
  return [
    '## One trouble, one incident',
    '',
    `${verdicts.length} invented installations of two or three applications that share services, stores and machines (\`scenario/src/random-worlds/shared.ts\`), seeds ${seeds.first} to ${seeds.last}; joining was set on seeds ${SHARED_TUNING.first} to ${SHARED_TUNING.last}. A shared part gets slow or fails, a machine gets slow, or the line of a site does, over several applications; half of the troubles begin within a quarter of an hour after another, and a flow may be hit by two. Counted are troubles that hurt at least ${FEWEST_HURT} people and were found.`,
    '',
    '| what | troubles, pairs | measured | goal | |',
    '|---|---:|---:|---:|---|',
    row(
      'one trouble is one incident',
      sum((one) => one.one),
      sum((one) => one.troubles),
    ),
    row(
      'two troubles at the same time are two incidents',
      sum((one) => one.apart),
      sum((one) => one.pairs),
    ),
    ...(words.length > 0 ? ['', ...words] : []),
  ].join('\n');
}
