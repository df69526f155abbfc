// `npm run bench:scale`: a day of ten million attempts in a real server. Argument: how many attempts.
import { BUNDLE, bundles, packages, run } from './setup.mjs';

packages();
bundles();
run(process.execPath, [`${BUNDLE}/scale-main.mjs`, ...process.argv.slice(2)]);
