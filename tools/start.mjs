// `npm start`: the server alone.
import { BUNDLE, bundles, packages, run } from './setup.mjs';

packages();
bundles();
run(process.execPath, [`${BUNDLE}/main.mjs`]);
