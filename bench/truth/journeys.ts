import { isBad, judgeJourney, repairOrder, sessionsOf, type JudgedJourney } from '../../core/src/journeys';
import { emptyColumns, type AttemptColumns } from '../../core/src/telemetry';
import {
  JOURNEY_LIMIT_MS,
  JOURNEY_WINDOW,
  planJourney,
  playJourney,
  type JourneyAttempt,
  type JourneyPlan,
  type JourneyTruth,
} from '../../scenario/src/random-worlds/journeys';

/** Seeds on which thresholds were set, and those that are reported. */
export const JOURNEY_TUNING = { first: 1, last: 100 };
export const JOURNEY_REPORTING = { first: 3001, last: 3300 };

export interface ScoredJourney {
  plan: JourneyPlan;
  truth: JourneyTruth;
  judged: JudgedJourney;
}

export function scoreJourney(seed: number): ScoredJourney {
  const plan = planJourney(seed);
  const { attempts, truth } = playJourney(plan);
  const rows = columnsOf(attempts);
  const sessions = sessionsOf(rows, (row) => ((rows.durationMs[row] as number) > JOURNEY_LIMIT_MS ? 'late' : 'onTime'));
  const steps = Array.from({ length: plan.steps }, (_, k) => k + 1);
  return {
    plan,
    truth,
    judged: judgeJourney(sessions, steps, { window: JOURNEY_WINDOW, knownUntilMs: JOURNEY_WINDOW.toMs + 3_600_000 }),
  };
}

function columnsOf(attempts: readonly JourneyAttempt[]): AttemptColumns {
  const rows = emptyColumns(attempts.length);
  for (const attempt of attempts) {
    const i = rows.n++;
    rows.startMs[i] = attempt.startMs;
    rows.durationMs[i] = attempt.durationMs;
    rows.flow[i] = attempt.flow;
    rows.person[i] = attempt.person;
    rows.session[i] = attempt.session;
    rows.tier[i] = attempt.tier;
    rows.valueMinor[i] = attempt.valueMinor;
  }
  return rows;
}

export interface JourneyScore {
  worlds: number;
  /** troubles at steps, and of how many the truth lies in the range */
  troubles: number;
  peopleInside: number;
  moneyInside: number;
  /** worlds in which the steps to mend are truly the bad ones, in order; and the same of worlds with two */
  orderRight: number;
  twoWorlds: number;
  twoRight: number;
  /** worlds whose trouble makes nobody leave, or that have none: how many name a step all the same */
  harmless: number;
  fooled: number;
  misses: string[];
}

/** A trouble that made fewer people leave may go unnamed: chance alone does as much. */
const FEWEST_LEFT = 20;

export function scoreJourneys(scored: readonly ScoredJourney[]): JourneyScore {
  const score: JourneyScore = {
    worlds: 0,
    troubles: 0,
    peopleInside: 0,
    moneyInside: 0,
    orderRight: 0,
    twoWorlds: 0,
    twoRight: 0,
    harmless: 0,
    fooled: 0,
    misses: [],
  };
  for (const { plan, truth, judged } of scored) {
    score.worlds++;
    for (const { step } of plan.troubles) {
      const { beyondUsual, value } = judged.steps[step] as (typeof judged.steps)[number];
      const [left, lost] = [truth.left[step] as number, truth.lost[step] as number];
      score.troubles++;
      if (left >= beyondUsual.low - 0.5 && left <= beyondUsual.high + 0.5) score.peopleInside++;
      else score.misses.push(`seed ${plan.seed} step ${step + 1}: ${left} left, told ${range(beyondUsual)}`);
      if (lost >= value.low - 0.5 && lost <= value.high + 0.5) score.moneyInside++;
      else score.misses.push(`seed ${plan.seed} step ${step + 1}: ${lost.toFixed(0)} lost, told ${range(value)}`);
    }
    const mended = repairOrder(judged).map(({ step }) => step);
    const truly = plan.troubles
      .filter(({ step, leave }) => leave > 0 && (truth.left[step] as number) >= FEWEST_LEFT)
      .map(({ step }) => step);
    const allowed = new Set(plan.troubles.filter(({ leave }) => leave > 0).map(({ step }) => step));
    const isRight = truly.every((step) => mended.includes(step)) && mended.every((step) => allowed.has(step));
    if (isRight) score.orderRight++;
    else
      score.misses.push(
        `seed ${plan.seed}: to mend ${truly.map((step) => step + 1).join(', ') || 'nothing'}, told ${mended.map((step) => step + 1).join(', ') || 'nothing'}`,
      );
    if (truly.length === 2) {
      score.twoWorlds++;
      if (isRight) score.twoRight++;
    }
    if (allowed.size === 0) {
      score.harmless++;
      if (judged.steps.some(isBad)) score.fooled++;
    }
  }
  return score;
}

const range = ({ low, high }: { low: number; high: number }) => `${low.toFixed(0)} to ${high.toFixed(0)}`;

const met = (share: number, low: number, high = 1) => (share >= low && share <= high ? 'met' : '**missed**');
const percentOf = (share: number) => `${Math.round(share * 100)} %`;

export function journeyReport(score: JourneyScore, { first, last }: { first: number; last: number }): string {
  const [people, money, order, two] = [
    score.peopleInside / score.troubles,
    score.moneyInside / score.troubles,
    score.orderRight / score.worlds,
    score.twoRight / score.twoWorlds,
  ];
  return `## Who leaves because of it

${score.worlds} invented journeys (\`scenario/src/worlds/journeys.ts\`), seeds ${first} to ${last}; thresholds were set on seeds ${JOURNEY_TUNING.first} to ${JOURNEY_TUNING.last}. Each has 3 to 8 steps, 2 to 4 tiers that leave unlike often, and trouble at none, one or two steps; in half of the worlds tiers that leave more anyway are hit more, and in every fifth the trouble makes nobody leave.

| what | measured | goal | |
|---|---:|---:|---|
| people who left because of it lie within the 95 % range | ${percentOf(people)} | 90–98 % | ${met(people, 0.9, 0.98)} |
| money they would have brought lies within the 95 % range | ${percentOf(money)} | 90–98 % | ${met(money, 0.9, 0.98)} |
| steps to mend are the bad ones, in the right order | ${percentOf(order)} | ≥ 90 % | ${met(order, 0.9)} |
| the same where two steps are bad (${score.twoWorlds} worlds) | ${percentOf(two)} | | |
| worlds where nobody left because of it, in which a step is named all the same | ${score.fooled} of ${score.harmless} | | |

### Misses

${score.misses.map((miss) => `- ${miss}`).join('\n') || 'None.'}
`;
}
