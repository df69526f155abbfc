import { createHistogram, encodeHistogram, recordInPlace } from '../stats';
import { dayKinds, floorTo, HOUR_MS, MINUTE_MS } from '../time';
import { isLearned, usualKnownFrom, learnNormal } from './index';

const BEGIN = Date.UTC(2026, 2, 10, 9);

/** The half hour from which a flow with so many attempts each five minutes is really judged. */
function learnedFrom(firstMs: number, eachFive: number): number {
  const histogram = createHistogram();
  for (let i = 0; i < eachFive; i++) recordInPlace(histogram, 200);
  const bucket = { attempts: eachFive, failed: 0, durations: encodeHistogram(histogram), medianMs: 200, valueMinor: 0 };
  const history = (startMs: number) => (startMs >= floorTo(firstMs, 5 * MINUTE_MS) ? bucket : undefined);
  for (let slotMs = floorTo(firstMs, HOUR_MS); ; slotMs += 30 * MINUTE_MS) {
    const sources = { firstMs: floorTo(firstMs, 5 * MINUTE_MS), slotMs, ownersLimitMs: undefined, kinds: dayKinds() };
    if (isLearned(learnNormal(history, sources))) return slotMs;
  }
}

test.each([
  [0, 50],
  [7, 50],
  [29, 50],
  [31, 10],
  [0, 9],
  [12, 5],
  [3, 2],
])('begun %i min past nine with %i attempts each five minutes: foretold when it is judged', (minute, eachFive) => {
  const firstMs = BEGIN + minute * MINUTE_MS;
  const really = learnedFrom(firstMs, eachFive);
  for (const after of [10, 20, 40]) {
    const foretold = usualKnownFrom({
      firstMs,
      attempts: Math.round((eachFive * after) / 5),
      nowMs: firstMs + after * MINUTE_MS,
    });
    expect(Math.abs((foretold ?? 0) - really)).toBeLessThanOrEqual(30 * MINUTE_MS);
  }
});

test('of what never came nothing is foretold', () => {
  expect(usualKnownFrom({ firstMs: Infinity, attempts: 0, nowMs: BEGIN })).toBeUndefined();
  expect(usualKnownFrom({ firstMs: BEGIN, attempts: 0, nowMs: BEGIN })).toBeUndefined();
});
