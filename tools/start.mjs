// `npm start`: the server alone.
import { MEMORY } from './memory.mjs';
import { BUNDLE, bundles, packages, run } from './setup.mjs';

packages();
bundles();
Object.assign(process.env, { ...MEMORY, ...process.env });
run(process.execPath, [`${BUNDLE}/main.mjs`]);
