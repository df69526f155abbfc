// `npm run probe -- --site NAME --server URL --key KEY`: runs the probes of a site; see docs/probes.md.
import { spawn } from 'node:child_process';
import { BUNDLE, bundles, packages, root } from './setup.mjs';

packages();
bundles();
const probe = spawn(process.execPath, [`${BUNDLE}/probe-main.mjs`, ...process.argv.slice(2)], {
  cwd: root,
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => probe.kill(signal));
probe.on('exit', (code) => (process.exitCode = code ?? 0));
