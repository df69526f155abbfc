// `npm run backup -- FILE`, `npm run restore -- FILE`, `npm run check`: see docs/operations.md.
import { BUNDLE, bundles, packages, run } from './setup.mjs';

const [what, ...args] = process.argv.slice(2);
packages();
bundles();
run(process.execPath, [`${BUNDLE}/${what}-main.mjs`, ...args]);
