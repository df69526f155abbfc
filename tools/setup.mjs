// Sets up what is missing: packages, Chromium, fonts, the built app. Needs only Node.js and Debian's package manager.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

export { BUNDLE } from './bundle.mjs';

export const root = join(import.meta.dirname, '..');
const stamps = join(root, '.cache', 'stamps');

/** Runs a command in the open; ends this process with its exit code when it fails. */
export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  if (result.error || result.status !== 0) {
    console.error(`failed: ${command} ${args.join(' ')}${result.error ? ` (${result.error.message})` : ''}`);
    process.exit(result.status || 1);
  }
}

/** A hash of files and folders, to know whether something must be made anew. */
function hashOf(paths) {
  const hash = createHash('sha256');
  const add = (path) => {
    for (const entry of readdirSync(path, { withFileTypes: true }).sort((a, b) => a.name.localeCompare(b.name))) {
      if (['node_modules', 'dist', '.expo'].includes(entry.name) || entry.name.includes('.test.')) continue;
      const file = join(path, entry.name);
      if (entry.isDirectory()) add(file);
      else hash.update(file.slice(root.length)).update(readFileSync(file));
    }
  };
  for (const path of paths) {
    const full = join(root, path);
    if (!existsSync(full)) continue;
    try {
      add(full);
    } catch {
      hash.update(path).update(readFileSync(full));
    }
  }
  return hash.digest('hex');
}

/** Does the work when its inputs changed or its result is gone. */
function whenChanged(name, inputs, result, work) {
  const stamp = join(stamps, name);
  const hash = hashOf(inputs);
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === hash && existsSync(join(root, result))) return;
  work();
  mkdirSync(stamps, { recursive: true });
  writeFileSync(stamp, hash);
}

/** Major versions of Node.js on which the server, the demo and the tests were run. */
const TRIED = new Set([20, 22, 24]);

export function packages() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    console.error(`Top Lens runs on Node.js 20.19 or later; this is ${process.version}.`);
    process.exit(1);
  }
  if (!TRIED.has(major))
    console.warn(
      `Top Lens was tried on Node.js ${[...TRIED].join(', ')}, not on ${process.version}; it may run all the same.`,
    );
  whenChanged('packages', ['package-lock.json'], 'node_modules/.package-lock.json', () => {
    console.log('installing packages (a minute or two) …');
    run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
  });
}

export function chromium() {
  if (existsSync('/usr/bin/chromium')) return;
  console.log('installing Chromium for the browser tests …');
  const isRoot = process.getuid?.() === 0;
  const apt = (...args) =>
    spawnSync(isRoot ? 'apt-get' : 'sudo', isRoot ? args : ['-n', 'apt-get', ...args], {
      stdio: 'inherit',
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
  apt('update', '-qq');
  const installed = apt('install', '-y', '-qq', 'chromium');
  if (installed.status !== 0 || !existsSync('/usr/bin/chromium')) {
    console.error(
      'Chromium is missing and cannot be installed from here: as root, run "apt-get install chromium", then try again.',
    );
    process.exit(1);
  }
}

export function app() {
  whenChanged('fonts', ['app/src', 'tools/fonts.mjs', 'package-lock.json'], 'app/public/fonts/icons.woff2', () =>
    run(process.execPath, ['tools/fonts.mjs']),
  );
  whenChanged('app', ['app', 'core/src', 'package-lock.json'], 'app/dist/index.html', () => {
    console.log('building the app (about two minutes the first time) …');
    run(process.execPath, ['../node_modules/expo/bin/cli', 'export', '-p', 'web'], {
      cwd: join(root, 'app'),
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1' },
    });
  });
}

/** The script that pages include; Round in a browser; server, workers and demo world for Node. */
export function bundles() {
  whenChanged('snippet', ['snippet/src', 'tools/snippet.mjs', 'package-lock.json'], 'dist/snippet.js', () =>
    run(process.execPath, ['--input-type=module', '-e', "import { snippet } from './tools/snippet.mjs'; snippet();"]),
  );
  whenChanged('round', ['phone', 'tools/round-page.mjs', 'package-lock.json'], 'dist/round.js', () =>
    run(process.execPath, [
      '--input-type=module',
      '-e',
      "import { roundPage } from './tools/round-page.mjs'; roundPage();",
    ]),
  );
  whenChanged(
    'bundles',
    [
      'core/src',
      'server/src',
      'scenario/src',
      'probes/src',
      'watch/src',
      'bench',
      'tools/bundle.mjs',
      'package-lock.json',
    ],
    'dist/node/main.mjs',
    () =>
      run(process.execPath, ['--input-type=module', '-e', "import { bundle } from './tools/bundle.mjs'; bundle();"]),
  );
}

/** Two weeks of the demo, up to a fixed moment, in a data folder: tests of the interface start from copies of it. */
export function demoDay() {
  whenChanged(
    'demo-day',
    ['core/src', 'server/src', 'scenario/src', 'config', 'e2e/demo-day/world.ts', 'package-lock.json'],
    '.cache/demo-day/made.json',
    () => {
      console.log('making the demo day that the tests of the interface start from (three minutes) …');
      run(process.execPath, ['--import', 'tsx', 'e2e/demo-day/make.ts']);
    },
  );
}
