// `npm run bench:truth`: judges worlds whose truth is known. Arguments: first and last seed, and how many processes.
// `npm run bench:truth -- promises`: forecasts of promises against simulated months.
import { BUNDLE, bundles, packages, run } from './setup.mjs';

packages();
const [what, ...seeds] = process.argv.slice(2);
if (what === 'promises') {
  run(process.execPath, ['--import', 'tsx', 'bench/truth/promises.ts', ...seeds]);
  run('npx', ['--no-install', 'prettier', '--write', 'docs/forecasts.md']);
  process.exit(0);
}
bundles();
run(process.execPath, [`${BUNDLE}/truth-main.mjs`, ...process.argv.slice(2)]);
run('npx', ['--no-install', 'prettier', '--write', 'docs/truth.md']);
