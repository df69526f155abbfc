import { startRound } from './stand-ins/round';

/** `node dist/node/round-main.mjs PORT TOP_LENS KEY`: Round in a browser, for visitors of the demo. */
const [port = '4420', topLens = 'http://127.0.0.1:4400', key = 'demo-round'] = process.argv.slice(2);
const round = await startRound({ port: Number(port), topLens, key, script: 'dist/round.js' });
console.log(`Round is at ${round.url}`);
