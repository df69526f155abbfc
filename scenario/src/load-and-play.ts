import { writeFileSync } from 'node:fs';
import { demoWorld, DEMO_SEED, HISTORY_DAYS } from './demo-world';
import { Sender } from './otlp/sender';

/**
 * `node --import tsx scenario/src/load-and-play.ts URL [TRUTH_FILE] [load|live]`
 * Loads two weeks of history, writes the truth file, then plays live until it is stopped.
 * TOPLENS_SCENARIO_RESUME: what ended before this moment was sent by an earlier run; sending a little twice does no harm.
 */
const [url = 'http://127.0.0.1:4400', truthFile = '', mode = 'live'] = process.argv.slice(2);
const { TOPLENS_SCENARIO_NOW, TOPLENS_SCENARIO_SEED, TOPLENS_SCENARIO_DAYS, TOPLENS_SCENARIO_RESUME, TOPLENS_SCENARIO_KEY } = process.env;
const OVERLAP_MS = 120_000;

const nowMs = Number(TOPLENS_SCENARIO_NOW ?? Date.now());
const { player, truth } = demoWorld(nowMs, Number(TOPLENS_SCENARIO_SEED ?? DEMO_SEED), Number(TOPLENS_SCENARIO_DAYS ?? HISTORY_DAYS));
const sender = new Sender(url, TOPLENS_SCENARIO_KEY);
const begun = Date.now();
let shown = 0;
// The world is simulated from its beginning in any case: the truth of a resumed run covers the first run too.
if (TOPLENS_SCENARIO_RESUME !== undefined) player.endedBefore(Number(TOPLENS_SCENARIO_RESUME) - OVERLAP_MS);
await player.load(sender, TOPLENS_SCENARIO_RESUME === undefined ? nowMs : Date.now(), (share) => {
  if (share - shown < 0.1 && share < 1) return;
  shown = share;
  console.log(`history: ${Math.round(share * 100)} %, ${sender.sent} spans in ${((Date.now() - begun) / 1000).toFixed(0)} s`);
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
