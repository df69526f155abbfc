import { DAY_MS, HOUR_MS } from '../time';
import { forecast, priceOfBadAttempt, roughPrice, type ForecastQuestion, type Tally } from './index';

const NOW = Date.UTC(2026, 2, 20);
/** Nineteen days of 2,400 attempts, of which six fail; then `bad` more today. */
function question(bad: number): ForecastQuestion {
  const past = new Map<number, Tally>();
  for (let hourMs = NOW - 19 * DAY_MS; hourMs < NOW; hourMs += HOUR_MS)
    past.set(hourMs, { valid: 100, good: hourMs % (4 * HOUR_MS) === 0 ? 99 : 100 });
  const soFar = { valid: 19 * 2400, good: 19 * 2394 - bad };
  return {
    target: 0.995,
    penalties: [
      { below: 0.995, amount: 4000 },
      { below: 0.99, amount: 10_000 },
    ],
    endMs: NOW + 11 * DAY_MS,
    nowMs: NOW,
    soFar,
    past,
    isCounted: () => true,
    isOff: () => false,
  };
}

describe('what a bad attempt of trouble costs', () => {
  test('all of them together add what the penalty expected has grown by', () => {
    const asked = question(400);
    const now = forecast(asked);
    const calm = forecast(question(0));
    if (!now || !calm) throw new Error('no forecast');
    expect(now.expectedPenalty).toBeGreaterThan(calm.expectedPenalty + 1000);
    expect(400 * priceOfBadAttempt(asked, now, 400)).toBeCloseTo(now.expectedPenalty - calm.expectedPenalty, 6);
  });

  test('nothing spent, no penalty agreed: no price', () => {
    const asked = question(0);
    const now = forecast(asked);
    if (!now) throw new Error('no forecast');
    expect(priceOfBadAttempt(asked, now, 0)).toBe(0);
    expect(priceOfBadAttempt({ ...asked, penalties: [] }, now, 100)).toBe(0);
  });

  test('trouble that goes on is part of it', () => {
    const asked = {
      ...question(40),
      ongoing: { addedShare: 0.2, sinceMs: NOW - 6 * HOUR_MS, tookMs: [3 * DAY_MS, 4 * DAY_MS] },
    };
    const now = forecast(asked);
    if (!now) throw new Error('no forecast');
    expect(priceOfBadAttempt(asked, now, 40)).toBeGreaterThan(priceOfBadAttempt(question(40), now, 40) - 1e-9);
    expect(40 * priceOfBadAttempt(asked, now, 40)).toBeGreaterThan(1000);
  });

  test('before a forecast can be made: the first step by the share of the budget, at most all of it', () => {
    const promise = { target: 0.99, penalties: [{ below: 0.99, amount: 1000 }] };
    // A tenth of the period brought 1,000 attempts: 100 of 10,000 may be bad.
    const soFar = { valid: 1000, good: 950 };
    expect(50 * roughPrice(promise, soFar, { spent: 50, elapsedShare: 0.1 })).toBeCloseTo(500, 9);
    expect(400 * roughPrice(promise, soFar, { spent: 400, elapsedShare: 0.1 })).toBeCloseTo(1000, 9);
    expect(roughPrice({ ...promise, penalties: [] }, soFar, { spent: 50, elapsedShare: 0.1 })).toBe(0);
    expect(roughPrice(promise, soFar, { spent: 0, elapsedShare: 0.1 })).toBe(0);
  });
});
