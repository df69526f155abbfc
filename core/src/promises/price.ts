import { budgetOf } from './budget';
import { forecast, type Forecast, type ForecastQuestion } from './forecast';
import type { PenaltyStep, Tally } from './service-promise';

/**
 * What one bad attempt of trouble adds to the penalty that is expected, units of currency: what is expected now, less
 * what would be expected had trouble spent nothing and did none go on, over all that trouble spent. So the bills of all
 * incidents of a period come to what they add together, and nothing is charged twice.
 *
 * @param now the forecast with the trouble
 * @param spent bad attempts of the period that are trouble's
 */
export function priceOfBadAttempt(question: ForecastQuestion, now: Forecast, spent: number): number {
  if (!(spent > 0) || question.penalties.length === 0) return 0;
  const { valid, good } = question.soFar;
  const calm = forecast({ ...question, soFar: { valid, good: Math.min(valid, good + spent) }, ongoing: undefined });
  return calm ? Math.max(0, now.expectedPenalty - calm.expectedPenalty) / spent : 0;
}

/**
 * The same before enough is known for a forecast: the first step, by the share of the budget that trouble spent, at most
 * all of it.
 *
 * @param elapsedShare how much of the period is over, 0 to 1: what came so far stands for the rest
 */
export function roughPrice(
  { penalties, target }: { penalties: readonly PenaltyStep[]; target: number },
  soFar: Tally,
  { spent, elapsedShare }: { spent: number; elapsedShare: number },
): number {
  const [first] = penalties;
  if (!first || !(spent > 0) || !(elapsedShare > 0)) return 0;
  const { allowed } = budgetOf(soFar, soFar.valid / elapsedShare, target);
  return allowed > 0 ? (first.amount * Math.min(1, spent / allowed)) / spent : 0;
}
