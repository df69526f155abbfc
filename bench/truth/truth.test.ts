import { HOUR_MS } from '@toplens/core/time';
import { planWorld, type WorldPlan } from '../../scenario/src/random-worlds/plan';
import { firstHourReport, judgeFirstHour } from './first-hour';
import { journeyReport, scoreJourney, scoreJourneys } from './journeys';
import { judgeWorld } from './judge-world';
import { report } from './report';
import { scoreWorlds } from './score';
import { judgeSharedWorld } from './shared';

// A seed that was used neither for setting thresholds nor for docs/truth.md: a world of drifting load, with less
// traffic than `npm run bench:truth` gives them, so that the test is quick.
const SEEDS = [204];
const TRAFFIC = 0.25;

function smaller(seed: number): WorldPlan {
  const plan = planWorld(seed);
  return {
    ...plan,
    journeys: plan.journeys.map((journey) => ({ ...journey, perMinute: journey.perMinute * TRAFFIC })),
  };
}

test('on worlds whose truth is known, troubles are found, dated, billed and ranked', () => {
  const worlds = SEEDS.map((seed) => judgeWorld(smaller(seed)));
  const score = scoreWorlds(worlds);
  expect(score.troubles).toBeGreaterThanOrEqual(1);
  expect(score.recall).toBeGreaterThanOrEqual(0.5);
  // One or two troubles at a quarter of the traffic: a guard against breakage. The measure itself, over
  // forty worlds at full traffic, is `npm run bench:truth`; its result stands in docs/truth.md.
  expect(score.onsetErrorMedianMin).toBeLessThanOrEqual(15);
  expect(score.coverage.people).toBeGreaterThanOrEqual(0.5);
  expect(score.coverage.money).toBeGreaterThanOrEqual(0.5);
  expect(score.firstIsFirstOfAny).toBe(1);
  expect(score.falsePerDay).toBeLessThanOrEqual(3);
  expect(report(score, worlds, { first: 204, last: 209, minutes: 1 })).toContain('| recall of troubles');
}, 400_000);

test('what several applications share is one trouble, and two such troubles at the same time are two', () => {
  // A slow and a failing service that begin within minutes of each other; a third of the traffic.
  const { troubles, one, pairs, apart } = judgeSharedWorld(317, ({ plan }) => {
    plan.journeys = plan.journeys.map((journey) => ({ ...journey, perMinute: journey.perMinute * 0.35 }));
  });
  expect({ troubles, one, pairs, apart }).toEqual({ troubles: 2, one: 2, pairs: 1, apart: 1 });
}, 400_000);

test('a fresh installation is judged live from its first minutes on', () => {
  // Half the traffic, and no more than its first three hours.
  const verdict = judgeFirstHour(2014, (plan) => {
    plan.journeys = plan.journeys.map((journey) => ({ ...journey, perMinute: journey.perMinute / 2 }));
    plan.toMs = plan.beginMs + 3 * HOUR_MS;
  });
  expect(verdict.falseOnes).toEqual([]);
  expect(verdict.detections.length).toBeGreaterThan(0);
  for (const minutes of verdict.detections) expect(minutes).toBeLessThanOrEqual(15);
  expect(firstHourReport([verdict], { first: 2014, last: 2014 })).toContain('| minutes from onset to the list, median');
}, 400_000);

test('who leaves because of it is told within its range, and harmless trouble fools nobody', () => {
  // Seeds that are neither for tuning nor for docs/truth.md.
  const score = scoreJourneys(Array.from({ length: 40 }, (_, i) => scoreJourney(201 + i)));
  expect(score.peopleInside / score.troubles).toBeGreaterThan(0.85);
  expect(score.moneyInside / score.troubles).toBeGreaterThan(0.8);
  expect(score.orderRight / score.worlds).toBeGreaterThanOrEqual(0.9);
  expect(score.fooled).toBe(0);
  expect(journeyReport(score, { first: 201, last: 240 })).toContain('| people who left because of it');
});
