// `npm run bench:truth`: judges worlds whose truth is known. Arguments: first and last seed, and how many processes.
import { BUNDLE, bundles, packages, run } from './setup.mjs';

packages();
bundles();
run(process.execPath, [`${BUNDLE}/truth-main.mjs`, ...process.argv.slice(2)]);
run('npx', ['--no-install', 'prettier', '--write', 'docs/truth.md']);
