import { kendallTauB, median } from '@toplens/core/stats';
import { MINUTE_MS } from '@toplens/core/time';
import { trueHarm, type TroubleTruth } from '../../scenario/src/random-worlds/truth';
import type { Found, JudgedWorld } from './judge-world';
import { QUIET_DAYS } from './judge-world';

/**
 * The harm of an outage is known to 7 % at best: who would have come is chance. So much ahead the worst is clearly
 * worst.
 */
const CLEARLY = 1.1;
/** Troubles that hurt fewer are too small to be asked for. */
export const FEWEST_HURT = 20;
const BEFORE_MS = 10 * MINUTE_MS;

export interface Score {
  worlds: number;
  troubles: number;
  recall: number;
  precision: number;
  /** incidents that match no trouble, a day and 100 flows */
  falsePerDay: number;
  /** a trouble seen as two or more incidents */
  splits: number;
  detectionMedianMin: number;
  /** of troubles that hurt at least one person a minute */
  detectionOfBusyMin: number;
  onsetErrorMedianMin: number;
  tauB: number;
  coverage: { people: number; minutes: number; money: number };
  /** of worlds whose worst trouble hurts enough to be asked for, and of all */
  firstIsFirst: number;
  firstIsFirstOfAny: number;
  /** of those asked for, where the worst did more harm than the next by a tenth: nearer ones chance may turn round */
  firstIsFirstOfClear: number;
  wrongFirst: string[];
  missed: string[];
  falseOnes: string[];
  outside: string[];
}

export const matches = ({ incident }: Pick<Found, 'incident'>, { trouble }: Pick<TroubleTruth, 'trouble'>): boolean =>
  incident.onsetMs < trouble.toMs &&
  incident.endMs > trouble.fromMs - BEFORE_MS &&
  incident.parts.some((part) => trouble.flows.includes(part.flow));

export const describe = ({ plan }: Pick<JudgedWorld, 'plan'>, { trouble, people }: TroubleTruth) =>
  `seed ${plan.seed} ${trouble.kind}${trouble.slice ? ` ${trouble.slice.dimension}` : ''} ×${trouble.factor.toFixed(1)} ${(trouble.share * 100).toFixed(0)} % hurt ${people.size}`;

/** Harm and its lines, true and found, of the trouble that should be first and of the incident that is. */
function describeWrongFirst(world: JudgedWorld, worst: TroubleTruth, first: Found | undefined): string {
  const foundFor = (truth: TroubleTruth) => world.found.filter((found) => matches(found, truth));
  const linesOf = (found: Found) =>
    found.bill.lines.map((line) => `${line.name} ${line.harm.estimate.toFixed(0)}`).join(', ');
  const tell = (truth: TroubleTruth) =>
    `${describe(world, truth)} true harm ${trueHarm(truth).toFixed(0)} (waiting ${truth.minutes.toFixed(0)}, failed ${5 * truth.failed}, left ${(15 * truth.left).toFixed(0)}, missing ${5 * truth.missing}, money ${(0.5 * truth.money).toFixed(0)}, key ${truth.keyHarm.toFixed(0)}) found as ${
      foundFor(truth)
        .map((found) => `${found.bill.harm.estimate.toFixed(0)} (${linesOf(found)})`)
        .join(' and ') || 'nothing'
    }`;
  const firstTruth = first && world.truth.find((truth) => matches(first, truth));
  return `${tell(worst)}; first is ${firstTruth ? tell(firstTruth) : first ? `a false one, ${linesOf(first)}` : 'nothing'}`;
}

export function scoreWorlds(worlds: readonly JudgedWorld[]): Score {
  const score = {
    troubles: 0,
    recalled: 0,
    matched: 0,
    all: 0,
    falseOnes: [] as string[],
    splits: 0,
    missed: [] as string[],
    outside: [] as string[],
    wrongFirst: [] as string[],
  };
  const detections: number[] = [];
  const busy: number[] = [];
  const onsets: number[] = [];
  const taus: number[] = [];
  const inside = { people: [0, 0], minutes: [0, 0], money: [0, 0] };
  let flowDays = 0;
  const firsts = { asked: [0, 0], any: [0, 0], clear: [0, 0] };
  for (const world of worlds) {
    flowDays += world.plan.flows.length * (QUIET_DAYS + 1);
    const big = world.truth.filter((truth) => truth.people.size >= FEWEST_HURT);
    score.troubles += big.length;
    for (const found of [...world.found, ...world.onQuietDays]) {
      score.all++;
      if (world.truth.some((truth) => matches(found, truth))) score.matched++;
      else
        score.falseOnes.push(
          `seed ${world.plan.seed} (${world.plan.shape}): ${found.incident.parts.map((part) => `${part.signal} z ${part.z.toFixed(1)}`).join(', ')}, people ${found.bill.people.estimate.toFixed(0)}`,
        );
    }
    const pairs: { truth: number; harm: number; id: number }[] = [];
    for (const truth of big) {
      const own = world.found.filter((found) => matches(found, truth));
      if (own.length === 0) {
        score.missed.push(describe(world, truth));
        continue;
      }
      score.recalled++;
      score.splits += own.length - 1;
      const best = own.reduce((a, b) => (b.bill.people.estimate > a.bill.people.estimate ? b : a));
      const delay =
        (Math.min(...own.flatMap(({ incident }) => incident.parts.map((part) => part.firedMs))) -
          truth.trouble.fromMs) /
        MINUTE_MS;
      detections.push(delay);
      if (truth.people.size >= (truth.trouble.toMs - truth.trouble.fromMs) / MINUTE_MS) busy.push(delay);
      onsets.push(Math.abs(best.incident.onsetMs - truth.trouble.fromMs) / MINUTE_MS);
      pairs.push({ truth: trueHarm(truth), harm: best.bill.harm.estimate, id: best.incident.id });
      const quantity = (name: string) => best.bill.lines.find((line) => line.name === name)?.quantity;
      const check = (
        what: keyof typeof inside,
        value: number,
        interval: { low: number; high: number; estimate: number } | undefined,
      ) => {
        if (!interval) return;
        inside[what][1] = (inside[what][1] as number) + 1;
        if (value >= interval.low - 0.5 && value <= interval.high + 0.5)
          inside[what][0] = (inside[what][0] as number) + 1;
        else
          score.outside.push(
            `${describe(world, truth)}: ${what} ${value.toFixed(1)} not in ${interval.low.toFixed(1)} to ${interval.high.toFixed(1)}`,
          );
      };
      check('people', truth.people.size, best.bill.people);
      check('minutes', truth.minutes, quantity('waiting'));
      check('money', truth.money, quantity('money'));
    }
    const tau = kendallTauB(
      pairs.map((pair) => pair.truth),
      pairs.map((pair) => pair.harm),
    );
    if (tau !== undefined) taus.push(tau);
    // Few people may be hurt most: whoever is truly first counts, however many they are. Worlds in which that one is
    // too small to be asked for are told apart.
    const [worst, next] = [...world.truth]
      .filter((truth) => trueHarm(truth) > 0)
      .sort((a, b) => trueHarm(b) - trueHarm(a));
    const [first] = [...world.found].sort((a, b) => b.bill.harm.estimate - a.bill.harm.estimate);
    if (worst) {
      const isRight = first !== undefined && matches(first, worst);
      const isAsked = worst.people.size >= FEWEST_HURT;
      const isClear = isAsked && (!next || trueHarm(worst) >= CLEARLY * trueHarm(next));
      for (const count of [firsts.any, ...(isAsked ? [firsts.asked] : []), ...(isClear ? [firsts.clear] : [])]) {
        count[0] = (count[0] as number) + Number(isRight);
        count[1] = (count[1] as number) + 1;
      }
      if (!isRight) score.wrongFirst.push(describeWrongFirst(world, worst, first));
    }
  }
  const share = ([a, b]: number[]) => (a as number) / (b as number);
  return {
    worlds: worlds.length,
    troubles: score.troubles,
    recall: score.recalled / score.troubles,
    precision: score.matched / score.all,
    falsePerDay: (score.falseOnes.length / flowDays) * 100,
    splits: score.splits,
    detectionMedianMin: median(detections) ?? NaN,
    detectionOfBusyMin: median(busy) ?? NaN,
    onsetErrorMedianMin: median(onsets) ?? NaN,
    tauB: taus.reduce((sum, tau) => sum + tau, 0) / taus.length,
    coverage: { people: share(inside.people), minutes: share(inside.minutes), money: share(inside.money) },
    firstIsFirst: share(firsts.asked),
    firstIsFirstOfAny: share(firsts.any),
    firstIsFirstOfClear: share(firsts.clear),
    wrongFirst: score.wrongFirst,
    missed: score.missed,
    falseOnes: score.falseOnes,
    outside: score.outside,
  };
}
