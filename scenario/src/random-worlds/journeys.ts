import { normalDeviate, seededRandom, type Random } from '@toplens/core/stats';
import { MINUTE_MS } from '@toplens/core/time';

/** A session's attempt in an invented journey. */
export interface JourneyAttempt {
  startMs: number;
  durationMs: number;
  flow: number;
  failed: boolean;
  person: number;
  session: number;
  tier: number;
  /** minor units; NaN for none */
  valueMinor: number;
}

/** Trouble at a step: who meets it, by tier, and how many more of them leave. */
export interface StepTrouble {
  step: number;
  share: number[];
  leave: number;
}

export interface JourneyPlan {
  seed: number;
  steps: number;
  tiers: number;
  sessions: number;
  /** share that leaves at a step as usual, by tier */
  usualLeave: number[];
  troubles: StepTrouble[];
  /** tiers that leave more anyway are hit more */
  isMixed: boolean;
}

export interface JourneyTruth {
  /** by step: who left because of the trouble there, and what they would have brought, units of currency */
  left: number[];
  lost: number[];
}

/** Limit of every step, milliseconds: what takes longer is late. */
export const JOURNEY_LIMIT_MS = 1_000;
const BEFORE_MS = 180 * MINUTE_MS;
export const JOURNEY_WINDOW = { fromMs: Date.UTC(2026, 2, 10, 10), toMs: Date.UTC(2026, 2, 10, 12) };

/** A world by its seed: two troubles, one, none, or one that hits many and makes nobody leave. */
export function planJourney(seed: number): JourneyPlan {
  const random = seededRandom(seed * 7919 + 17);
  const steps = 3 + Math.floor(random() * 6);
  const tiers = 2 + Math.floor(random() * 3);
  const isMixed = random() < 0.5;
  const usualLeave = Array.from(
    { length: tiers },
    (_, t) => 0.04 + (isMixed ? 0.5 * (t / (tiers - 1)) : 0.2 * random()),
  );
  const kinds = [2, 1, 1, 0, 1][seed % 5] as number;
  const places = shuffled(steps - 1, random)
    .slice(0, kinds)
    .sort((a, b) => a - b);
  const troubles = places.map((step) => {
    const base = 0.1 + 0.4 * random();
    // Who leaves more anyway is hit more: without comparing like with like that passes for an effect.
    const share = usualLeave.map((_, t) => (isMixed ? Math.min(0.9, base * (0.3 + (1.7 * t) / (tiers - 1))) : base));
    return { step, share, leave: seed % 5 === 4 ? 0 : 0.15 + 0.45 * random() };
  });
  return { seed, steps, tiers, sessions: 600 + Math.floor(random() * 3_400), usualLeave, troubles, isMixed };
}

/**
 * Plays a world: its attempts, and who really left because of what. Sessions of three hours before the trouble are
 * among them.
 */
export function playJourney(plan: JourneyPlan): { attempts: JourneyAttempt[]; truth: JourneyTruth } {
  const random = seededRandom(plan.seed * 104_729 + 3);
  const attempts: JourneyAttempt[] = [];
  const truth: JourneyTruth = {
    left: new Array<number>(plan.steps).fill(0),
    lost: new Array<number>(plan.steps).fill(0),
  };
  const length = JOURNEY_WINDOW.toMs - JOURNEY_WINDOW.fromMs;
  const before = Math.round((plan.sessions * BEFORE_MS) / length);
  for (let session = 1; session <= plan.sessions + before; session++) {
    const isBefore = session > plan.sessions;
    const startMs = JOURNEY_WINDOW.fromMs + (isBefore ? -random() * BEFORE_MS : random() * length);
    walk(plan, { session, startMs, isBefore, random, attempts, truth });
  }
  return { attempts, truth };
}

/**
 * What happens at a step, drawn before anything depends on it, so that the same session can be told with and without
 * the trouble.
 */
interface Drawn {
  isHit: boolean;
  isOddlyLate: boolean;
  leave: number;
  durationMs: number;
}

function walk(
  plan: JourneyPlan,
  {
    session,
    startMs,
    isBefore,
    random,
    attempts,
    truth,
  }: {
    session: number;
    startMs: number;
    isBefore: boolean;
    random: Random;
    attempts: JourneyAttempt[];
    truth: JourneyTruth;
  },
): void {
  const tier = Math.floor(random() * plan.tiers);
  const person = 1 + Math.floor(random() * plan.sessions * 4);
  const usual = plan.usualLeave[tier] as number;
  const brings = (5 + 12 * tier) * Math.exp(0.6 * normalDeviate(random));
  const drawn = Array.from({ length: plan.steps }, (_, k): Drawn => {
    const trouble = plan.troubles.find(({ step }) => step === k);
    const isHit = !isBefore && trouble !== undefined && random() < (trouble.share[tier] as number);
    return {
      isHit,
      isOddlyLate: random() < 0.01,
      leave: random(),
      durationMs: 300 * Math.exp(0.25 * normalDeviate(random)),
    };
  });
  const leaveAt = (k: number, { isHit, leave }: Drawn): 'usual' | 'trouble' | undefined => {
    if (leave < usual) return 'usual';
    const more = isHit ? (plan.troubles.find(({ step }) => step === k)?.leave ?? 0) : 0;
    return leave < usual + more ? 'trouble' : undefined;
  };
  let at = startMs;
  for (let k = 0; k < plan.steps; k++) {
    const step = drawn[k] as Drawn;
    const isLast = k === plan.steps - 1;
    const isLate = step.isHit || step.isOddlyLate;
    const why = isLast ? undefined : leaveAt(k, step);
    attempts.push({
      startMs: at,
      durationMs: isLate ? JOURNEY_LIMIT_MS * (2 + step.durationMs / 300) : step.durationMs,
      flow: k + 1,
      failed: false,
      person,
      session,
      tier: tier + 1,
      valueMinor: isLast ? Math.round(brings * 100) : NaN,
    });
    if (why === 'trouble') {
      truth.left[k] = (truth.left[k] as number) + 1;
      const wouldArrive = drawn.slice(k + 1, -1).every((later, i) => leaveAt(k + 1 + i, later) === undefined);
      if (wouldArrive) truth.lost[k] = (truth.lost[k] as number) + brings;
    }
    if (why) return;
    at += 20_000 * Math.exp(0.5 * normalDeviate(random));
  }
}

function shuffled(n: number, random: Random): number[] {
  const all = Array.from({ length: n }, (_, i) => i);
  for (let i = n - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [all[i], all[j]] = [all[j] as number, all[i] as number];
  }
  return all;
}
