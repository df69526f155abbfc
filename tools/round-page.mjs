// Bundles Round, the example of `phone/`, for a browser: React Native's components are those of React Native for Web.
import { createRequire } from 'node:module';
import { join } from 'node:path';

export function roundPage() {
  const { buildSync } = createRequire(import.meta.url)('esbuild');
  buildSync({
    absWorkingDir: join(import.meta.dirname, '..'),
    entryPoints: ['phone/example/round.tsx'],
    outfile: 'dist/round.js',
    bundle: true,
    minify: true,
    format: 'iife',
    jsx: 'automatic',
    target: ['es2020'],
    alias: { 'react-native': 'react-native-web' },
    define: { 'process.env.NODE_ENV': '"production"' },
    logLevel: 'warning',
  });
}
