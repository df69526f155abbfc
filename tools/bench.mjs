import { app, chromium, packages, run } from './setup.mjs';

packages();
chromium();
app();
run(process.execPath, ['--import', 'tsx', 'bench/bench.ts']);
