// `npm run mutation`: changes the computation in thousands of small ways and counts the changes that no test notices.
// docs/mutation.md has the score and the survivors.
export default {
  testRunner: 'jest',
  plugins: ['@stryker-mutator/jest-runner'],
  jest: { projectType: 'custom', configFile: 'jest.mutation.cjs', enableFindRelatedTests: true },
  coverageAnalysis: 'perTest',
  // Constants at the top of a file are read once, before any test: they are held by examples, run for all tests.
  ignoreStatic: false,
  mutate: ['core/src/{stats,normal,incidents,journeys}/**/*.ts', '!**/*.test.ts', '!**/index.ts'],
  mutator: { excludedMutations: ['StringLiteral'] },
  ignorePatterns: ['app', 'server', 'scenario', 'snippet', 'bench', 'e2e', 'docs', 'data', 'dist', 'config', '.cache'],
  tempDirName: '.cache/mutation',
  reporters: ['clear-text', 'json', 'progress'],
  jsonReporter: { fileName: '.cache/mutation-report.json' },
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false },
  concurrency: 2,
  dryRunTimeoutMinutes: 20,
  timeoutMS: 20_000,
};
