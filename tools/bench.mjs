import { app, bundles, chromium, packages, run } from './setup.mjs';

packages();
chromium();
app();
bundles();
run(process.execPath, ['--import', 'tsx', 'bench/bench.ts']);
