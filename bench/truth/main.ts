import { fork } from 'node:child_process';
import { once } from 'node:events';
import { writeFileSync } from 'node:fs';
import { alertReport, scoreAlerts } from './alerts';
import { planWorld } from '../../scenario/src/random-worlds/plan';
import { FIRST_HOUR_REPORTING, firstHourReport, judgeFirstHour, type FirstHourVerdict } from './first-hour';
import { judgeWorld, type JudgedWorld } from './judge-world';
import { JOURNEY_REPORTING, journeyReport, scoreJourney, scoreJourneys } from './journeys';
import { ORIGIN_REPORTING, ORIGIN_TUNING, originReport, scoreOrigins } from './origins';
import { REPORTING, report } from './report';
import { scoreWorlds } from './score';
import { scoreSites, SITES_REPORTING, sitesReport } from './sites';
import { judgeSharedWorld, SHARED_REPORTING, sharedReport, type SharedVerdict } from './shared';

/**
 * `node dist/node/truth-main.mjs [FIRST LAST [PROCESSES]]`: plays and judges the worlds of these seeds and prints the
 * score. `shared FIRST LAST` judges the worlds of shared components alone, `first-hour FIRST LAST` the first hours of
 * installations, `sites FIRST LAST` companies at work. Without arguments all of it is judged with the reporting seeds and goes into docs/truth.md.
 */
const KINDS = ['world', 'shared', 'first-hour'] as const;
type Kind = (typeof KINDS)[number];
const alone = KINDS.find((kind) => kind === process.argv[2]);
const numbers = process.argv.slice(alone ? 3 : 2).map(Number);
const [first, last, processes = 2] = numbers;
/** A worker that has judged so many worlds is ended: what it gathered goes with it. */
const PER_WORKER = 10;

interface Seeds {
  first: number;
  last: number;
}
const range = ({ first: from, last: to }: Seeds) => Array.from({ length: to - from + 1 }, (_, i) => from + i);

/** One world for a worker to judge. */
interface Asked {
  kind: Kind;
  seed: number;
}

/** Judges worlds in several processes. @returns in the order of the seeds */
async function judgeAll<T>(kind: Asked['kind'], seeds: Seeds, words: (judged: T) => string): Promise<T[]> {
  const left = range(seeds);
  const judged = new Map<number, T>();
  const work = async () => {
    while (left.length > 0) {
      const worker = fork(process.argv[1] as string, [], { serialization: 'advanced' });
      for (const seed of left.splice(0, PER_WORKER)) {
        worker.send({ kind, seed } satisfies Asked);
        const [one] = (await once(worker, 'message')) as [T];
        judged.set(seed, one);
        console.log(`${kind} ${seed}: ${words(one)}`);
      }
      worker.kill();
    }
  };
  await Promise.all(Array.from({ length: processes }, work));
  return [...judged].sort(([a], [b]) => a - b).map(([, one]) => one);
}

const sharedWords = ({ troubles, one, pairs, apart }: SharedVerdict) =>
  `${one} of ${troubles} troubles are one incident, ${apart} of ${pairs} pairs apart`;
const worldWords = ({ plan, attempts, truth, found }: JudgedWorld) =>
  `${plan.shape}, ${attempts} attempts, ${truth.length} troubles, ${found.length} incidents`;

const minutesWords = ({ detections, falseOnes }: FirstHourVerdict) =>
  `found after ${detections.map((minutes) => minutes.toFixed(0)).join(', ')} minutes; ${falseOnes.length} false`;

const sitesOf = (seeds: Seeds) => sitesReport(scoreSites(seeds.first, seeds.last), seeds);
const siteSeeds = (): Seeds => {
  const [from = SITES_REPORTING.first, to = SITES_REPORTING.last] = process.argv.slice(3).map(Number);
  return { first: from, last: to };
};

async function main(): Promise<void> {
  const given = first && last ? { first, last } : undefined;
  const seedsOf = (kind: Kind, reporting: Seeds) => (alone === kind ? (given ?? reporting) : reporting);
  const judgeShared = async (seeds: Seeds) =>
    sharedReport(await judgeAll<SharedVerdict>('shared', seeds, sharedWords), seeds);
  const judgeFirst = async (seeds: Seeds) =>
    firstHourReport(await judgeAll<FirstHourVerdict>('first-hour', seeds, minutesWords), seeds);
  if (alone === 'shared') return console.log(await judgeShared(seedsOf('shared', SHARED_REPORTING)));
  if (alone === 'first-hour') return console.log(await judgeFirst(seedsOf('first-hour', FIRST_HOUR_REPORTING)));
  if (process.argv[2] === 'sites') return console.log(sitesOf(siteSeeds()));
  const seeds = given ?? REPORTING;
  const begun = Date.now();
  const worlds = await judgeAll<JudgedWorld>('world', seeds, worldWords);
  const minutes = (Date.now() - begun) / 60_000;
  const ofWorlds = [report(scoreWorlds(worlds), worlds, { ...seeds, minutes }), alertReport(scoreAlerts(worlds))].join(
    '\n',
  );
  if (seeds !== REPORTING) return console.log(`\n${ofWorlds}`);
  const text = [
    ofWorlds,
    await judgeShared(SHARED_REPORTING),
    await judgeFirst(FIRST_HOUR_REPORTING),
    originReport(scoreOrigins(range(ORIGIN_REPORTING)), ORIGIN_REPORTING, ORIGIN_TUNING),
    journeyReport(scoreJourneys(range(JOURNEY_REPORTING).map(scoreJourney)), JOURNEY_REPORTING),
    sitesOf(SITES_REPORTING),
  ].join('\n');
  console.log(`\n${text}`);
  writeFileSync('docs/truth.md', text);
}

if (process.send)
  process.on('message', ({ kind, seed }: Asked) => {
    // Maps and sets do not travel as JSON: the fork speaks the structured clone.
    const judge = { world: () => judgeWorld(planWorld(seed)), shared: judgeSharedWorld, 'first-hour': judgeFirstHour };
    process.send?.(judge[kind](seed));
  });
else await main();
