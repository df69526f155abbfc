// Bundles the script that pages include: one classic script without modules, eval or inline styles, for browsers of the
// last years.
import { createRequire } from 'node:module';
import { join } from 'node:path';

export function snippet() {
  const { buildSync } = createRequire(import.meta.url)('esbuild');
  buildSync({
    absWorkingDir: join(import.meta.dirname, '..'),
    entryPoints: ['snippet/src/main.ts'],
    outfile: 'dist/snippet.js',
    bundle: true,
    minify: true,
    format: 'iife',
    target: ['es2020'],
    logLevel: 'warning',
  });
}
