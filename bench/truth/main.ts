import { fork } from 'node:child_process';
import { once } from 'node:events';
import { writeFileSync } from 'node:fs';
import { planWorld } from '../../scenario/src/random-worlds/plan';
import { judgeWorld, type JudgedWorld } from './judge-world';
import { JOURNEY_REPORTING, journeyReport, scoreJourney, scoreJourneys } from './journeys';
import { ORIGIN_REPORTING, ORIGIN_TUNING, originReport, scoreOrigins } from './origins';
import { REPORTING, report } from './report';
import { scoreWorlds } from './score';

/**
 * `node dist/node/truth-main.mjs [FIRST LAST [PROCESSES]]`: plays and judges the worlds of these seeds and prints the
 * score. The reporting seeds go into docs/truth.md too.
 */
const [first = REPORTING.first, last = REPORTING.last, processes = 2] = process.argv.slice(2).map(Number);

const range = ({ first: from, last: to }: { first: number; last: number }) =>
  Array.from({ length: to - from + 1 }, (_, i) => from + i);

if (process.send) {
  process.on('message', (seed: number) => {
    // Maps and sets do not travel as JSON: the fork speaks the structured clone.
    process.send?.(judgeWorld(planWorld(seed)));
  });
} else {
  const seeds = range({ first, last });
  const worlds: JudgedWorld[] = [];
  const begun = Date.now();
  await Promise.all(
    Array.from({ length: processes }, async () => {
      const worker = fork(process.argv[1] as string, [], { serialization: 'advanced' });
      for (let seed = seeds.shift(); seed !== undefined; seed = seeds.shift()) {
        worker.send(seed);
        const [world] = (await once(worker, 'message')) as [JudgedWorld];
        worlds.push(world);
        console.log(
          `world ${seed} (${world.plan.shape}): ${world.attempts} attempts, ${world.truth.length} troubles, ${world.found.length} incidents`,
        );
      }
      worker.kill();
    }),
  );
  worlds.sort((a, b) => a.plan.seed - b.plan.seed);
  const origins = scoreOrigins(range(ORIGIN_REPORTING));
  const text = [
    report(scoreWorlds(worlds), worlds, { first, last, minutes: (Date.now() - begun) / 60_000 }),
    originReport(origins, ORIGIN_REPORTING, ORIGIN_TUNING),
    journeyReport(scoreJourneys(range(JOURNEY_REPORTING).map(scoreJourney)), JOURNEY_REPORTING),
  ].join('\n');
  console.log(`\n${text}`);
  if (first === REPORTING.first && last === REPORTING.last) writeFileSync('docs/truth.md', text);
}
