/** @type {import('@stryker-mutator/api/core').PartialStrykerOptions} */
export default {
  testRunner: 'jest',
  plugins: ['@stryker-mutator/jest-runner'],
  jest: { projectType: 'custom', configFile: 'jest.mutate.config.mjs', enableFindRelatedTests: false },
  coverageAnalysis: 'perTest',
  incremental: true,
  incrementalFile: `.stryker/${process.env['WF_MUTATE_NAME'] ?? 'all'}.json`,
  tempDirName: '.stryker/tmp',
  reporters: ['clear-text', 'progress-append-only'],
  clearTextReporter: { allowColor: false, reportTests: false, reportScoreTable: true },
  // Words for people are no behaviour.
  mutator: { excludedMutations: ['StringLiteral'] },
  ignorePatterns: ['.stryker', 'dist', 'test-results', 'docs', 'e2e', 'bench', 'worlds', 'apps', '**/*.tsbuildinfo', 'data', '.tmp'],
  concurrency: 2,
  timeoutMS: 20_000,
  disableTypeChecks: false,
};
