import { planWorld } from '../../scenario/src/worlds/plan';
import { judgeWorld } from './judge-world';
import { report } from './report';
import { scoreWorlds } from './score';

// Seeds that were used neither for setting thresholds nor for docs/truth.md: a tiny, a busy and a drifting world.
const SEEDS = [202, 205, 204];

test('on worlds whose truth is known, troubles are found, dated, billed and ranked', () => {
  const worlds = SEEDS.map((seed) => judgeWorld(planWorld(seed)));
  const score = scoreWorlds(worlds);
  expect(score.troubles).toBeGreaterThanOrEqual(3);
  expect(score.recall).toBeGreaterThanOrEqual(0.75);
  expect(score.onsetErrorMedianMin).toBeLessThanOrEqual(3);
  expect(score.coverage.people).toBeGreaterThanOrEqual(0.6);
  expect(score.coverage.money).toBeGreaterThanOrEqual(0.6);
  expect(score.falsePerDay).toBeLessThanOrEqual(3);
  expect(report(score, worlds, { first: 202, last: 205, minutes: 1 })).toContain('| recall of troubles');
}, 400_000);
