// `npm test`: sets up what is missing, then format, types, dependency rules and lint, two at a time, then all tests.
// `npm test -- core` runs the tests of one room alone.
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, statfsSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { app, BUNDLE, bundles, chromium, demoDay, packages, root } from './setup.mjs';

const MEMORY_FOLDER = '/dev/shm';
const MEMORY_NEEDED = 4 * 1024 ** 3;

/** The checks beside the tests; each is told when it has ended. */
const CHECKS = {
  'lint of app, e2e and the rest': ['eslint', '.', '--ignore-pattern', '{core,server}/**', '--max-warnings', '0'],
  'lint of core and server': ['eslint', 'core', 'server', '--max-warnings', '0'],
  types: ['npm', 'run', '-s', 'types'],
  'types of the API': ['npm', 'run', '-s', 'api-types', '--', '--check'],
  notices: ['npm', 'run', '-s', 'notices', '--', '--check'],
  format: ['prettier', '--check', '.'],
  'dependency rules': ['npm', 'run', '-s', 'rooms'],
};

const seconds = (begun) => `${((Date.now() - begun) / 1000).toFixed(0)} s`;

function check(name, [command, ...args]) {
  const begun = Date.now();
  const program = command === 'npm' ? [command, args] : ['npx', ['--no-install', command, ...args]];
  const child = spawn(...program, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
  const said = [];
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => said.push(chunk));
  return new Promise((resolve) =>
    child.on('close', (code) => {
      console.log(`== ${name}: ${code === 0 ? 'good' : 'FAILED'}, ${seconds(begun)}`);
      if (code !== 0) process.stdout.write(Buffer.concat(said));
      resolve(code === 0);
    }),
  );
}

async function checks(names = Object.keys(CHECKS)) {
  const begun = Date.now();
  const results = [];
  const lane = async () => {
    for (let name = names.shift(); name; name = names.shift()) results.push(await check(name, CHECKS[name]));
  };
  await Promise.all([lane(), lane()]);
  console.log(`== checks: ${seconds(begun)}\n`);
  if (results.includes(false)) process.exit(1);
}

/** Hundreds of data folders are made and thrown away: in memory, where there is room for them. */
function temporaryFolder() {
  let hasRoom = false;
  try {
    const { bavail, bsize } = statfsSync(MEMORY_FOLDER);
    hasRoom = bavail * bsize > MEMORY_NEEDED;
  } catch {
    // There is no such folder here.
  }
  return mkdtempSync(join(hasRoom ? MEMORY_FOLDER : tmpdir(), 'toplens-tests-'));
}

const only = process.argv.slice(2);
packages();
chromium();
app();
bundles();
if (only.length === 0 || only.includes('e2e')) demoDay();

const begun = Date.now();
if (only.length === 0) await checks();
const folder = temporaryFolder();
process.on('exit', () => rmSync(folder, { recursive: true, force: true }));

const REPORT = join(folder, 'jest.json');
/** Ends the command with what failed. */
function fail(names) {
  console.error(`failed: tests\n${names.map((name) => `   ${name}`).join('\n')}`);
  process.exit(1);
}

/** Workers start from the bundle, which was made of what is here. @returns the files that failed */
function jest(...args) {
  rmSync(REPORT, { force: true });
  const { status } = spawnSync(
    process.execPath,
    ['node_modules/jest/bin/jest.js', '--json', '--outputFile', REPORT, ...args],
    {
      cwd: root,
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, TMPDIR: folder, TOPLENS_BUNDLE: BUNDLE },
    },
  );
  if (status === 0) return [];
  const { testResults } = JSON.parse(readFileSync(REPORT, 'utf8'));
  const names = testResults.filter((one) => one.status === 'failed').map((one) => one.name);
  if (names.length === 0) fail(['jest itself']);
  return names;
}

/** More than this is no accident of a busy machine. */
const MOST_TRIED_ALONE = 5;
const failed = jest('--maxWorkers=2', ...(only.length > 0 ? ['--selectProjects', ...only] : []));
if (failed.length > MOST_TRIED_ALONE) fail(failed);
// Real clocks, browsers and processes: what failed beside other work must hold with the machine to itself.
if (failed.length > 0) {
  console.log(`== failed beside other work, tried alone:\n${failed.map((name) => `   ${name}`).join('\n')}`);
  const again = jest('--runInBand', '--runTestsByPath', ...failed);
  if (again.length > 0) fail(again);
}
console.log(`== all of it, after set-up: ${seconds(begun)}`);
