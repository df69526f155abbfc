import { readFileSync, writeFileSync } from 'node:fs';
import { demoWorld, DEMO_SEED } from './demo-world';
import { Sender } from './otlp/sender';

/**
 * `node --import tsx scenario/src/load-and-play.ts URL [TRUTH_FILE] [load|live]`
 * Loads two weeks of history, writes the truth file, then plays live until it is stopped.
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
/** Sessions that began before the earlier run ended send on after it. */
const OVERLAP_MS = 2 * 3_600_000;

const nowMs = Number(TOPLENS_SCENARIO_NOW ?? Date.now());
const resumeMs = TOPLENS_SCENARIO_RESUME === undefined ? undefined : Number(TOPLENS_SCENARIO_RESUME) - OVERLAP_MS;
const { player, truth, changes } = demoWorld(nowMs, Number(TOPLENS_SCENARIO_SEED ?? DEMO_SEED), resumeMs);
const sender = new Sender(url, TOPLENS_SCENARIO_KEY, TOPLENS_SCENARIO_BROWSER_KEY);
await sender.sendChanges(changes);
if (TOPLENS_SCENARIO_BROWSER_KEY !== undefined)
  await sender.sendSourceMap('label.min.js', readFileSync('scenario/portal/label.min.js.map', 'utf8'));
const begun = Date.now();
let shown = 0;
await player.load(sender, resumeMs === undefined ? nowMs : Date.now(), (share) => {
  if (share - shown < 0.1 && share < 1) return;
  shown = share;
  console.log(
    `history: ${Math.round(share * 100)} %, ${sender.sent} records in ${((Date.now() - begun) / 1000).toFixed(0)} s`,
  );
});
const writeTruth = () => truthFile && writeFileSync(truthFile, JSON.stringify(truth()));
writeTruth();
if (mode === 'live') {
  const stop = player.live(sender);
  const timer = setInterval(writeTruth, 10_000);
  const end = () => {
    clearInterval(timer);
    void stop().then(() => process.exit(0));
  };
  process.on('SIGINT', end);
  process.on('SIGTERM', end);
}
