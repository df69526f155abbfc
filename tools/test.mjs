// `npm test`: sets up what is missing, then lint, types, dependency rules, unit, property, server and browser tests.
// `npm test -- core` runs the tests of one room alone.
import { app, bundles, chromium, packages, run } from './setup.mjs';

const only = process.argv.slice(2);
packages();
chromium();
app();
bundles();
const npx = (...args) => run('npx', ['--no-install', ...args]);
const step = (name, work) => {
  const begun = Date.now();
  console.log(`\n== ${name}`);
  work();
  console.log(`== ${name}: ${((Date.now() - begun) / 1000).toFixed(0)} s`);
};
if (only.length === 0) {
  step('format', () => npx('prettier', '--check', '.'));
  step('types', () => {
    run('npm', ['run', '-s', 'api-types', '--', '--check']);
    run('npm', ['run', '-s', 'types']);
  });
  step('dependency rules', () => run('npm', ['run', '-s', 'rooms']));
  step('lint', () => run('npm', ['run', '-s', 'lint']));
}
step('tests', () =>
  run(process.execPath, [
    'node_modules/jest/bin/jest.js',
    '--maxWorkers=2',
    ...(only.length > 0 ? ['--selectProjects', ...only] : []),
  ]),
);
