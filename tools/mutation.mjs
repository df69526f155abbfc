// `npm run mutation`: changes core in thousands of small ways and counts the changes that no test notices: a day's work.
// `npm run mutation -- 200` changes 200 lines picked at random, the same each time; a second number picks others.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { packages, root, run } from './setup.mjs';

const ROOMS = ['stats', 'normal', 'incidents', 'journeys'];

packages();
const [sample, seed = '1'] = process.argv.slice(2);
run('npx', [
  '--no-install',
  'stryker',
  'run',
  ...(sample === undefined ? [] : ['--mutate', linesAtRandom(Number(sample), Number(seed)).join(',')]),
]);

/** So many lines of code as `file:line-line`: each has as many chances as any other. */
function linesAtRandom(n, from) {
  const random = randomFrom(from);
  const lines = ROOMS.flatMap((room) => filesBelow(`core/src/${room}`)).flatMap((file) =>
    readFileSync(join(root, file), 'utf8')
      .split('\n')
      .flatMap((line, i) =>
        /^\s*(?:$|\/?\*|\/\/|import |export \*|[})\]];?$)/.test(line) ? [] : [`${file}:${i + 1}-${i + 1}`],
      ),
  );
  for (let i = lines.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [lines[i], lines[j]] = [lines[j], lines[i]];
  }
  return lines.slice(0, n);
}

function filesBelow(folder) {
  return readdirSync(join(root, folder), { recursive: true })
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts') && !file.endsWith('index.ts'))
    .sort()
    .map((file) => `${folder}/${file}`);
}

/** A linear congruential generator (Numerical Recipes, from memory): it need not be a good one. */
function randomFrom(start) {
  let state = start >>> 0;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}
