// `npm run torture`: everything that may happen to a server, long; `npm run torture -- disk clocks` some of it. See
// docs/reliability.md.
import { bundles, packages, run } from './setup.mjs';

packages();
bundles();
run(process.execPath, ['--import', 'tsx', 'e2e/torture/main.ts', ...process.argv.slice(2)]);
