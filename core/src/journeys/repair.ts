import type { JudgedJourney, JudgedStep } from './judge-journey';

/** What mending a step brings, with all steps before it in the list mended. */
export interface Repair {
  /** place in the journey, from 0 */
  step: number;
  flow: number;
  /** people who no longer leave here */
  comeBack: number;
  /** of them those who are lost further down until the steps there are mended */
  hidden: number;
  /** more who complete the journey now, and what they bring, units of currency */
  completions: number;
  value: number;
}

/**
 * Upstream first: of several steps at which people leave beyond the usual the earlier is mended first, since it hides
 * what happens behind it. Each repair is simulated: people flow through steps that keep their shares, those mended lose
 * only as many as usual.
 */
export function repairOrder({ steps, valueEach }: JudgedJourney): Repair[] {
  const setOut = steps[0]?.sessions ?? 0;
  const shares = steps.map(sharesOf);
  const bad = steps.flatMap((step, k) => (isBad(step) ? [k] : []));
  const mended = new Set<number>();
  return bad.map((k) => {
    const before = flowThrough(setOut, shares, mended);
    mended.add(k);
    const after = flowThrough(setOut, shares, mended);
    const goOnMore = (after.reach[k + 1] ?? after.completed) - (before.reach[k + 1] ?? before.completed);
    const completions = after.completed - before.completed;
    return {
      step: k,
      flow: (steps[k] as JudgedStep).flow,
      comeBack: goOnMore,
      hidden: beyondBehind(shares, mended, k, after.reach) - beyondBehind(shares, mended, k, before.reach),
      completions,
      value: Number.isNaN(valueEach) ? 0 : completions * valueEach,
    };
  });
}

/** So many standard errors, as for strained signals: several steps are looked at, and none may be mended for chance. */
const BEYOND_CHANCE = 3;

/**
 * A step is bad when more meet trouble there than usually do, and more of them leave, both beyond chance: something
 * always fails, and somebody leaves for it.
 */
export const isBad = ({ beyondUsual, z, exposed, usuallyExposed }: JudgedStep): boolean =>
  z >= BEYOND_CHANCE &&
  beyondUsual.estimate >= 1 &&
  exposed - usuallyExposed >= BEYOND_CHANCE * Math.sqrt(Math.max(1, usuallyExposed));

interface Shares {
  /** of those who come: leave beyond the usual, and leave at all (as of those whose resolution is known) */
  beyond: number;
  leave: number;
}

function sharesOf({ sessions, undecided, left, beyondUsual }: JudgedStep): Shares {
  const decided = sessions - undecided;
  return {
    beyond: decided > 0 ? Math.min(left, beyondUsual.estimate) / decided : 0,
    leave: decided > 0 ? left / decided : 0,
  };
}

/** How many come to each step, and through the last, of so many who set out. */
function flowThrough(
  setOut: number,
  shares: readonly Shares[],
  mended: ReadonlySet<number>,
): { reach: number[]; completed: number } {
  const reach: number[] = [];
  let people = setOut;
  shares.forEach(({ beyond, leave }, k) => {
    reach.push(people);
    people *= 1 - leave + (mended.has(k) ? beyond : 0);
  });
  return { reach, completed: people };
}

const beyondBehind = (shares: readonly Shares[], mended: ReadonlySet<number>, k: number, reach: readonly number[]) =>
  shares.reduce((sum, { beyond }, j) => (j > k && !mended.has(j) ? sum + beyond * (reach[j] ?? 0) : sum), 0);
