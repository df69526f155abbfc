// Bundles the server, its workers and the demo world for Node: starts at once, and runs twice as fast as through the
// TypeScript loader, which wraps every inner function to keep its name.
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..');
export const BUNDLE = 'dist/node';

const ENTRIES = {
  main: 'server/src/main.ts',
  'backup-main': 'server/src/maintenance/backup-main.ts',
  'restore-main': 'server/src/maintenance/restore-main.ts',
  'check-main': 'server/src/maintenance/check-main.ts',
  'engine-worker': 'server/src/engine/engine-worker.ts',
  'search-worker': 'server/src/search/search-worker.ts',
  'database-worker': 'server/src/store/database-worker.ts',
  'desk-main': 'scenario/src/desk-main.ts',
  'past-handoffs': 'scenario/src/past-handoffs.ts',
  'mailbox-main': 'scenario/src/mailbox-main.ts',
  'messages-main': 'scenario/src/messages-main.ts',
  'round-main': 'scenario/src/round-main.ts',
  'probe-main': 'probes/src/main.ts',
  watch: 'watch/src/register.ts',
  'load-and-play': 'scenario/src/load-and-play.ts',
  'truth-main': 'bench/truth/main.ts',
  'scale-main': 'bench/scale/main.ts',
  'bench-main': 'bench/bench.ts',
  'decode-only': 'bench/decode-only.ts',
};

/** Of these another, older version stands at the top of node_modules, where a bundle would find it: they go in. */
const BUNDLED = new Set(['lru-cache']);

/** Packages stay packages; our own code, written in TypeScript, goes in. */
const packages = ['server', 'scenario', '.']
  .map((dir) => JSON.parse(readFileSync(join(root, dir, 'package.json'), 'utf8')))
  .flatMap(({ dependencies, devDependencies }) => Object.keys({ ...dependencies, ...devDependencies }))
  .filter((name) => !name.startsWith('@toplens/') && !BUNDLED.has(name));

export function bundle() {
  const { buildSync } = createRequire(import.meta.url)('esbuild');
  buildSync({
    absWorkingDir: root,
    entryPoints: Object.entries(ENTRIES).map(([out, file]) => ({ in: file, out })),
    outdir: BUNDLE,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    sourcemap: 'inline',
    sourcesContent: false,
    external: packages,
    define: { 'process.env.TOPLENS_BUNDLE': JSON.stringify(BUNDLE) },
    logLevel: 'warning',
  });
}
