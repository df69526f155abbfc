import { readFileSync, writeFileSync } from 'node:fs';
import { demoWorld, DEMO_SEED, newestFirst } from './demo-world';
import { Sender } from './otlp/sender';
import type { Player } from './player';

/**
 * `node --import tsx scenario/src/load-and-play.ts URL [TRUTH_FILE] [load|live]`
 * `load`: sends two weeks in the order of time, writes the truth file and ends. `live`: sends the newest hours, then
 * plays live until it is stopped, and sends the days before them meanwhile, the newest first.
 * TOPLENS_SCENARIO_RESUME: an earlier run sent what ended before this moment; sending a little of it twice does no
 * harm.
 */
const [url = 'http://127.0.0.1:4400', truthFile = '', mode = 'live'] = process.argv.slice(2);
const {
  TOPLENS_SCENARIO_NOW,
  TOPLENS_SCENARIO_SEED,
  TOPLENS_SCENARIO_RESUME,
  TOPLENS_SCENARIO_KEY,
  TOPLENS_SCENARIO_BROWSER_KEY,
} = process.env;
/** No session lasts longer: those that began before a moment have sent all so long after it. */
const LONGEST_SESSION_MS = 2 * 3_600_000;

const nowMs = Number(TOPLENS_SCENARIO_NOW ?? Date.now());
const { play, truth, changes } = demoWorld(nowMs, Number(TOPLENS_SCENARIO_SEED ?? DEMO_SEED));
const sender = new Sender(url, TOPLENS_SCENARIO_KEY, TOPLENS_SCENARIO_BROWSER_KEY);
const writeTruth = () => truthFile && writeFileSync(truthFile, JSON.stringify(truth()));

const begun = Date.now();
/** Says each tenth of a part of the work. */
function sayTenths(what: string): (share: number) => void {
  let said = -1;
  return (share) => {
    const tenths = Math.floor(share * 10 + 1e-9);
    if (tenths === said) return;
    said = tenths;
    const seconds = ((Date.now() - begun) / 1000).toFixed(0);
    console.log(`${what}: ${tenths * 10} %, ${sender.sent} records in ${seconds} s`);
  };
}

await sender.sendChanges(changes);
if (TOPLENS_SCENARIO_BROWSER_KEY !== undefined)
  await sender.sendSourceMap('label.min.js', readFileSync('scenario/portal/label.min.js.map', 'utf8'));

if (mode === 'load') await play().load(sender, nowMs, sayTenths('history'));
else if (TOPLENS_SCENARIO_RESUME === undefined) {
  const [newest, ...earlier] = newestFirst(nowMs);
  const live = play(newest?.fromMs);
  await live.load(sender, Date.now(), sayTenths('this morning'));
  playLive(live);
  const say = sayTenths('earlier days');
  for (const [i, { fromMs, toMs }] of earlier.entries()) {
    say(i / earlier.length);
    await play(fromMs, toMs).load(sender, toMs + LONGEST_SESSION_MS);
  }
  say(1);
} else {
  const live = play(Number(TOPLENS_SCENARIO_RESUME) - LONGEST_SESSION_MS);
  await live.load(sender, Date.now(), sayTenths('since it was stopped'));
  playLive(live);
}
writeTruth();

function playLive(player: Player): void {
  const stop = player.live(sender);
  const timer = setInterval(writeTruth, 10_000);
  const end = () => {
    clearInterval(timer);
    void stop().then(() => process.exit(0));
  };
  process.on('SIGINT', end);
  process.on('SIGTERM', end);
}
