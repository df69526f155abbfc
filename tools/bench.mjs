import { app, BUNDLE, bundles, chromium, demoDay, packages, run } from './setup.mjs';

packages();
chromium();
app();
bundles();
demoDay();
run(process.execPath, [`${BUNDLE}/bench-main.mjs`, ...process.argv.slice(2)]);
