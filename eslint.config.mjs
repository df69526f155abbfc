import { createRequire } from 'node:module';
import { defineConfig } from 'eslint/config';
import globals from 'globals';
import { configs } from 'typescript-eslint';

const require = createRequire(import.meta.url);

export default defineConfig([
  {
    ignores: [
      '**/node_modules/**',
      '**/dist/**',
      '**/.expo/**',
      '.cache/**',
      'data/**',
      '**/*.tmp.*',
      'app/src/data/api-types.ts',
      'app/expo-env.d.ts',
    ],
  },
  ...require('eslint-config-expo/flat'),
  {
    settings: {
      'import/resolver': {
        typescript: {
          project: [
            'core/tsconfig.json',
            'server/tsconfig.json',
            'scenario/tsconfig.json',
            'snippet/tsconfig.json',
            'phone/tsconfig.json',
            'probes/tsconfig.json',
            'watch/tsconfig.json',
            'e2e/tsconfig.json',
            'bench/tsconfig.json',
            'app/tsconfig.json',
          ],
        },
      },
    },
  },
  {
    files: ['**/*.cjs', 'app/*.js', 'tools/**', '**/*.mjs'],
    languageOptions: { globals: { ...globals.node, ...globals.jest, ...globals.browser } },
  },
  {
    files: ['{core,server,scenario,snippet,phone,probes,watch,app}/src/**/*.{ts,tsx}', '{e2e,bench}/**/*.ts'],
    extends: [configs.recommendedTypeCheckedOnly],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { varsIgnorePattern: '^_', argsIgnorePattern: '^_' }],
      // `fc.assert`, `fc.property` … read better with their prefix.
      'import/no-named-as-default-member': 'off',
      'expo/no-env-var-destructuring': 'off',
      // TypeScript says the same, from what it has read already.
      'import/namespace': 'off',
      'import/export': 'off',
      'import/no-unresolved': 'off',
      // Express 5 and node:timers await the promises that handlers return.
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: false }],
    },
  },
  // The snippet watches functions of the browser by putting its own in their place, and calls the browser's with their `this`.
  { files: ['snippet/src/**'], rules: { '@typescript-eslint/unbound-method': 'off' } },
  { files: ['**/*.test.{ts,tsx}', 'e2e/**'], languageOptions: { globals: globals.jest } },
  {
    files: ['app/src/look/icon.tsx', 'app/src/app/_layout.tsx'],
    rules: {
      '@typescript-eslint/no-require-imports': 'off',
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
    },
  },
]);
