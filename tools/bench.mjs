import { app, BUNDLE, bundles, chromium, packages, run } from './setup.mjs';

packages();
chromium();
app();
bundles();
run(process.execPath, [`${BUNDLE}/bench-main.mjs`, ...process.argv.slice(2)]);
